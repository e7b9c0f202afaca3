import type { RoomLevel } from './useBench.ts';

/** The room and the level in words. */
export function roomInWords(room: RoomLevel | null): string {
  if (!room) return 'Not listening yet.';
  const parts = [
    room.floorDbfs < -58
      ? 'Room quiet'
      : room.floorDbfs < -44
        ? 'Some noise in the room'
        : 'Room loud',
    room.peak >= 0.985
      ? 'too loud: move away or turn the input down'
      : room.levelDbfs > room.floorDbfs + 10
        ? 'level good'
        : 'waiting for a string',
  ];
  return parts.join(' · ');
}
