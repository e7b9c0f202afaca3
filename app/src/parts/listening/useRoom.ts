import { useCallback, useRef, useState } from 'react';
import type { AnalysisReport } from '../../sound/index.ts';
import { type RoomState, roomInWords } from './room.ts';

const NO_ROOM: RoomState = { level: null, report: null, lastReadingDbfs: null, deaf: false };

/** What is known of the room, from what the ear reports of it. */
export interface Room {
  readonly room: RoomState;
  readonly takeForRoom: (report: AnalysisReport) => void;
  readonly forgetRoom: () => void;
}

export function useRoom(): Room {
  const [room, setRoom] = useState<RoomState>(NO_ROOM);
  const now = useRef(NO_ROOM);
  const takeForRoom = useCallback((report: AnalysisReport) => {
    const change = changeBy(report);
    if (!change) return;
    const before = roomInWords(now.current);
    now.current = { ...now.current, ...change };
    // The level comes ten times a second: the view is drawn anew only where its words change.
    if (roomInWords(now.current) !== before) setRoom(now.current);
  }, []);
  const forgetRoom = useCallback(() => {
    now.current = NO_ROOM;
    setRoom(NO_ROOM);
  }, []);
  return { room, takeForRoom, forgetRoom };
}

function changeBy(report: AnalysisReport): Partial<RoomState> | null {
  switch (report.type) {
    case 'level':
      return { level: report };
    case 'room':
      return { report: report.report };
    case 'deaf':
      return { deaf: report.deaf };
    case 'outcome': {
      const { outcome } = report;
      return outcome.kind === 'reading' ? { lastReadingDbfs: outcome.levelDbfs } : null;
    }
    default:
      return null;
  }
}
