import { TZDate } from '@date-fns/tz';
import { median } from '../maths/index.ts';
import { type Cents, DAY_MS, type EpochMs } from '../units.ts';
import { type Asked, type Heard, heardIn } from './heard.ts';
import type { Noticed } from './hearing.ts';
import { type EarRun, type EarTrial, EXERCISES, type ExerciseKind } from './types.ts';

const MINUTE_MS = 60_000;
/** A figure stands on so many of the newest answers, of several days where they are few a day. */
const NEWEST_ANSWERS = 60;
const NEWEST_DEEDS = 20;
/** So many of the newest runs are drawn. */
const NEWEST_RUNS = 16;
/** With fewer deeds no figure is given. */
const FEWEST_DEEDS = 4;

/** What an exercise has come to at one time. */
export interface EarPoint extends Noticed {
  readonly at: EpochMs;
}

/** One exercise of one ear, over time. */
export interface EarProgress {
  readonly exercise: ExerciseKind;
  /** Oldest first, one for each of the newest runs that has told something. */
  readonly points: readonly EarPoint[];
  /** What it is by now, by register or kind as well; of answered exercises. */
  readonly heard: Heard | null;
  readonly lastAt: EpochMs | null;
  /** Days on which it was done. */
  readonly days: number;
  /** How long a deed took in the middle, of the newest; null where that is not known. */
  readonly seconds: number | null;
  /** How long whole instruments took, the newest runs, oldest first. */
  readonly minutes: readonly { readonly at: EpochMs; readonly minutes: number }[];
}

const ANSWERED: ReadonlySet<ExerciseKind> = new Set(['direction', 'string', 'pure', 'class']);

/** Every exercise as all its runs have it, oldest run first. */
export function progressOf(runs: readonly EarRun[]): EarProgress[] {
  return EXERCISES.map((exercise) => {
    const own = runs.filter((run) => run.exercise === exercise && run.trials.length > 0);
    const trials = own.flatMap((run) => run.trials);
    const answered = ANSWERED.has(exercise) ? (exercise as Asked) : null;
    const drawnFrom = Math.max(0, own.length - NEWEST_RUNS);
    let so: EarTrial[] = own.slice(0, drawnFrom).flatMap((run) => run.trials);
    const points = own.slice(drawnFrom).flatMap((run): EarPoint[] => {
      so = [...so, ...run.trials].slice(-NEWEST_ANSWERS);
      const told = answered ? noticedIn(answered, so) : leftIn(so);
      const at = run.trials.at(-1)?.at ?? run.startedAt;
      return told ? [{ at, ...told }] : [];
    });
    return {
      exercise,
      points,
      heard: answered && trials.length > 0 ? heardOf(answered, trials) : null,
      lastAt: trials.at(-1)?.at ?? null,
      days: new Set(own.map(({ startedAt, zone }) => dayOf(startedAt, zone))).size,
      seconds: answered ? null : secondsOf(trials.slice(-NEWEST_DEEDS)),
      minutes: own.slice(drawnFrom).flatMap((run) => (exercise === 'whole' ? minutesOf(run) : [])),
    };
  });
}

/** The day on the calendar of anyone who practised. */
function dayOf(at: EpochMs, zone: string): string {
  return new TZDate(at, zone).toDateString();
}

function secondsOf(trials: readonly EarTrial[]): number | null {
  const took = trials.flatMap(({ tookMs }) => (tookMs === undefined ? [] : [tookMs]));
  return took.length > 0 ? median(took) / 1000 : null;
}

/** How long a whole instrument took. */
function minutesOf({ trials }: EarRun) {
  return trials
    .slice(0, 1)
    .flatMap(({ at, tookMs }) =>
      tookMs === undefined ? [] : [{ at, minutes: tookMs / MINUTE_MS }],
    );
}

function heardOf(exercise: Asked, trials: readonly EarTrial[]): Heard {
  // What was found is judged among as many answers as were last to choose from.
  const among = trials.at(-1)?.among ?? 0;
  return heardIn(exercise, trials.slice(-NEWEST_ANSWERS), among);
}

