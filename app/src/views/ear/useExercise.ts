import {
  A_MINUTE,
  type ExerciseEffect,
  type ExerciseWorld,
  type Next,
} from '@rosefinch/core/dialogue';
import { seededRandom } from '@rosefinch/core/maths';
import { useRef } from 'react';
import { monotonic, newSeed, now } from '../../environment.ts';
import { type Dialogue, useDialogue } from '../../parts/listening/index.ts';
import type { ExerciseProps } from './exercises.ts';
import { useEarRun } from './useEarRun.ts';
import { useSound } from './useSound.ts';

interface Exercise<State, Input, Effect, World> {
  readonly start: () => State;
  readonly machine: (
    state: State,
    input: Input,
    world: World & ExerciseWorld,
  ) => Next<State, Effect | ExerciseEffect>;
  /** What this exercise is done with, beside what all have. */
  readonly world: () => World;
  /** A question has begun to sound. */
  readonly begun?: NoInfer<Input>;
  /** What this exercise wants done beside what all want. */
  readonly perform?: (effect: Effect) => void;
  readonly staircase?: boolean;
}

/** Runs an exercise: sounds what it asks, keeps what is answered the moment it is. */
export function useExercise<State, Input, Effect extends { readonly type: string }, World>(
  { exercise, stock, minute }: ExerciseProps,
  {
    start,
    machine,
    world,
    begun,
    perform,
    staircase = false,
  }: Exercise<State, Input, Effect, World>,
): Dialogue<State, Input> {
  const { settings } = stock;
  const random = useRef(seededRandom(newSeed()));
  // Nothing is kept of single children.
  const learnerId = exercise === 'class' ? null : settings.learnerId;
  const { keep, end } = useEarRun(exercise, { learnerId, minute, staircase });
  const sound = useSound(settings.referenceVolume);
  const dialogue: Dialogue<State, Input> = useDialogue({
    start,
    machine,
    world: () => ({
      ...world(),
      questions: minute ? A_MINUTE : null,
      now: now(),
      clock: monotonic(),
      random: random.current,
    }),
    perform: (effect: Effect | ExerciseEffect) => {
      if (isOwn(effect)) perform?.(effect);
      else if (effect.type === 'sound')
        sound(effect.notes, () => begun !== undefined && dialogue.send(begun));
      else if (effect.type === 'keep') keep(effect.trial);
      else end();
    },
  });
  return dialogue;
}

function isOwn<Effect extends { readonly type: string }>(
  effect: Effect | ExerciseEffect,
): effect is Effect {
  return !['sound', 'keep', 'over'].includes(effect.type);
}
