import type { EarTrial } from '../ear/index.ts';
import { between, median, nth, type Random } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import { BEAT_LASTS, beatNotes } from '../practice/index.ts';
import type { Cents, Hz } from '../units.ts';
import { allAsked, type ExerciseEffect, type ExerciseWorld, over, still } from './exercise.ts';
import type { Next } from './machine.ts';

/** Counting a beat by taps, or saying when one that slows down stands still. */
export const BEAT_CELLS = ['count', 'stop'] as const;
export type BeatCell = (typeof BEAT_CELLS)[number];

interface Beat {
  readonly cell: BeatCell;
  readonly hz: Hz;
  /** How far the second tone lies above the first when it begins, and when it ends. */
  readonly from: Cents;
  readonly to: Cents;
}

export interface BeatingTalk {
  readonly trials: readonly EarTrial[];
  readonly beat: Beat | null;
  readonly phase: 'resting' | 'sounding' | 'told' | 'over';
  /** When it began to sound; null before. */
  readonly since: number | null;
  /** When T was tapped, by the same clock. */
  readonly taps: readonly number[];
}

export type BeatingInput =
  | { readonly type: 'ask' }
  | { readonly type: 'again' }
  | { readonly type: 'sounds' }
  | { readonly type: 'tap' }
  | { readonly type: 'done' }
  | { readonly type: 'end' };

export const NO_BEAT: BeatingTalk = {
  trials: [],
  beat: null,
  phase: 'resting',
  since: null,
  taps: [],
};

/** Beats a second that can be counted. */
const COUNTED = { least: 0.8, most: 4 } as const;
/** A beat that slows down begins so fast, and runs on behind its end. */
const SLOWS = { from: 4, least: 0.5, most: 1 } as const;
const PITCHES: readonly Hz[] = [147, 196, 247, 330];
/** So many taps tell a rate. */
export const FEWEST_TAPS = 4;

export function beatingTalk(
  talk: BeatingTalk,
  input: BeatingInput,
  world: ExerciseWorld,
): Next<BeatingTalk, ExerciseEffect> {
  const { beat, phase, since, taps } = talk;
  switch (input.type) {
    case 'ask':
      return phase === 'sounding' || phase === 'over' ? still(talk) : asks(talk, world);
    case 'again':
      if (!beat || phase !== 'sounding') return still(talk);
      return { state: { ...talk, since: null, taps: [] }, effects: [sounding(beat)] };
    case 'sounds':
      return phase === 'sounding' && since === null
        ? { state: { ...talk, since: world.clock }, effects: [] }
        : still(talk);
    case 'tap':
      return phase === 'sounding' && beat?.cell === 'count' && since !== null
        ? { state: { ...talk, taps: [...taps, world.clock] }, effects: [] }
        : still(talk);
    case 'done':
      return beat && phase === 'sounding' ? said(talk, beat, world) : still(talk);
    case 'end':
      return over(talk);
  }
}

function asks(talk: BeatingTalk, world: ExerciseWorld): Next<BeatingTalk, ExerciseEffect> {
  const { trials } = talk;
  if (allAsked(talk, world)) return over(talk);
  const beat = made(nth(BEAT_CELLS, trials.length % BEAT_CELLS.length), world.random);
  return {
    state: { ...talk, beat, phase: 'sounding', since: null, taps: [] },
    effects: [sounding(beat)],
  };
}

function made(cell: BeatCell, random: Random): Beat {
  const hz = nth(PITCHES, Math.floor(random() * PITCHES.length));
  const side = random() < 0.5 ? -1 : 1;
  const cents = (rate: number) => side * centsBetween(hz, hz + rate);
  if (cell === 'stop') {
    const from = cents(SLOWS.from);
    return { cell, hz, from, to: -from * between(random, SLOWS.least, SLOWS.most) };
  }
  const rate = COUNTED.least * (COUNTED.most / COUNTED.least) ** random();
  return { cell, hz, from: cents(rate), to: cents(rate) };
}

function sounding({ hz, from, to }: Beat): ExerciseEffect {
  return { type: 'sound', notes: beatNotes(hz, shiftHz(hz, from), shiftHz(hz, to)) };
}

/** Beats a second that taps tell: one by the middle of what lies between them; null of too few. */
export function rateOf(taps: readonly number[]): number | null {
  if (taps.length < FEWEST_TAPS) return null;
  return 1000 / median(taps.slice(1).map((tap, i) => tap - nth(taps, i)));
}

/** How far two tones that beat so often lie apart, at the pitch of the lower partial that beats. */
export function centsOfBeat(hz: Hz, rate: number): Cents {
  return centsBetween(hz, hz + rate);
}

/** What was counted or called, against what was. */
function said(
  talk: BeatingTalk,
  { cell, hz, from, to }: Beat,
  { now, clock }: ExerciseWorld,
): Next<BeatingTalk, ExerciseEffect> {
  const { since, taps } = talk;
  if (since === null) return still(talk);
  const rate = rateOf(taps);
  if (cell === 'count' && rate === null) return still(talk);
  const share = Math.min(1, (clock - since) / (1000 * BEAT_LASTS));
  const off = rate === null ? from + share * (to - from) : centsOfBeat(hz, rate) - Math.abs(from);
  const trial: EarTrial = { at: now, cell, asked: from, off, tookMs: clock - since };
  return {
    state: { ...talk, phase: 'told', trials: [...talk.trials, trial] },
    effects: [{ type: 'keep', trial }],
  };
}
