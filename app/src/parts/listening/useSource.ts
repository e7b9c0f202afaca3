import { type SourceKind, tellsOfInstrument } from '@rosefinch/core/sitting';
import { useCallback, useRef, useState } from 'react';
import { useData } from '../../data/index.ts';
import { newSeed } from '../../environment.ts';

/** What the readings of a session are put down to: the source that was listened to last. */
export interface SourceOfSitting {
  readonly latest: () => SourceKind;
  /** What is heard is practice, and tells nothing of the instrument itself. */
  readonly practice: boolean;
  /** Seed of the practice instrument, where none is kept yet. */
  readonly seed: number;
  readonly heardFrom: (source: SourceKind) => void;
}

/** @param begun what was listened to before, where that is known */
export function useSource(begun?: SourceKind): SourceOfSitting {
  const { shelf } = useData();
  const demo = shelf === 'demo';
  const [source, setSource] = useState<SourceKind>(begun ?? (demo ? 'practice' : 'microphone'));
  const now = useRef(source);
  const latest = useCallback(() => now.current, []);
  const heardFrom = useCallback((next: SourceKind) => {
    now.current = next;
    setSource(next);
  }, []);
  const [seed] = useState(newSeed);
  return { latest, practice: !tellsOfInstrument({ source }, demo), seed, heardFrom };
}
