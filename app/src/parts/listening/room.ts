import type { RoomReport } from '@rosefinch/core/listen';
import { list, type Message, message, type Value } from '@rosefinch/core/message';

/** Level of the moment, of the room, and the peak of the last tenth of a second. */
interface RoomLevel {
  readonly levelDbfs: number;
  readonly floorDbfs: number;
  readonly peak: number;
}

/** What the room strip knows. */
export interface RoomState {
  readonly level: RoomLevel | null;
  readonly report: RoomReport | null;
  /** Level of the last reading, dBFS; null before the first. */
  readonly lastReadingDbfs: number | null;
  /** The application itself sounds a tone, and hears nothing meanwhile. */
  readonly deaf: boolean;
}

const QUIET = -58;
const LOUD = -44;
const TOO_FAR = -48;
const CLIPPING = 0.985;

/** The room and the level in words. */
export function roomInWords({ level, report, lastReadingDbfs, deaf }: RoomState): Value {
  if (!level) return message('common.notListening');
  if (deaf) return message('common.toneSounds');
  const room =
    level.floorDbfs < QUIET
      ? message('common.roomQuiet')
      : level.floorDbfs < LOUD
        ? message('common.roomSomeNoise')
        : message('common.roomLoud');
  const parts = [room, levelInWords(level, lastReadingDbfs)];
  if (report?.humHz) parts.push(message('common.roomHum', { hz: report.humHz }));
  if (report && report.tones.length > 0) parts.push(message('common.roomOthers'));
  return list(parts, 'points');
}

function levelInWords(level: RoomLevel, lastReadingDbfs: number | null): Message {
  if (level.peak >= CLIPPING) return message('common.levelTooLoud');
  if (level.levelDbfs > level.floorDbfs + 10) return message('common.levelGood');
  if (lastReadingDbfs !== null && lastReadingDbfs < TOO_FAR) return message('common.levelTooFar');
  return message('common.levelWaiting');
}
