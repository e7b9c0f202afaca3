import { type AskingTalk, askingTalk, startAsking } from '@rosefinch/core/dialogue';
import type { Asked } from '@rosefinch/core/ear';
import { useEffect, useState } from 'react';
import { monotonic } from '../../environment.ts';
import { chordFor, type ExerciseProps } from './exercises.ts';
import { useExercise } from './useExercise.ts';

/** Which questions are asked, and by which rule. */
export type AskingProps = ExerciseProps & { readonly exercise: Asked; readonly staircase: boolean };

/** A run of questions as it stands. */
export interface Asking {
  readonly talk: AskingTalk;
  readonly send: (input: Parameters<typeof askingTalk>[1]) => void;
  /** The question can be answered by now. */
  readonly heard: boolean;
}

/** Asks one question after the other. */
export function useAsking(props: AskingProps): Asking {
  const { exercise, stock, staircase, before } = props;
  const { settings } = stock;
  const { talk, send } = useExercise(props, {
    start: () => startAsking(staircase),
    machine: askingTalk,
    world: () => ({ exercise, before, chord: chordFor(exercise, stock) }),
    begun: { type: 'sounds' } as const,
    staircase,
  });
  const heard = useHeard(talk);
  const silent = settings.earFeedback === 'none' && talk.phase === 'told' && exercise !== 'class';
  useEffect(() => {
    if (silent) send({ type: 'ask' });
  }, [silent, send]);
  return { talk, send, heard };
}

/** Whether the question in hand has been heard far enough to be answered. */
function useHeard({ question, soundedAt }: AskingTalk): boolean {
  const [heard, setHeard] = useState<number | null>(null);
  useEffect(() => {
    if (!question || soundedAt === null) return;
    const left = soundedAt + 1000 * question.heardAfter - monotonic();
    const timer = setTimeout(() => setHeard(soundedAt), Math.max(0, left));
    return () => clearTimeout(timer);
  }, [question, soundedAt]);
  return soundedAt !== null && heard === soundedAt;
}
