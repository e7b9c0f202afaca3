import type { EarTrial } from '../ear/index.ts';
import type { PluckOutcome } from '../listen/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, EpochMs, Hz } from '../units.ts';
import { over, still } from './exercise.ts';
import type { Next } from './machine.ts';

/** The same fret, held ten times. */
export interface TouchingTalk {
  readonly phase: 'resting' | 'holding' | 'told' | 'over';
  /** From the fret's own note, cents. */
  readonly held: readonly Cents[];
  readonly notice: 'another note' | 'not heard' | null;
}

export type TouchingInput =
  | { readonly type: 'go' }
  | { readonly type: 'heard'; readonly outcome: PluckOutcome; readonly asked: string | null }
  | { readonly type: 'end' };

export type TouchingEffect =
  | { readonly type: 'keep'; readonly trials: readonly EarTrial[] }
  | { readonly type: 'over' };

export interface TouchingWorld {
  /** The place in words, and what it sounds at the lightest touch, about. */
  readonly cell: string;
  readonly hz: Hz;
  readonly now: EpochMs;
}

export const TOUCHES = 10;
/** Further off it is another fret or another string. */
const OTHER_NOTE: Cents = 60;

export const NOT_TOUCHED: TouchingTalk = { phase: 'resting', held: [], notice: null };

export function touchingTalk(
  talk: TouchingTalk,
  input: TouchingInput,
  world: TouchingWorld,
): Next<TouchingTalk, TouchingEffect> {
  if (input.type === 'end') return over(talk);
  if (input.type === 'go')
    return talk.phase === 'resting' || talk.phase === 'told'
      ? { state: { ...NOT_TOUCHED, phase: 'holding' }, effects: [] }
      : still(talk);
  const { outcome, asked } = input;
  if (talk.phase !== 'holding' || asked !== world.cell) return still(talk);
  if (outcome.kind !== 'reading') return { state: { ...talk, notice: 'not heard' }, effects: [] };
  const cents = centsBetween(world.hz, outcome.hz);
  if (Math.abs(cents) > OTHER_NOTE)
    return { state: { ...talk, notice: 'another note' }, effects: [] };
  const held = [...talk.held, cents];
  if (held.length < TOUCHES) return { state: { ...talk, held, notice: null }, effects: [] };
  const { mean } = touchOf(held);
  const trials = held.map(
    (one): EarTrial => ({ at: world.now, cell: world.cell, asked: one, off: one - mean }),
  );
  return { state: { phase: 'told', held, notice: null }, effects: [{ type: 'keep', trials }] };
}

/** How evenly a fret was held, and how far above the lightest touch. */
export function touchOf(held: readonly Cents[]): {
  readonly mean: Cents;
  /** Standard deviation; 0 of one touch. */
  readonly scatter: Cents;
  readonly aboveLightest: Cents;
} {
  const mean = held.reduce((sum, one) => sum + one, 0) / Math.max(1, held.length);
  const squares = held.reduce((sum, one) => sum + (one - mean) ** 2, 0);
  return {
    mean,
    scatter: Math.sqrt(squares / Math.max(1, held.length - 1)),
    aboveLightest: held.length > 0 ? mean - Math.min(...held) : 0,
  };
}
