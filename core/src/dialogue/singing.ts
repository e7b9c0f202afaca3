import { type EarTrial, type Sung, type SungFrame, sungIn } from '../ear/index.ts';
import { nth, type Random } from '../maths/index.ts';
import type { EpochMs, Seconds } from '../units.ts';
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
  | { readonly type: 'sound'; readonly note: EarString }
  | { readonly type: 'keep'; readonly trial: EarTrial }
  | { readonly type: 'over' };

export interface SingingWorld {
  readonly strings: readonly EarString[];
  readonly questions: number | null;
  readonly now: EpochMs;
  readonly random: Random;
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
  const still = { state: talk, effects: [] };
  switch (input.type) {
    case 'ask': {
      if (talk.phase === 'singing' || talk.phase === 'over') return still;
      if (world.questions !== null && talk.trials.length >= world.questions)
        return { state: { ...talk, phase: 'over' }, effects: [{ type: 'over' }] };
      const note = nth(world.strings, Math.floor(world.random() * world.strings.length));
      return {
        state: { ...talk, note, phase: 'singing', frames: [], sung: null },
        effects: [{ type: 'sound', note }],
      };
    }
    case 'again':
      return talk.note
        ? { state: { ...talk, frames: [] }, effects: [{ type: 'sound', note: talk.note }] }
        : still;
    case 'heard':
      return talk.phase === 'singing' && talk.note
        ? heard(talk, talk.note, input.frame, world)
        : still;
    case 'end':
      return { state: { ...talk, phase: 'over' }, effects: [{ type: 'over' }] };
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
