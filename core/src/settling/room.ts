import { median, nth } from '../maths/index.ts';
import type { Cents } from '../units.ts';
import type { StringHistory } from './history.ts';

/** Fewer strings than this may move alike by chance. */
const FEWEST_ALIKE = 3;

/** Looks this long apart are two visits, in ms; what moved between may be the room's. */
const APART = 10 * 60_000;
/** Strings that move alike lie so close together, in cents, beside their errors. */
const ALIKE = 1.5;
/** Less than this is no move. */
const LEAST = 2;

/** What happened between two visits, told by comparing the strings. */
export interface RoomMove {
  /** Median move of the strings. */
  readonly cents: Cents;
  /** Strings that are not new have settled: what moves them is the room. Else new ones moved alike, which creep could do too. */
  readonly by: 'old strings' | 'all alike';
}

/**
 * Whether the room moved the strings between the last two visits: old strings tell it;
 * new ones only hint at it when all moved alike. Null when nothing points to it.
 */
export function roomMove(
  fresh: readonly StringHistory[],
  old: readonly StringHistory[],
): RoomMove | null {
  const ofOld = old.flatMap(moveOf);
  if (ofOld.length > 0) {
    const cents = median(ofOld.map(({ cents: c }) => c));
    return Math.abs(cents) >= LEAST ? { cents, by: 'old strings' } : null;
  }
  const moves = fresh.flatMap(moveOf);
  if (moves.length < FEWEST_ALIKE) return null;
  const cents = median(moves.map(({ cents: c }) => c));
  const alike = moves.every((m) => Math.abs(m.cents - cents) <= ALIKE + 2 * m.error);
  return alike && Math.abs(cents) >= LEAST ? { cents, by: 'all alike' } : null;
}

/** How far a string moved by itself between the last two visits. */
function moveOf({ taken }: StringHistory): { cents: Cents; error: Cents }[] {
  for (let i = taken.length - 1; i > 0; i--) {
    const [before, now] = [nth(taken, i - 1), nth(taken, i)];
    if (now.really - before.really < APART) continue;
    if (now.step === 'brought up' || now.step === 'let down' || now.step === 'new string')
      return [];
    return [
      { cents: now.cents - before.cents, error: Math.hypot(now.errorCents, before.errorCents) },
    ];
  }
  return [];
}