function noticedIn(exercise: Asked, trials: readonly EarTrial[]): Noticed | null {
  return heardOf(exercise, trials).noticed;
}

/** The 90 % interval of a standard deviation, by the cube root of χ² (Wilson and Hilferty 1931). */
const NINETY = 1.6448536;
const NINTHS = 9;
/** No deed counts beyond so many times the usual one, and that is no less than half a cent. */
const MOST_TIMES = 3;
const LEAST_USUAL: Cents = 0.5;

/** How far off deeds were, as a root mean square with its 90 % interval; null of few. */
export function leftIn(trials: readonly EarTrial[]): Noticed | null {
  const off = trials
    .flatMap((one) => (one.off === undefined ? [] : [one.off]))
    .slice(-NEWEST_DEEDS);
  if (off.length < FEWEST_DEEDS) return null;
  // One slip must not tell for twenty.
  const most = MOST_TIMES * Math.max(LEAST_USUAL, median(off.map(Math.abs)));
  const squares = off.reduce((sum, one) => sum + Math.min(Math.abs(one), most) ** 2, 0);
  const cents = Math.sqrt(squares / off.length);
  const bound = (z: number) => {
    const spread = 2 / (NINTHS * off.length);
    return cents / (1 - spread + z * Math.sqrt(spread)) ** 1.5;
  };
  return { cents, low: bound(NINETY), high: bound(-NINETY) };
}

/** What is to be practised next, and why. */
export interface NextPractice {
  readonly exercise: ExerciseKind;
  /** The register or kind in which most is to be gained; null where all are alike. */
  readonly cell: string | null;
  readonly why: 'new' | 'due' | 'gain';
  /** Days since it was done; null of one that was never done. */
  readonly days: number | null;
}

/** What is heard fades: after so many days at first, and each day of practice doubles them (spacing, common practice). */
const FADES_DAYS = { first: 1, most: 21 } as const;
/** What a trained ear leaves or notices, cents: from memory, within what is published of musicians. */
const TRAINED: Readonly<Partial<Record<ExerciseKind, Cents>>> = {
  direction: 4,
  match: 1.5,
  beats: 1,
  string: 8,
  pure: 6,
  sing: 10,
};
/** One register is worse than the others by so much before it is named, as a factor. */
const STANDS_OUT = 1.4;

/** The exercise that has faded, else the one with most to gain; what was never done comes in its turn. */
export function nextPractice(all: readonly EarProgress[], now: EpochMs): NextPractice | null {
  const known = all.flatMap((one) => {
    const trained = TRAINED[one.exercise];
    if (trained === undefined) return [];
    const days = one.lastAt === null ? null : (now - one.lastAt) / DAY_MS;
    const fades = Math.min(FADES_DAYS.most, FADES_DAYS.first * 2 ** Math.max(0, one.days - 1));
    const latest = one.points.at(-1);
    const gain = latest ? Math.log(latest.cents / trained) : 0;
    return [{ one, days, overdue: days === null ? 0 : days / fades, gain }];
  });
  const done = known.filter(({ days }) => days !== null);
  const due = done.filter(({ overdue }) => overdue >= 1).sort((a, b) => b.gain - a.gain);
  const fresh = known.find(({ days }) => days === null);
  const best = due[0] ?? fresh ?? done.sort((a, b) => b.gain - a.gain)[0];
  if (!best) return null;
  const why = due.length > 0 ? 'due' : best.days === null ? 'new' : 'gain';
  return { exercise: best.one.exercise, cell: worstCell(best.one), why, days: best.days };
}

function worstCell({ heard }: EarProgress): string | null {
  const cells = [...(heard?.cells ?? [])].sort(([, a], [, b]) => b.cents - a.cents);
  const [worst, second] = cells;
  if (!worst || !second) return null;
  const usual = median(cells.map(([, { cents }]) => cents));
  return worst[1].cents > STANDS_OUT * usual ? worst[0] : null;
}
