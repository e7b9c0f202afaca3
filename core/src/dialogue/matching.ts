import type { EarTrial } from '../ear/index.ts';
import { between, nth } from '../maths/index.ts';
import { type Message, message } from '../message.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import { pairNotes } from '../practice/index.ts';
import type { Cents, Hz } from '../units.ts';
import {
  allAsked,
  askedLeast,
  type ExerciseEffect,
  type ExerciseWorld,
  over,
  still,
} from './exercise.ts';
import type { Next } from './machine.ts';

/** Two strings that are to agree. */
export interface EarPair {
  readonly cell: string;
  /** Which strings, where they are held: for the sentence. */
  readonly reference: Message;
  readonly own: Message;
  readonly referenceHz: Hz;
  /** Where the string that is turned agrees. */
  readonly ownHz: Hz;
}

/** A practice peg that is turned until two strings agree. */
export interface MatchingTalk {
  readonly trials: readonly EarTrial[];
  readonly pair: EarPair | null;
  readonly phase: 'resting' | 'turning' | 'told' | 'over';
  /** How far the string is from where it agrees. */
  readonly off: Cents;
  /** Milliseconds and cents by turns, from the first sound on. */
  readonly path: readonly number[];
  readonly since: number;
}

export type MatchingInput =
  | { readonly type: 'ask' }
  | { readonly type: 'again' }
  | { readonly type: 'turn'; readonly way: 1 | -1; readonly bold: boolean }
  | { readonly type: 'done' }
  | { readonly type: 'end' };

export interface MatchingWorld extends ExerciseWorld {
  readonly strings: readonly EarString[];
}

/** A string of the instrument whose pairs are compared. */
export interface EarString {
  readonly course: number;
  readonly hz: Hz;
}

export const NO_MATCH: MatchingTalk = {
  trials: [],
  pair: null,
  phase: 'resting',
  off: 0,
  path: [],
  since: 0,
};

/** A string starts so far out, either way. */
const STARTS = { least: 15, most: 45 } as const;
/** A small step and a bold one, in cents; no two turns of a peg are alike. */
const STEPS = { small: 2.5, bold: 16 } as const;
const UNEVEN = { least: 0.6, most: 1.4 } as const;
const MOST_STEPS = 1000;

export function matchingTalk(
  talk: MatchingTalk,
  input: MatchingInput,
  world: MatchingWorld,
): Next<MatchingTalk, ExerciseEffect> {
  const { pair, phase } = talk;
  switch (input.type) {
    case 'ask':
      return phase === 'turning' || phase === 'over' ? still(talk) : asks(talk, world);
    case 'again':
      return { state: talk, effects: pair ? [sounding(pair, talk.off, world)] : [] };
    case 'turn': {
      if (!pair || phase !== 'turning' || talk.path.length > 2 * MOST_STEPS) return still(talk);
      const step = input.bold ? STEPS.bold : STEPS.small;
      const off = talk.off + input.way * step * between(world.random, UNEVEN.least, UNEVEN.most);
      const path = [...talk.path, world.clock - talk.since, off];
      return { state: { ...talk, off, path }, effects: [sounding(pair, off, world)] };
    }
    case 'done':
      return pair && phase === 'turning' ? committed(talk, pair, world) : still(talk);
    case 'end':
      return over(talk);
  }
}

function asks(talk: MatchingTalk, world: MatchingWorld): Next<MatchingTalk, ExerciseEffect> {
  if (allAsked(talk, world)) return over(talk);
  const pair = askedLeast(pairsOf(world.strings), talk.trials, world.random);
  const out = between(world.random, STARTS.least, STARTS.most);
  const off = world.random() < 0.5 ? -out : out;
  return {
    state: { ...talk, pair, phase: 'turning', off, path: [0, off], since: world.clock },
    effects: [sounding(pair, off, world)],
  };
}

function committed(
  talk: MatchingTalk,
  { cell }: EarPair,
  { now, clock }: MatchingWorld,
): Next<MatchingTalk, ExerciseEffect> {
  const { off, path, since } = talk;
  const trial: EarTrial = { at: now, cell, asked: nth(path, 1), off, tookMs: clock - since, path };
  return {
    state: { ...talk, phase: 'told', trials: [...talk.trials, trial] },
    effects: [{ type: 'keep', trial }],
  };
}

function sounding(pair: EarPair, off: Cents, { random }: MatchingWorld): ExerciseEffect {
  const notes = pairNotes(pair.referenceHz, shiftHz(pair.ownHz, off), random);
  return { type: 'sound', notes };
}

const SEMITONES_TO_HARMONICS = 5;
const FARTHEST_FRET = 12;

/**
 * Every pair of an instrument's strings that can be compared: unison and octave, one held against its
 * neighbour open, and where a fourth lies between two, the harmonics over the fifth and the seventh fret.
 */
export function pairsOf(strings: readonly EarString[]): EarPair[] {
  const same = strings.flatMap(({ course, hz }): EarPair[] => [
    pair('unison', message('ear.aTone'), stringOf(course), hz, hz),
    pair('octave', message('ear.aToneLower'), stringOf(course), hz / 2, hz),
  ]);
  const neighbours = strings.slice(1).flatMap((one, i): EarPair[] => {
    const other = nth(strings, i);
    // The lower one is held where the higher one sounds.
    const [low, high] = one.hz <= other.hz ? [one, other] : [other, one];
    const fret = Math.round(centsBetween(low.hz, high.hz) / 100);
    if (fret < 1 || fret > FARTHEST_FRET) return [];
    const held = pair(
      'fretted',
      message('ear.stringAtFret', { string: low.course, fret }),
      message('ear.stringOpen', { string: high.course }),
      high.hz,
      high.hz,
    );
    if (fret !== SEMITONES_TO_HARMONICS) return [held];
    const harmonics = pair(
      'harmonics',
      message('ear.harmonic', { string: low.course, fret: 5 }),
      message('ear.harmonic', { string: high.course, fret: 7 }),
      4 * low.hz,
      4 * low.hz,
    );
    return [held, harmonics];
  });
  return [...same, ...neighbours];
}

const stringOf = (string: number) => message('common.string', { string });

function pair(cell: string, reference: Message, own: Message, referenceHz: Hz, ownHz: Hz): EarPair {
  return { cell, reference, own, referenceHz, ownHz };
}
