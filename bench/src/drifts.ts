import { type Cause, type Diary, type Due, diaryOf, driftOf } from '@rosefinch/core/drift';
import { between, seededRandom } from '@rosefinch/core/maths';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { airOfAYear, livedThrough, type Moved, type YearPlan } from '@rosefinch/core/practice';
import type { Session, StringSummary, Summary } from '@rosefinch/core/sitting';
import { findModel, type Instrument } from '@rosefinch/core/strings';
import { DAY_MS } from '@rosefinch/core/units';
import { caretakerYear } from './foreign/years.ts';
import { quantile } from './print.ts';

const KINDS = ['air', 'peg', 'new strings', 'handled', 'still'] as const;
type Kind = (typeof KINDS)[number];
const MODELS = ['steel-guitar', 'nylon-guitar', 'ukulele-soprano', 'banjo-five'] as const;
const FROM = Date.UTC(2025, 8, 1, 15);
/** A lesson lets a string be off by so much. */
const TOLERANCE = 5;
/** What the middle span must have moved for the air to be the cause. */
const MOVED = 3;
const LATELY = 8;
/** What the ear says of its own readings. */
const READ = 0.5;
/** Days that are lived on after the last session, and nobody tunes. */
const ON = 120;

interface SatDown {
  readonly day: number;
  readonly found: readonly number[];
  readonly left: readonly number[];
  /** What truly moved each string since the session before. */
  readonly moved: readonly Moved[];
}

/** An instrument with what truly happened to it. */
interface Lived {
  readonly diary: Diary;
  /** What moved it most; and what moved it nearly as much. */
  readonly truths: readonly Cause[];
  readonly peg: number | null;
  readonly left: readonly number[];
  readonly at: number;
  /** First day after the last session on which a string truly is out; null within what was lived on. */
  readonly out: number | null;
}

function instrumentOf(seed: number): Instrument {
  const model = MODELS[seed % MODELS.length] ?? 'steel-guitar';
  const found = findModel(model);
  if (!found) throw new Error(`no model ${model}`);
  return found.build('i', 'Instrument');
}

/** What the records would hold of such sessions, as the judge gets them. */
function diaryFrom(
  instrument: Instrument,
  sat: readonly SatDown[],
  { sets, loans }: Pick<YearPlan, 'sets' | 'loans'>,
): Diary {
  const tuning = findTuning(instrument.tuningId);
  if (!tuning) throw new Error('no tuning');
  const sittings = sat.map(({ day, found, left }, i) => {
    const startedAt = FROM + day * DAY_MS;
    const session = { id: `${i}`, tuningId: tuning.id, a4: 440, startedAt } as unknown as Session;
    const strings = found.map((cents, s) => {
      const of = { course: s + 1, member: 1, plucks: 2, leftAt: startedAt + 300_000 };
      const read = { found: cents, foundError: READ, left: left[s], leftError: READ };
      return { ...of, ...read } as unknown as StringSummary;
    });
    const summary = { id: `${i}`, startedAt, strings, plucks: 9 } as unknown as Summary;
    return { session, summary };
  });
  const on = (day: number) => FROM + day * DAY_MS;
  return diaryOf({
    instrument,
    tuning,
    a4: 440,
    sittings,
    fitted: sets.flatMap((day) =>
      instrument.courses.map(({ number }) => ({ course: number, at: on(day) - 3_600_000 })),
    ),
    loans: loans.map(({ from, to }) => ({ from: on(from), to: on(to) })),
  });
}

/** Days on which somebody sits down with it: 9 to 25 of them, irregular. */
function sittingDays(random: () => number): number[] {
  const count = 9 + Math.floor(random() * 17);
  const gap = between(random, 4, 16);
  let day = 0;
  return Array.from({ length: count }, () => {
    day += Math.max(1, Math.round(gap * between(random, 0.4, 1.6)));
    return day;
  });
}

const CAUSES = { air: 'air', creep: 'new strings', hands: 'handled' } as const;
/** What moved it nearly as much as another is right too. */
const NEARLY = 0.7;
/** A peg is to be named where it let its string down by so much in the last spans, cents. */
const TO_BE_NAMED = 12;

