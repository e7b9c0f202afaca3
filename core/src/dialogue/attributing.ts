import {
  afterPluck,
  attributionOf,
  type Beliefs,
  foundSoFar,
  sharesOf,
} from '../attribution/index.ts';
import type { Node, Reading } from '../listen/index.ts';
import { centsBetween } from '../music/index.ts';
import {
  type BenchEvent,
  type BenchState,
  type Correction,
  correctionsOf,
  type Followed,
  insistsOnIt,
  isOurs,
  type PluckFacts,
  pluckOf,
  type ReadPitch,
  type StringReading,
} from '../sitting/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { BenchAsked } from './benchTypes.ts';

/** Which string a pluck is put to, given everything heard before it. */
export type Judged =
  | { readonly kind: 'string'; readonly course: number }
  | {
      readonly kind: 'doubt';
      /** The likeliest first. */
      readonly courses: readonly number[];
      /** The string that was chosen by hand, where another one is likelier. */
      readonly chosen: number | null;
      /** It is worth a question. */
      readonly asks: boolean;
    }
  | { readonly kind: 'touched'; readonly of: number; readonly node: Node }
  /** Another instrument in the room; the string of this one that it would be otherwise. */
  | { readonly kind: 'not ours'; readonly course: number }
  | { readonly kind: 'none' };

/**
 * Judges a pluck: whether it was made on this instrument, which string it was, and what it shows of earlier ones.
 * @param questioned which string a pluck was has been asked in this session: nobody is asked twice
 * @param ringing the string that rings on from the pluck before, where it is the same note
 */
export function judge(
  reading: Pick<Reading, 'hz'>,
  facts: PluckFacts,
  followed: Followed,
  questioned: boolean,
  ringing: number | null = null,
): Verdict {
  const judged = judgeString(reading, facts, followed, questioned, ringing);
  const { presence, chosen, asked } = facts;
  const course = likeliestOf(judged.who);
  if (!presence || ringing !== null || course === null) return judged;
  const expected = { chosen: chosen === course, asked: asked === course };
  const { own, leftOut } = followed;
  const insists = expected.asked && insistsOnIt(reading.hz, leftOut, own);
  return insists || isOurs(presence, own, expected)
    ? judged
    : { who: { kind: 'not ours', course }, corrections: [] };
}

interface Verdict {
  readonly who: Judged;
  readonly corrections: readonly Correction[];
}

function likeliestOf(who: Judged): number | null {
  switch (who.kind) {
    case 'string':
      return who.course;
    case 'doubt':
      return who.courses[0] ?? null;
    case 'touched':
      return who.of;
    default:
      return null;
  }
}

function judgeString(
  { hz }: Pick<Reading, 'hz'>,
  facts: PluckFacts,
  { beliefs, plucks }: Followed,
  questioned: boolean,
  ringing: number | null,
): Verdict {
  const heard = pluckOf(hz, facts);
  const pluck = ringing === null ? heard : { ...heard, named: ringing };
  const now = afterPluck(beliefs, pluck);
  const corrections = correctionsOf(now, plucks);
  if (ringing !== null) return { who: { kind: 'string', course: ringing }, corrections };
  const who = attributionOf(now, pluck);
  const same = pluck.chosen === null ? repeated(hz, now, plucks) : null;
  if (same !== null) return { who: { kind: 'string', course: same }, corrections };
  if (who.kind === 'known') return { who: { kind: 'string', course: who.course }, corrections };
  if (who.kind !== 'doubt') return { who, corrections };
  const { courses, probability, otherwiseSure, worthAsking } = who;
  const [course = 0] = courses;
  const held = heldBefore(hz, plucks);
  // Where no question is left the sound counts for more than what was chosen, and a guess for more than waiting on.
  const guess = otherwiseSure || (held >= GUESSED_AFTER && probability >= GUESSED_FROM);
  if (questioned && guess) return { who: { kind: 'string', course }, corrections };
  const chosen = pluck.chosen !== null && course !== pluck.chosen ? pluck.chosen : null;
  const asks = !questioned && (worthAsking || held >= ASKED_AFTER);
  const named = asks ? courses : courses.slice(0, NAMED);
  return { who: { kind: 'doubt', courses: named, chosen, asks }, corrections };
}

