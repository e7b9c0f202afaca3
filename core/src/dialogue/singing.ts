import { type EarTrial, type Sung, type SungFrame, sungIn } from '../ear/index.ts';
import { nth } from '../maths/index.ts';
import type { Seconds } from '../units.ts';
import { allAsked, type ExerciseEffect, type ExerciseWorld, over, still } from './exercise.ts';
import type { Next } from './machine.ts';
import type { EarString } from './matching.ts';

/** A note to sing, and what was sung so far. */
export interface SingingTalk {
  readonly trials: readonly EarTrial[];
  readonly note: EarString | null;
  readonly phase: 'resting' | 'singing' | 'told' | 'over';
  readonly frames: readonly SungFrame[];
  /** What is held now, or was held last. */
  readonly sung: Sung | null;
}

export type SingingInput =
  | { readonly type: 'ask' }
  | { readonly type: 'again' }
  | { readonly type: 'heard'; readonly frame: SungFrame }
  | { readonly type: 'end' };

export type SingingEffect =
  | { readonly type: 'note'; readonly note: EarString }
  | Exclude<ExerciseEffect, { readonly type: 'sound' }>;

export interface SingingWorld extends ExerciseWorld {
  readonly strings: readonly EarString[];
}

export const NOTHING_SUNG: SingingTalk = {
  trials: [],
  note: null,
  phase: 'resting',
  frames: [],
  sung: null,
};

/** So much of what was heard is looked at. */
const KEPT: Seconds = 5;
/** A note is over after so much silence. */
const OVER: Seconds = 0.35;
/** It is worked out so often, in frames. */
const EVERY = 5;

export function singingTalk(
  talk: SingingTalk,
  input: SingingInput,
  world: SingingWorld,
): Next<SingingTalk, SingingEffect> {
  switch (input.type) {
    case 'ask': {
      if (talk.phase === 'singing' || talk.phase === 'over') return still(talk);
      if (allAsked(talk, world)) return over(talk);
      const note = nth(world.strings, Math.floor(world.random() * world.strings.length));
      return {
        state: { ...talk, note, phase: 'singing', frames: [], sung: null },
        effects: [{ type: 'note', note }],
      };
    }
    case 'again':
      return talk.note
        ? { state: { ...talk, frames: [] }, effects: [{ type: 'note', note: talk.note }] }
        : still(talk);
    case 'heard':
      return talk.phase === 'singing' && talk.note
        ? heard(talk, talk.note, input.frame, world)
        : still(talk);
    case 'end':
      return over(talk);
  }
}

/** Follows the voice; the note that was held is the answer once the voice is silent. */
function heard(
  talk: SingingTalk,
  note: EarString,
  frame: SungFrame,
  { now }: SingingWorld,
): Next<SingingTalk, SingingEffect> {
  const frames = [...talk.frames.filter(({ at }) => at > frame.at - KEPT), frame];
  const lastVoiced = frames.findLast(({ hz }) => hz !== null)?.at ?? null;
  const silent = lastVoiced !== null && frame.at - lastVoiced > OVER;
  if (!silent && frames.length % EVERY !== 0)
    return { state: { ...talk, frames }, effects: [], quiet: true };
  const sung = sungIn(frames, note.hz);
  if (!silent || !sung) return { state: { ...talk, frames, sung: sung ?? talk.sung }, effects: [] };
  const trial: EarTrial = { at: now, cell: `string ${note.course}`, asked: 0, off: sung.cents };
  return {
    state: { ...talk, frames, sung, phase: 'told', trials: [...talk.trials, trial] },
    effects: [{ type: 'keep', trial }],
  };
}