/** What truly moved an instrument in its last spans: a peg first, else what made most cents. */
function truthsOf(sat: readonly SatDown[]): Cause[] {
  const lately = sat.slice(1).slice(-LATELY);
  const strings = lately[0]?.moved.length ?? 1;
  const most = (read: (moved: Moved) => number) =>
    Math.max(
      ...Array.from({ length: strings }, (_, s) =>
        lately.reduce((sum, { moved }) => sum + Math.abs(read(moved[s]!)), 0),
      ),
    );
  if (most(({ peg }) => peg) >= TO_BE_NAMED) return ['peg'];
  const mean = (read: (moved: Moved) => number) =>
    lately.reduce((sum, { moved }) => sum + moved.reduce((a, m) => a + Math.abs(read(m)), 0), 0) /
    strings;
  const sizes = (Object.keys(CAUSES) as (keyof typeof CAUSES)[]).map((by) => ({
    cause: CAUSES[by],
    cents: mean((moved) => moved[by]),
  }));
  const greatest = Math.max(...sizes.map(({ cents }) => cents));
  const causes: Cause[] = sizes
    .filter(({ cents }) => cents >= NEARLY * greatest)
    .map(({ cause }) => cause);
  const middle = movesOf(sat).sort((a, b) => a - b)[Math.floor(lately.length / 2)] ?? 0;
  const quiet = greatest < MOVED * lately.length;
  if (quiet && middle < MOVED) return ['still'];
  return middle < MOVED / NEARLY && quiet ? [...causes, 'still'] : causes;
}

/** The largest move of each of the last spans, by what was read. */
function movesOf(sat: readonly SatDown[]): number[] {
  const moves = sat.slice(1).map(({ found }, i) => {
    const before = sat[i]?.left ?? [];
    return Math.max(...found.map((cents, s) => Math.abs(cents - (before[s] ?? 0))));
  });
  return moves.slice(-LATELY);
}

/** The first day on which a string truly is out; null where none is in all days that were lived on. */
function dayOut(after: readonly (readonly number[])[]): number | null {
  const day = after.findIndex((cents) => cents.some((c) => Math.abs(c) > TOLERANCE));
  return day < 0 ? null : day + 1;
}

/** The practice world: a year as the demo's instruments live it. */
function practiceLived(seed: number, kind: Kind): Lived {
  const random = seededRandom(seed * 31 + KINDS.indexOf(kind));
  const instrument = instrumentOf(seed);
  const tuning = findTuning(instrument.tuningId);
  const targets = tuning ? targetsOf(tuning, 440) : [];
  const days = sittingDays(random);
  const last = days.at(-1) ?? 0;
  const recent = days.slice(-6);
  const slipping = { course: 1 + Math.floor(random() * targets.length), from: days.at(-9) ?? 0 };
  const plan: YearPlan = {
    days: last + ON,
    sittings: days,
    airy:
      kind === 'still'
        ? 0.12
        : kind === 'air'
          ? between(random, 0.6, 1.6)
          : between(random, 0.2, 0.6),
    ...(kind === 'peg' && { peg: slipping }),
    sets: kind === 'new strings' ? [Math.max(0, (recent[0] ?? 0) - 1)] : [],
    loans: kind === 'handled' ? [{ from: (recent[1] ?? 0) + 1, to: recent[4] ?? 0 }] : [],
    seed: seed * 7919 + KINDS.indexOf(kind),
  };
  const air = airOfAYear(FROM, plan.days + 1, seed + 500_000);
  const { sittings, after } = livedThrough(instrument, targets, air, plan);
  const sat = sittings.map(({ day, strings }) => ({
    day,
    found: strings.map(({ found }) => found),
    left: strings.map(({ left }) => left),
    moved: strings.map(({ moved }) => moved),
  }));
  return livedOf(instrument, sat, plan, after, plan.peg?.course ?? null);
}

