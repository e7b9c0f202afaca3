import type { Cents, Dbfs } from '../units.ts';
import type { FaultFacts } from './facts.ts';
import type { CoachView, HeardPluck, Visit } from './heard.ts';

// Limits were set on seeded clean and clumsy sessions with the practice instrument: docs/passes.md.

/** A note that begins this much sharper than its middle was plucked hard. */
const HARD: Cents = 5.4;
/** Below this a reading is unsure. */
const FAINT: Dbfs = -50;
/** So many plucks of one string without a reading are no chance. */
const REFUSED = 3;
/** A string last heard higher than this is not slack. */
const SLACK_FROM: Cents = -750;

export function clipped({ last }: Visit): FaultFacts['clipped'] | null {
  return last.clipped ? {} : null;
}

export function hardPluck({ last }: Visit): FaultFacts['hard pluck'] | null {
  const cents = last.ringing?.attackCents;
  return cents === undefined || cents < HARD ? null : { cents };
}

export function tooFaint({ last }: Visit): FaultFacts['too faint'] | null {
  return last.levelDbfs === null || last.levelDbfs > FAINT ? null : {};
}

/** Plucks of a chosen string that could not be read, where it was last heard far down or never. */
export function unreadSlack(
  heard: readonly HeardPluck[],
  view: CoachView,
): FaultFacts['too slack'] | null {
  const refused = heard.slice(-REFUSED);
  const chosen = refused.at(-1)?.chosen ?? null;
  if (refused.length < REFUSED || chosen === null) return null;
  const unread = refused.every(
    ({ reading, refusal, chosen: then }) =>
      !reading &&
      then === chosen &&
      (refusal?.kind === 'not sure' || refusal?.kind === 'too quiet'),
  );
  const known = heard.findLast(({ reading }) => reading?.course === chosen)?.reading;
  const string = view.strings.find((s) => s.target.course === chosen);
  if (!unread || !string || (known && known.cents > SLACK_FROM)) return null;
  return { course: chosen, tighten: string.tighten };
}
