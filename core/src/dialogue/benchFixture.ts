import type { ListenEvent, Reading } from '../listen/index.ts';
import { shiftHz, type Target, tuningsFor } from '../music/index.ts';
import { follow, stringsNow } from '../sitting/index.ts';
import { setupFor } from '../state/index.ts';
import type { BenchAsked, BenchWorld } from './benchTypes.ts';

/** What differs from bench to bench. */
type Own = Pick<BenchWorld, 'state' | 'heard' | 'tuning' | 'targets' | 'coupling' | 'instrument'>;

/** A bench that listens, in its home tuning, with nothing known from before; `own` may say otherwise. */
export function plainWorld(own: Own & Partial<BenchWorld>): BenchWorld {
  const { targets, instrument, state, tuning } = own;
  const before = targets.map(() => null);
  const tunings = tuning ? tuningsFor(tuning.kind, targets.length) : [];
  const setup = setupFor({ instrument, targets, before, tunings, goal: state.goal });
  return {
    strings: stringsNow(targets, [], new Map(), 0),
    followed: follow(setup, state.history),
    before,
    fitted: [],
    aiming: false,
    a4: 440,
    practice: false,
    listening: true,
    planned: undefined,
    retuning: false,
    bold: false,
    ...own,
  };
}

/** Nothing is chosen, asked for or told. */
export const NOTHING_ASKED: BenchAsked = {
  chosen: null,
  inHand: null,
  alone: false,
  told: null,
  reference: false,
  peg: null,
};

/** A reading of a pitch as the ear gives it. */
export function readingAt(hz: number, errorCents = 0.3): Reading {
  return {
    kind: 'reading',
    hz,
    clarity: 0.9,
    errorCents,
    spreadCents: 0.2,
    f0Hz: hz,
    firstPartialHz: hz,
    periodHz: hz,
    inharmonicity: 5e-5,
    moving: false,
    windowFrom: 0.2,
    windowLength: 0.6,
    levelDbfs: -20,
    partials: [],
  };
}

/** What the ear tells of one pluck. */
export type OutcomeEvent = Extract<ListenEvent, { type: 'outcome' }>;

export function outcomeOf(
  outcome: OutcomeEvent['outcome'],
  track: readonly number[] = [],
): OutcomeEvent {
  return {
    type: 'outcome',
    asked: 0,
    start: 0,
    length: 1,
    outcome,
    track: Float32Array.from(track),
    clipped: false,
  };
}

/** A pluck of a string so many cents from its target. */
export function pluckOf(targets: readonly Target[], course: number, cents: number): OutcomeEvent {
  return outcomeOf(readingAt(shiftHz(targets[course - 1]!.hz, cents)));
}