/** A string that is plucked again and again without being known is asked about, or guessed where no question is left. */
const ASKED_AFTER = 1;
const GUESSED_AFTER = 2;
const GUESSED_FROM = 0.6;
/** So many strings are named where nothing is asked. */
const NAMED = 2;
/** Plucks of one string that nobody turned lie so near together. */
const SAME: Cents = 12;

/** A string that sounds again as it just did stays that string while it is the likelier one. */
const STILL_LIKELY = 0.7;

function repeated(hz: Hz, now: Beliefs, plucks: Followed['plucks']): number | null {
  const last = plucks.at(-1);
  if (!last || last.course === null || Math.abs(centsBetween(last.hz, hz)) > SAME) return null;
  const own = sharesOf(now).find(({ part }) => part.node === 1 && part.course === last.course);
  return own && own.probability >= STILL_LIKELY ? last.course : null;
}

/** How often running the same pitch was heard just before without being put to a string. */
function heldBefore(hz: Hz, plucks: Followed['plucks']): number {
  const other = plucks.findLastIndex(
    (pluck) => pluck.course !== null || Math.abs(centsBetween(pluck.hz, hz)) > SAME,
  );
  return plucks.length - 1 - other;
}

/** From so many strings on, and with every one of them so flat, they are called flat as a whole. */
const FLAT = { strings: 2, each: -120, mean: -150 } as const;

/** How many semitones flat a whole instrument was found; null where it was not, or where that was known before. */
export function semitonesFlat(beliefs: Beliefs): number | null {
  const { fresh, strings } = beliefs.setup;
  if (fresh || strings.some(({ before }) => before !== undefined)) return null;
  const found = foundSoFar(beliefs);
  const mean = found.reduce((sum, cents) => sum + cents, 0) / found.length;
  const isFlat = found.length >= FLAT.strings && found.every((cents) => cents < FLAT.each);
  return isFlat && mean < FLAT.mean ? Math.round(-mean / 100) : null;
}

/** The string that a note sounds like while it rings, before it has its reading; null where it may be several. */
export function soundsOf(
  hz: Hz,
  { chosen, inHand, alone }: Pick<BenchAsked, 'chosen' | 'inHand' | 'alone'>,
  { beliefs }: Followed,
): number | null {
  const pluck = pluckOf(hz, { chosen, asked: inHand, ...(alone && { alone }) });
  const who = attributionOf(afterPluck(beliefs, pluck), pluck);
  return who.kind === 'known' ? who.course : null;
}

/** What microphone and keys told of a pluck, for the record. */
export function factsOf(
  { inharmonicity, freeInharmonicity, levelDbfs }: Reading,
  asked: {
    readonly chosen: number | null;
    readonly inHand: number | null;
    readonly alone?: boolean;
    readonly told?: PluckFacts['told'] | null;
  },
): PluckFacts {
  const b = freeInharmonicity ?? inharmonicity;
  const { chosen, inHand, alone, told } = asked;
  return {
    ...(b > 0 && { inharmonicity: b }),
    levelDbfs,
    ...(chosen !== null && { chosen }),
    ...(inHand !== null && { asked: inHand }),
    ...(alone && { alone }),
    ...(told && { told }),
  };
}

/** A pluck that is kept until its string is known. */
export function unattributed(
  { hz, errorCents, moving, short, turned }: Reading,
  pluck: PluckFacts,
): Extract<BenchEvent, { type: 'unattributed' }> {
  const pitch = { hz, errorCents, moving, ...(short && { short }), ...(turned && { turned }) };
  return { type: 'unattributed', pitch, pluck };
}

/** Puts an earlier pluck to the string that it is a reading of. */
export function attributedTo(
  { hz, course, cents, aim }: StringReading,
  by: 'evidence' | 'teacher',
): BenchEvent {
  return { type: 'attributed', hz, course, cents, ...(aim !== undefined && { aim }), by };
}

/** An earlier pluck as the log has it, by its pitch; null where there is none. */
export function pitchIn({ history }: BenchState, hz: Hz): ReadPitch | null {
  const pitches = history.map((event) =>
    event.type === 'reading' ? event.reading : event.type === 'unattributed' ? event.pitch : null,
  );
  return pitches.findLast((pitch) => pitch?.hz === hz) ?? null;
}
