import type { Cents } from '../units.ts';

/** Where a staircase begins and how it steps: a factor down after two right answers, up after each wrong one. */
const FIRST: Cents = 50;
const STEP = { coarse: 2, fine: Math.SQRT2 } as const;
/** Steps are coarse until it has turned so often, and what it did until then does not count. */
const COARSE_TURNS = 2;
/** It ends after so many turns that count. */
const TURNS = 6;
const WIDEST: Cents = 300;
/** Two down, one up settles where 70.7 % are right (Levitt 1971): 0.545 widths; three in four are 0.674. */
const TO_NOTICED = 0.6744898 / 0.5446;

export interface Staircase {
  readonly cents: Cents;
  /** Where it turned round, cents. */
  readonly turns: readonly Cents[];
  readonly rights: number;
  readonly going: 'down' | 'up';
}

export const STAIRCASE: Staircase = { cents: FIRST, turns: [], rights: 0, going: 'down' };

/** A staircase after one more answer. */
export function stepped(at: Staircase, right: boolean): Staircase {
  if (right && at.rights === 0) return { ...at, rights: 1 };
  const going = right ? 'down' : 'up';
  const turns = going === at.going ? at.turns : [...at.turns, at.cents];
  const factor = turns.length < COARSE_TURNS ? STEP.coarse : STEP.fine;
  const cents = Math.min(WIDEST, right ? at.cents / factor : at.cents * factor);
  return { cents, turns, rights: 0, going };
}

/** The just-noticeable difference that a staircase has come to; null before it has turned often enough. */
export function noticedBy({ turns }: Staircase): Cents | null {
  const counted = turns.slice(COARSE_TURNS);
  if (counted.length < TURNS) return null;
  const even = counted.slice(counted.length % 2);
  return TO_NOTICED * Math.exp(even.reduce((sum, cents) => sum + Math.log(cents), 0) / even.length);
}
