import type { Round } from '@rosefinch/core/rounds';
import { useLive } from '../../data/index.ts';

/** The round that is going on, live; null where none is, undefined until it is read. */
export function useOpenRound(): Round | null | undefined {
  return useLive((r) => r.chronicle.openRound(), 'the open round');
}
