import { type RefObject, useCallback, useRef, useState } from 'react';
import type { Settings } from '../../data/index.ts';
import type { Ear, PracticeHands, PracticeStart } from '../../sound/index.ts';
import { earKeeper } from './earKeeper.ts';
import type { Wanted } from './wanted.ts';

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
  /** It could not be opened. */
  readonly refused: () => void;
}

/** Opens one source at a time. What comes late of one that is no longer wanted is nobody's. */
export function useOpening(ear: RefObject<Ear | null>, wish: OpeningWish): Opening {
  // What the view before listened to goes on, and is shown so from the first drawing: a microphone is
  // open still, a practice instrument is opened anew as soon as the view can.
  const [source, keepSource] = useState(() => earKeeper.source);
  const setSource = useCallback((next: Wanted | null) => {
    earKeeper.source = next;
    keepSource(next);
  }, []);
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
      earKeeper.opens(openers[wanted]() ?? null);
    },
    [ear, setSource],
  );
  const close = useCallback(() => {
    turn.current++;
    earKeeper.opens(null);
    ear.current?.closeSource();
    setSource(null);
    setHands(null);
  }, [ear, setSource]);
  const refused = useCallback(() => setSource(null), [setSource]);
  return { source, hands, open, close, refused };
}

function inputOf({ channel, microphoneId }: Settings) {
  return { channel, ...(microphoneId !== null && { deviceId: microphoneId }) };
}