/** The caretaker's world, which shares no line with the other. */
function caretakerLived(seed: number, kind: Kind): Lived {
  const random = seededRandom(seed * 37 + KINDS.indexOf(kind));
  const instrument = instrumentOf(seed);
  const year = caretakerYear({
    strings: instrument.courses.length,
    soft: instrument.courses[0]?.strings[0]?.spec.material === 'nylon',
    sittings: sittingDays(random),
    kind,
    seed: seed * 104_729 + KINDS.indexOf(kind),
  });
  const peg = year.peg === null ? null : year.peg + 1;
  return livedOf(instrument, year.sittings, year, year.after, peg);
}

function livedOf(
  instrument: Instrument,
  sat: readonly SatDown[],
  happened: Pick<YearPlan, 'sets' | 'loans'>,
  after: readonly (readonly number[])[],
  peg: number | null,
): Lived {
  return {
    diary: diaryFrom(instrument, sat, happened),
    truths: truthsOf(sat),
    peg,
    left: sat.at(-1)?.left ?? [],
    at: FROM + (sat.at(-1)?.day ?? 0) * DAY_MS,
    out: dayOut(after),
  };
}

const WORLDS = { practice: practiceLived, caretaker: caretakerLived };

interface DueFigures {
  early: number;
  by: number;
  all: number;
  never: number;
  readonly days: number[];
}

/** Causes named and due days, kind by kind, in both worlds. */
export function driftFigures(from: number, count: number): void {
  console.log(`drift: seeds ${from} to ${from + count - 1} for each kind; 9 to 25 sittings each`);
  console.log(
    'world | kind | n | right | said | a sound peg accused | right string | out before due',
  );
  for (const [world, lived] of Object.entries(WORLDS)) {
    const whole: DueFigures = { early: 0, by: 0, all: 0, never: 0, days: [] };
    let [right, accused, innocent] = [0, 0, 0];
    for (const kind of KINDS) {
      const said = new Map<string, number>();
      const due: DueFigures = { early: 0, by: 0, all: 0, never: 0, days: whole.days };
      let [ofKind, string, wrong] = [0, 0, 0];
      for (let seed = from; seed < from + count; seed++) {
        const one = lived(seed, kind);
        const told = judged(one);
        const { cause, courses } = told.drift;
        const pair = `${cause} for ${one.truths.join(' or ')}`;
        said.set(pair, (said.get(pair) ?? 0) + 1);
        const hit = one.truths.includes(cause);
        if (hit) ofKind++;
        if (hit && one.peg !== null && courses[0] === one.peg) string++;
        const blames = cause === 'peg' && courses.some((course) => course !== one.peg);
        if (blames) wrong++;
        if (kind !== 'peg') innocent++;
        if (kind !== 'peg' && blames) accused++;
        judgeDue(one, told.due, due);
      }
      right += ofKind;
      whole.early += due.early;
      whole.by += due.by;
      whole.all += due.all;
      whole.never += due.never;
      const list = [...said].map(([cause, n]) => `${cause} ${n}`).join(', ');
      const share = `${due.early}, on it ${due.by} of ${due.all}`;
      console.log(
        `${world} | ${kind} | ${count} | ${ofKind} | ${list} | ${wrong} | ${string} | ${share}`,
      );
    }
    const all = count * KINDS.length;
    const share = ((100 * whole.by) / Math.max(1, whole.all)).toFixed(0);
    const days = [0.1, 0.5, 0.9].map((q) => quantile(whole.days, q, 0)).join(' / ');
    console.log(
      `${world}: named right ${right} of ${all}; a peg accused where none slips ${accused} of ${innocent}; ` +
        `out before the due day ${whole.early}, by its end ${whole.by} of ${whole.all} (${share} %), no day named ${whole.never}; ` +
        `due after ${days} days`,
    );
  }
}

function judged({ diary, left, at }: Lived) {
  const isOut = left.some((cents) => Math.abs(cents) > TOLERANCE);
  const errorCents = left.map(() => READ);
  return driftOf({
    diary,
    left: isOut ? null : { at, cents: left, errorCents, tolerance: TOLERANCE },
  });
}

function judgeDue({ out }: Lived, due: Due | null, figures: DueFigures): void {
  if (!due) return;
  const { days } = due;
  if (days === null) {
    figures.never++;
    return;
  }
  figures.all++;
  figures.days.push(days);
  if (out !== null && out < days) figures.early++;
  if (out !== null && out <= days) figures.by++;
}
