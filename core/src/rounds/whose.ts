import { median } from '../maths/index.ts';
import type { Summary } from '../sitting/index.ts';
import { type Cents, DAY_MS, type EpochMs } from '../units.ts';

/** A string as it was heard just now. */
export interface HeardString {
  readonly course: number;
  /** From its target. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  /** B, where it was measured. */
  readonly stiffness?: number;
}

/** What is known of an instrument that it might be. */
export interface Candidate {
  readonly instrumentId: string;
  /** Course 1 first. */
  readonly strings: readonly {
    /** Where it was left, from its target; null where that is not known. */
    readonly left: Cents | null;
    /** How far it may have moved since, standard deviation. */
    readonly spread: Cents;
    /** ln B of its plucks so far; null where it was never measured. */
    readonly stiffness: readonly number[] | null;
  }[];
}

/** A string moves by so much at once, and by chance in a day, and by no more than so much in the end, cents. */
const SPREAD = { first: 2, perRootDay: 1.5, most: 15 } as const;

/** An instrument as its last session left it; `stiffness` is ln B of its plucks so far, by course. */
export function candidateOf(
  instrumentId: string,
  courses: readonly number[],
  last: Pick<Summary, 'strings'> | null,
  stiffness: ReadonlyMap<number, readonly number[]>,
  now: EpochMs,
): Candidate {
  return {
    instrumentId,
    strings: courses.map((course) => {
      const string = last?.strings.find((one) => one.course === course && one.member === 1);
      const days = string?.leftAt ? Math.max(0, now - string.leftAt) / DAY_MS : 0;
      const spread = SPREAD.first + SPREAD.perRootDay * Math.sqrt(days);
      return {
        left: string?.left ?? null,
        spread: Math.min(SPREAD.most, spread),
        stiffness: stiffness.get(course) ?? null,
      };
    }),
  };
}

/**
 * ln B of one string scatters by so much from pluck to pluck before it was heard: from 0.03 where many
 * partials are heard to 0.35 where few are. Counts for so many plucks.
 */
const SCATTER = { sigma: 0.12, plucks: 1 } as const;
/** With fewer plucks its stiffness tells nothing. */
const FEWEST_PLUCKS = 3;
/** No string speaks louder than this, ln: one misread string must not decide alone. */
const LOUDEST = 5;
/** What moved all strings alike is told by so many. */
const FEWEST_MOVED = 3;
/** No string is where it was left to less than this, cents. */
const NEVER_NEARER: Cents = 1.5;
/** A string that was turned or knocked meanwhile: so often, and so far. */
const ASTRAY = { share: 0.1, cents: 40 } as const;
/** Another one must be so much likelier than the one in hand before it is asked about. */
const ASKED = Math.log(300);
/** … and than any third one, or nothing is said of which. */
const CLEAR = Math.log(5);

/**
 * Whether what was heard belongs to another instrument of the same kind and tuning; null where
 * it may well be the one in hand, or could be several. Equal sets are never claimed: where nothing
 * tells two instruments apart, neither is likelier.
 */
export function whoseIsIt(
  heard: readonly HeardString[],
  inHand: Candidate,
  others: readonly Candidate[],
): string | null {
  const ranked = others
    .map((other) => ({ id: other.instrumentId, lead: leadOf(heard, other, inHand) }))
    .sort((a, b) => b.lead - a.lead);
  const [best, second] = ranked;
  if (!best || best.lead < ASKED) return null;
  return second && best.lead - second.lead < CLEAR ? null : best.id;
}

/**
 * How much likelier one instrument is than another, ln. Only what is known of both counts: one that was never
 * read fits everything, and would beat the right one.
 */
function leadOf(heard: readonly HeardString[], one: Candidate, other: Candidate): number {
  const shared = (of: Candidate, beside: Candidate): Candidate => ({
    ...of,
    strings: of.strings.map((string, i) => ({
      ...string,
      left: (beside.strings[i]?.left ?? null) === null ? null : string.left,
      stiffness: isMeasured(beside.strings[i]) ? string.stiffness : null,
    })),
  });
  return likeness(heard, shared(one, other)) - likeness(heard, shared(other, one));
}

const isMeasured = (string: Known | undefined): boolean =>
  (string?.stiffness?.length ?? 0) >= FEWEST_PLUCKS;

function likeness(heard: readonly HeardString[], { strings }: Candidate): number {
  const moved = heard.flatMap(({ course, cents }) => {
    const left = strings[course - 1]?.left;
    return left === null || left === undefined ? [] : [cents - left];
  });
  // The air moves all alike: that tells nothing of whose strings they are.
  const common = moved.length >= FEWEST_MOVED ? median(moved) : 0;
  return heard.reduce((sum, string) => {
    const known = strings[string.course - 1];
    return known ? sum + pitchFits(string, known, common) + stiffnessFits(string, known) : sum;
  }, 0);
}

type Known = Candidate['strings'][number];

function pitchFits({ cents, errorCents }: HeardString, { left, spread }: Known, common: Cents) {
  if (left === null) return 0;
  const sigma = Math.hypot(spread, errorCents, NEVER_NEARER);
  const x = cents - left - common;
  const wide = Math.hypot(sigma, ASTRAY.cents);
  const density =
    (1 - ASTRAY.share) * (Math.exp(-0.5 * (x / sigma) ** 2) / sigma) +
    ASTRAY.share * (Math.exp(-0.5 * (x / wide) ** 2) / wide);
  return Math.max(-LOUDEST, Math.log(density));
}

function stiffnessFits({ stiffness }: HeardString, known: Known): number {
  if (stiffness === undefined || !(stiffness > 0)) return 0;
  if (!isMeasured(known)) return 0;
  const all = known.stiffness ?? [];
  const n = all.length;
  const mean = all.reduce((sum, ln) => sum + ln, 0) / n;
  const squares = all.reduce((sum, ln) => sum + (ln - mean) ** 2, 0);
  const { sigma, plucks } = SCATTER;
  // Student's law: who was heard seldom is known badly, and its scatter too.
  const freedom = n - 1 + plucks;
  const scale = Math.sqrt(((squares + plucks * sigma ** 2) / freedom) * (1 + 1 / n));
  const z = (Math.log(stiffness) - mean) / scale;
  const ln = -((freedom + 1) / 2) * Math.log1p((z * z) / freedom) - Math.log(scale);
  return Math.max(-LOUDEST, ln);
}
