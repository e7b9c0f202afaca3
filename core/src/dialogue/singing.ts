import { type EarTrial, type Sung, type SungFrame, sungIn } from '../ear/index.ts';
import { between, nth } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';
import { allAsked, type ExerciseEffect, type ExerciseWorld, over, still } from './exercise.ts';
import type { Next } from './machine.ts';
import type { EarString } from './matching.ts';

/** A note to sing: what a string is to sound, or, out by so many cents, the string as it is. */
export interface NoteToSing extends EarString {
  readonly out: Cents;
}

/** A note to sing, and what was sung so far. */
export interface SingingTalk {
  readonly trials: readonly EarTrial[];
  readonly note: NoteToSing | null;
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
  | { readonly type: 'note'; readonly hz: Hz }
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

/** Every second one is a string that is out, so far either way: who cannot name the way can sing it. */
const OUT = { least: 20, most: 60 } as const;
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
      const note = noteFor(talk, world);
      return {
        state: { ...talk, note, phase: 'singing', frames: [], sung: null },
        effects: [sounding(note)],
      };
    }
    case 'again':
      return talk.note
        ? { state: { ...talk, frames: [] }, effects: [sounding(talk.note)] }
        : still(talk);
    case 'heard':
      return talk.phase === 'singing' && talk.note
        ? heard(talk, talk.note, input.frame, world)
        : still(talk);
    case 'end':
      return over(talk);
  }
}

function noteFor({ trials }: SingingTalk, { strings, random }: SingingWorld): NoteToSing {
  const string = nth(strings, Math.floor(random() * strings.length));
  if (trials.length % 2 === 0) return { ...string, out: 0 };
  const out = between(random, OUT.least, OUT.most);
  return { ...string, out: random() < 0.5 ? -out : out };
}

function sounding({ hz, out }: NoteToSing): SingingEffect {
  return { type: 'note', hz: shiftHz(hz, out) };
}

/** Follows the voice; the note that was held is the answer once the voice is silent. */
function heard(
  talk: SingingTalk,
  note: NoteToSing,
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
  const trial: EarTrial = {
    at: now,
    cell: `string ${note.course}`,
    asked: note.out,
    off: sung.cents - note.out,
  };
  return {
    state: { ...talk, frames, sung, phase: 'told', trials: [...talk.trials, trial] },
    effects: [{ type: 'keep', trial }],
  };
}
