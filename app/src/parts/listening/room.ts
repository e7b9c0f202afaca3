import type { RoomReport } from '@rosefinch/core/listen';
import { PARTS_SAYS } from '@rosefinch/core/words';

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
export function roomInWords({ level, report, lastReadingDbfs, deaf }: RoomState): string {
  if (!level) return PARTS_SAYS.notListening;
  if (deaf) return PARTS_SAYS.toneSounds;
  const room =
    level.floorDbfs < QUIET
      ? 'Room quiet'
      : level.floorDbfs < LOUD
        ? 'Some noise in the room: quiet enough for a firm pluck'
        : 'Room loud: go nearer to the microphone or somewhere quieter';
  const parts = [room, levelInWords(level, lastReadingDbfs)];
  if (report?.humHz) parts.push(`mains hum at ${report.humHz} Hz: move away from lamps and cables`);
  if (report && report.tones.length > 0) parts.push('somebody else is playing');
  return parts.join(' · ');
}

function levelInWords(level: RoomLevel, lastReadingDbfs: number | null): string {
  if (level.peak >= CLIPPING) return 'too loud: move away or turn the input down';
  if (level.levelDbfs > level.floorDbfs + 10) return 'level good';
  if (lastReadingDbfs !== null && lastReadingDbfs < TOO_FAR) return 'too far: come nearer';
  return 'waiting for a string';
}
