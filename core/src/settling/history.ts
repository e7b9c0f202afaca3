import { nth } from '../maths/index.ts';
import type { Cents, EpochMs, Seconds } from '../units.ts';
import type { SettlingEvent } from './fit.ts';
import type { Taken } from './steps.ts';

/** One stretch round of a string: what is missing was not read. */
export interface StretchRound {
  /** Before it was pulled. */
  readonly found: Cents | null;
  readonly dropped: Cents;
  /** After it was brought up again. */
  readonly left: Cents | null;
}

/** A string's readings, told as what happened to it since it was fitted. */
export interface StringHistory {
  readonly course: number;
  readonly fittedAt: EpochMs;
  readonly taken: readonly Taken[];
  /** For the fit. */
  readonly events: readonly SettlingEvent[];
  readonly rounds: readonly StretchRound[];
  /** Sum of all drops that were heard. */
  readonly droppedSoFar: Cents;
  readonly last: Taken | null;
}

/** Steps after which the string is compared with nothing that was read before. */
const FRESH = new Set(['first', 'brought up', 'let down', 'retuned', 'room', 'new string']);

/** @param fittedAt when the string was put on; a string changed since begins anew */
export function historyOf(
  course: number,
  fittedAt: EpochMs,
  taken: readonly Taken[],
): StringHistory {
  const from = Math.max(
    0,
    taken.findLastIndex(({ step }) => step === 'new string'),
  );
  const changed = taken[from]?.step === 'new string';
  const began = changed ? nth(taken, from).really : fittedAt;
  const counted = taken.slice(from).filter(({ step }) => step !== 'left out');
  return {
    course,
    fittedAt: began,
    taken,
    events: eventsOf(counted, began),
    rounds: roundsOfTaken(counted),
    droppedSoFar: droppedBy(counted),
    last: counted.at(-1) ?? null,
  };
}

function eventsOf(counted: readonly Taken[], began: EpochMs): SettlingEvent[] {
  return counted.flatMap((look, i): SettlingEvent[] => {
    // A string that was fitted "now" is read a moment later.
    const at: Seconds = Math.max(1, (look.really - began) / 1000);
    const reading = {
      kind: 'reading',
      at,
      cents: ownCents(look),
      errorCents: look.errorCents,
    } as const;
    if (look.step === 'stretched') return [{ kind: 'stretch', at }, reading];
    return FRESH.has(look.step) && i > 0 ? [{ kind: 'brought up', at }, reading] : [reading];
  });
}

function roundsOfTaken(counted: readonly Taken[]): StretchRound[] {
  return counted.flatMap((look, i) => {
    if (look.step !== 'stretched') return [];
    // Several plucks of the dropped string are one drop: the last of them.
    let end = i;
    while (counted[end + 1]?.step === 'again') end++;
    const after = counted
      .slice(end + 1)
      .find(({ step }) => step === 'brought up' || step === 'stretched');
    return {
      found: counted[i - 1]?.cents ?? null,
      dropped: nth(counted, end).cents,
      left: after?.step === 'brought up' ? after.cents : null,
    };
  });
}

/** Cents that the string gave way by in its rounds, or null where the reading before is missing. */
export function dropsOf(rounds: readonly StretchRound[]): Cents[] {
  return rounds.flatMap(({ found, dropped }) => (found === null ? [] : found - dropped));
}

/** Without what the neck did to it. */
function ownCents({ cents, neck = 0 }: Taken): Cents {
  return cents - neck;
}

function droppedBy(counted: readonly Taken[]): Cents {
  return counted.reduce((sum, look, i) => {
    const before = counted[i - 1];
    return before && !FRESH.has(look.step) ? sum + ownCents(before) - ownCents(look) : sum;
  }, 0);
}
