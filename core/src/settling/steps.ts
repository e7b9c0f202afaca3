import { centsBetween } from '../music/index.ts';
import type { Said, Step } from '../sitting/index.ts';
import type { Cents, EpochMs, Hz } from '../units.ts';

/** A reading of one string as the log keeps it. */
export interface Look {
  readonly at: EpochMs;
  readonly course: number;
  /** Deviation from the string's target. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  readonly hz: Hz;
  /** What was asked for before this pluck. */
  readonly asked?: 'pull' | 'leave';
}

/** Why a reading cannot be understood from the sound alone. */
export type Doubt =
  /** Higher than before after an absence: somebody turned the peg, or the room moved all strings. */
  | { readonly kind: 'rose'; readonly cents: Cents }
  /** Lower than the string could have dropped by itself. */
  | { readonly kind: 'fell'; readonly cents: Cents }
  /** It fits another string better. */
  | { readonly kind: 'another string'; readonly like: number }
  /** It is dated before the one before it. */
  | { readonly kind: 'clock back'; readonly byMs: number };

/** A reading with its place in the procedure. */
export interface Taken extends Look {
  readonly step: Step;
  /** The teacher has said so. */
  readonly byHand: boolean;
  /** Asked about and not yet answered: it does not count meanwhile. */
  readonly doubt: Doubt | null;
  /** When it was really taken, where the clock was set back. */
  readonly really: EpochMs;
  /** What the other strings did to it by bending the neck, where that is known. */
  readonly neck?: Cents;
  /** What the room did to it since the first reading, where old strings tell. */
  readonly room?: Cents;
}

/** Two plucks this close in time are of one moment, in ms. */
const ONE_MOMENT = 20_000;
/** Hands on the instrument: longer than this and nobody was there, in ms. */
const ABSENT = 10 * 60_000;
/** A new string drops by itself no faster, in cents a second; common practice, no source. */
const FASTEST = 0.5;
/** Faster than a string did before, by this, is more than it can by itself: creep only slows down. */
const FASTER = 1.5;
/** Least fall that means anything, in cents and in standard deviations of the two readings. */
const LEAST_FALL = { cents: 0.8, sigmas: 3 };
/** … right after the peg was turned, when it is plucked again to be sure. */
const LEAST_FALL_AT_ONCE = { cents: 2, sigmas: 5 };
/** A rise means something sooner: no string rises by itself, and to take one for a turn costs little. */
const LEAST_RISE = { cents: 0.4, sigmas: 2 };
/** Further off than this a reading may be another string's. */
const FAR = 60;
/** A pitch is another string's when it lies so near to where that was heard last, in cents. */
const LIKE = 25;
/** A string that stands too high after these is let down by its peg. */
const TURNED: ReadonlySet<Step> = new Set(['first', 'again', 'brought up', 'let down', 'retuned']);
const BY_PEG: ReadonlySet<Step> = new Set(['brought up', 'let down']);
/** Clocks are tuned by less than this without a word, in ms. */
const CLOCK_SLACK = 2000;

/**
 * Puts each reading in its place from what was heard before it: pure, so that the same
 * readings and answers always give the same steps.
 * @param looks all strings' readings in the order in which they were taken
 */
export function stepsOf(
  looks: readonly Look[],
  said: readonly Said[],
  tolerance: Cents,
): Map<number, Taken[]> {
  const taken = new Map<number, Taken[]>();
  let ahead = 0;
  let latest = Number.NEGATIVE_INFINITY;
  for (const look of looks) {
    const before = taken.get(look.course) ?? [];
    const answer = said.findLast((s) => s.course === look.course && s.of === look.at);
    let clock: Doubt | null = null;
    if (look.at + ahead < latest - CLOCK_SLACK) {
      // Everything from here on is dated by the wrong clock.
      if (answer?.elapsed === undefined)
        clock = { kind: 'clock back', byMs: latest - look.at - ahead };
      else ahead = latest + answer.elapsed - look.at;
    }
    const really = look.at + ahead;
    // A reading of unknown date does not move the clock on.
    if (!clock) latest = Math.max(latest, really);
    const now: Look = { ...look, at: really };
    const guess = clock
      ? ({ step: 'left out', doubt: clock } as const)
      : guessOf(now, before, taken, tolerance);
    const step = answer && answer.elapsed === undefined ? answer.step : guess.step;
    const doubt = answer && answer.elapsed === undefined ? null : guess.doubt;
    taken.set(look.course, [
      ...before,
      { ...look, really, step, doubt, byHand: answer !== undefined },
    ]);
  }
  return taken;
}

