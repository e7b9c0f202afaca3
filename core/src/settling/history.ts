import { nth } from '../maths/index.ts';
import type { StringSpec } from '../strings/index.ts';
import type { Cents, EpochMs, Seconds } from '../units.ts';
import type { Taken } from './steps.ts';

/** One reading of a settling string. */
export interface SettlingReading {
  /** Since the string was fitted. */
  readonly at: Seconds;
  /** Deviation from the string's target. */
  readonly cents: Cents;
  readonly errorCents: Cents;
}

/** What happened to a settling string, in order. */
export type SettlingEvent =
  | ({ readonly kind: 'reading' } & SettlingReading)
  | { readonly kind: 'stretch'; readonly at: Seconds }
  | { readonly kind: 'brought up'; readonly at: Seconds }
  /** The room or the weather has put it elsewhere: it is compared with nothing before, but nobody turned it. */
  | { readonly kind: 'moved'; readonly at: Seconds };

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
  readonly material: StringSpec['material'];
  readonly fittedAt: EpochMs;
  readonly taken: readonly Taken[];
  /** For the judge. */
  readonly events: readonly SettlingEvent[];
  readonly rounds: readonly StretchRound[];
  /** Sum of all drops that were heard. */
  readonly droppedSoFar: Cents;
  readonly last: Taken | null;
  /** What the neck and the room did to the last reading: in it, and not in the events. */
  readonly aside: Cents;
}

/** Steps after which the string is compared with nothing that was read before. */
const FRESH = new Set(['first', 'brought up', 'let down', 'retuned', 'room', 'new string']);

/** @param fittedAt when the string was put on; a string changed since begins anew */
export function historyOf(
  course: number,
  fittedAt: EpochMs,
  taken: readonly Taken[],
  material: StringSpec['material'],
): StringHistory {
  const from = Math.max(
    0,
    taken.findLastIndex(({ step }) => step === 'new string'),
  );
  const changed = taken[from]?.step === 'new string';
  const began = changed ? nth(taken, from).really : fittedAt;
  const counted = taken.slice(from).filter(({ step }) => step !== 'left out');
  const last = counted.at(-1) ?? null;
  return {
    course,
    material,
    fittedAt: began,
    taken,
    events: eventsOf(counted, began),
    rounds: roundsOfTaken(counted),
    droppedSoFar: droppedBy(counted),
    last,
    aside: last ? last.cents - ownCents(last) : 0,
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
    if (i === 0 || !FRESH.has(look.step)) return [reading];
    return [{ kind: look.step === 'room' ? 'moved' : 'brought up', at }, reading];
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

/** Without what the neck and the room did to it. */
function ownCents({ cents, neck = 0, room = 0 }: Taken): Cents {
  return cents - neck - room;
}

function droppedBy(counted: readonly Taken[]): Cents {
  return counted.reduce((sum, look, i) => {
    const before = counted[i - 1];
    return before && !FRESH.has(look.step) ? sum + ownCents(before) - ownCents(look) : sum;
  }, 0);
}
