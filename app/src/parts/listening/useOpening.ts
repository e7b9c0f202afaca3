import type { SourceKind } from '@rosefinch/core/sitting';
import { type RefObject, useCallback, useRef, useState } from 'react';
import type { Settings } from '../../data/index.ts';
import type { Ear, MicrophoneProblem, PracticeHands, PracticeStart } from '../../sound/index.ts';

/** A source that can be opened; a recording is read as a whole. */
export type Wanted = Exclude<SourceKind, 'recording'>;

/** What is needed to open a source. */
interface OpeningWish {
  readonly settings: Settings;
  readonly practice: () => Promise<PracticeStart>;
  readonly heardFrom?: ((source: Wanted) => void) | undefined;
}

/** Which source is open, and the ways to open and close one. */
export interface Opening {
  readonly source: Wanted | null;
  readonly hands: PracticeHands | null;
  readonly open: (wanted: Wanted) => void;
  readonly close: () => void;
}

/** Opens one source at a time. What comes late of one that is no longer wanted is nobody's. */
export function useOpening(
  ear: RefObject<Ear | null>,
  wish: OpeningWish,
  failed: (problem: MicrophoneProblem) => void,
): Opening {
  const [source, setSource] = useState<Wanted | null>(null);
  const [hands, setHands] = useState<PracticeHands | null>(null);
  /** Which opening is the newest. */
  const turn = useRef(0);
  const latest = useRef(wish);
  latest.current = wish;
  const open = useCallback(
    (wanted: Wanted) => {
      const mine = ++turn.current;
      const { settings, practice, heardFrom } = latest.current;
      setSource(wanted);
      setHands(null);
      heardFrom?.(wanted);
      const openers: Readonly<Record<Wanted, () => Promise<void> | undefined>> = {
        microphone: () => ear.current?.openMicrophone(inputOf(settings)),
        practice: async () => {
          const start = await practice();
          if (turn.current !== mine) return;
          setHands(ear.current?.openPractice(start, settings.practiceSound) ?? null);
        },
      };
      openers[wanted]()?.catch((problem: MicrophoneProblem) => {
        // Something else may have been chosen while the browser asked for leave.
        if (turn.current !== mine) return;
        failed(problem);
        setSource(null);
      });
    },
    [ear, failed],
  );
  const close = useCallback(() => {
    turn.current++;
    ear.current?.closeSource();
    setSource(null);
    setHands(null);
  }, [ear]);
  return { source, hands, open, close };
}

function inputOf({ channel, microphoneId }: Settings) {
  return { channel, ...(microphoneId !== null && { deviceId: microphoneId }) };
}