type Guess = { readonly step: Step; readonly doubt: Doubt | null };

const sure = (step: Step): Guess => ({ step, doubt: null });
const doubtful = (doubt: Doubt): Guess => ({ step: 'left out', doubt });

function guessOf(
  now: Look,
  earlier: readonly Taken[],
  all: ReadonlyMap<number, readonly Taken[]>,
  tolerance: Cents,
): Guess {
  const like = likeAnother(now, all);
  if (like !== null) return doubtful({ kind: 'another string', like });
  const before = lastCounted(earlier);
  if (!before) return sure('first');
  const gap = now.at - before.really;
  const sigma = Math.hypot(now.errorCents, before.errorCents);
  const beyond = ({ cents, sigmas }: typeof LEAST_FALL) => Math.max(cents, sigmas * sigma);
  const justTurned = gap < ONE_MOMENT && BY_PEG.has(before.step);
  const noise = beyond(justTurned ? LEAST_FALL_AT_ONCE : LEAST_FALL);
  const change = now.cents - before.cents;
  // By itself it drops no further than the slowest drop so far allows.
  const byItself = noise + mostByItself(earlier) * (gap / 1000);
  if (gap > ABSENT) return afterAbsence(change, noise, byItself);
  if (change > beyond(LEAST_RISE)) return sure('brought up');
  if (change >= -noise) return sure(gap < ONE_MOMENT ? 'again' : 'waited');
  if (now.asked === 'pull') return sure('stretched');
  // Too high and tuned: the peg, not the string.
  if (before.cents > tolerance && TURNED.has(before.step)) return sure('let down');
  if (-change <= byItself) return sure('waited');
  // Nobody was to touch it: it is asked about.
  return now.asked === 'leave' ? doubtful({ kind: 'fell', cents: -change }) : sure('stretched');
}

/** Nobody was there: what moved it has to be asked, unless it dropped as strings do. */
function afterAbsence(change: Cents, noise: Cents, byItself: Cents): Guess {
  if (change > noise) return doubtful({ kind: 'rose', cents: change });
  return -change <= byItself ? sure('waited') : doubtful({ kind: 'fell', cents: -change });
}

/** The last reading that counts. */
export function lastCounted(taken: readonly Taken[]): Taken | null {
  return taken.findLast(({ step }) => step !== 'left out') ?? null;
}

/** No drop by itself can be faster than the slowest one so far, in cents a second. */
function mostByItself(earlier: readonly Taken[]): number {
  let most = FASTEST;
  const from = Math.max(
    0,
    earlier.findLastIndex(({ step }) => step === 'new string'),
  );
  const counted = earlier.slice(from).filter(({ step }) => step !== 'left out');
  counted.forEach((look, i) => {
    const before = counted[i - 1];
    if (!before || look.step !== 'waited') return;
    const seconds = (look.really - before.really) / 1000;
    const noise = 2 * Math.hypot(look.errorCents, before.errorCents);
    const rate = (Math.max(0, before.cents - look.cents) + noise) / seconds;
    most = Math.min(most, FASTER * rate);
  });
  return most;
}

/** The other string at whose last pitch a far-off reading lies, or null. */
function likeAnother(now: Look, all: ReadonlyMap<number, readonly Taken[]>): number | null {
  if (Math.abs(now.cents) < FAR) return null;
  const distance = (look: Taken) => Math.abs(centsBetween(look.hz, now.hz));
  const own = lastCounted(all.get(now.course) ?? []);
  if (own && distance(own) < LIKE) return null;
  for (const [course, taken] of all) {
    const last = course === now.course ? null : lastCounted(taken);
    if (last && distance(last) < LIKE) return course;
  }
  return null;
}
