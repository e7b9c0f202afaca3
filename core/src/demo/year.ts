import { between, nth, type Random, seededRandom } from '../maths/index.ts';
import { findTuning, shiftHz, type Target, targetsOf } from '../music/index.ts';
import { type AirDay, airOfAYear, livedThrough, type YearPlan } from '../practice/index.ts';
import type { Contents, Restringing } from '../records/index.ts';
import type { Round, RoundEntry } from '../rounds/index.ts';
import type { BenchEvent, LogEntry, Session } from '../sitting/index.ts';
import { findModel, type Instrument } from '../strings/index.ts';
import { type Cents, DAY_MS, type EpochMs } from '../units.ts';
import { saltmarshEar } from './ears.ts';
import { saltmarshLibrary } from './saltmarsh.ts';

const MINUTE_MS = 60_000;
const DAYS = 365;
const A4 = 440;
const TOLERANCE: Cents = 2;
const MACHINE = 'demo';
const SEED = 20_251;
/** Between two plucks, in ms. */
const A_PLUCK = 9000;
const CLASS = 'Thursday class';
const CLASS_SIZE = 8;

/** How an instrument of the library lives through its year; days count back from today. */
interface Story {
  /** Days between two sessions. */
  readonly every: number;
  readonly airy: number;
  /** Nobody has touched it for so many days. */
  readonly restsFor?: number;
  readonly setAgo?: number;
  readonly lentAgo?: readonly [from: number, to: number];
  readonly peg?: { readonly course: number; readonly ago: number };
}

const USUAL: Story = { every: 18, airy: 0.5 };
const STORIES: Readonly<Record<string, Story>> = {
  heron: { every: 14, airy: 0.12, lentAgo: [150, 132] },
  wren: { every: 16, airy: 1.1 },
  dunlin: { every: 15, airy: 0.6, restsFor: 190 },
  curlew: { every: 12, airy: 0.4, setAgo: 24 },
  plover: { every: 14, airy: 1.8 },
  bittern: { every: 21, airy: 0.4, lentAgo: [58, 12] },
  stonechat: { every: 13, airy: 0.5, setAgo: 2 },
  linnet: { every: 17, airy: 0.15 },
  redshank: { every: 20, airy: 0.1 },
  whimbrel: { every: 19, airy: 0.4, setAgo: 120 },
  lapwing: { every: 9, airy: 0.4, peg: { course: 3, ago: 80 } },
  avocet: { every: 24, airy: 0.7 },
};

/** What a demo shelf holds beside its twelve instruments. */
export type Year = Pick<
  Contents,
  | 'instruments'
  | 'sessions'
  | 'events'
  | 'restringings'
  | 'marks'
  | 'climate'
  | 'rounds'
  | 'earRuns'
>;

/**
 * An invented year of the Saltmarsh Library up to a moment: lived through by the practice
 * instruments, with the air of its rooms, loans, new strings, a peg that slips, one that nobody
 * touched, and a class of eight ukuleles with a round half done. Seeded: the same moment gives the same year.
 */
export function saltmarshYear(now: EpochMs, zone: string): Year {
  const from = now - DAYS * DAY_MS;
  const air = airOfAYear(from, DAYS + 1, SEED);
  const random = seededRandom(SEED);
  const pupils = classOfUkuleles();
  const lives = [
    ...saltmarshLibrary().map((instrument) => {
      return livedBy(instrument, STORIES[instrument.id] ?? USUAL, { from, air, zone, random });
    }),
    ...pupils.map((instrument) => livedBy(instrument, CLASS_STORY, { from, air, zone, random })),
  ];
  const today = morningOf(pupils, { now, zone, random });
  const events = [...lives.flatMap(({ sittings }) => sittings), ...today.sittings];
  return {
    instruments: pupils,
    sessions: events.map(({ session }) => session),
    events: numbered(events.flatMap(({ log }) => log)),
    restringings: lives.flatMap(({ restringings }) => restringings),
    marks: lives.flatMap(({ marks }) => marks),
    climate: air.map(({ at, celsius, humidity }) => ({
      id: new Date(at).toISOString().slice(0, 10),
      celsius: Math.round(10 * celsius) / 10,
      humidity: Math.round(humidity),
    })),
    rounds: [today.round],
    earRuns: saltmarshEar(now, zone),
  };
}

const CLASS_STORY: Story = { every: 15, airy: 0.5 };

function classOfUkuleles(): Instrument[] {
  const model = findModel('ukulele-soprano');
  return Array.from({ length: model ? CLASS_SIZE : 0 }, (_, i) => ({
    ...model!.build(`uke-${i + 1}`, `Uke ${i + 1}`, 'One of eight alike.'),
    groups: [CLASS],
  }));
}

interface Around {
  readonly from: EpochMs;
  readonly air: readonly AirDay[];
  readonly zone: string;
  readonly random: Random;
}

interface Sat {
  readonly session: Session;
  readonly log: readonly LogEntry[];
}

/** A year of one instrument as its records tell it. */
function livedBy(instrument: Instrument, story: Story, { from, air, zone, random }: Around) {
  const targets = targetsFor(instrument);
  const plan = planOf(story, random);
  const { sittings } = livedThrough(instrument, targets, air, plan);
  const on = (day: number) => from + day * DAY_MS;
  const sat = sittings.map(({ day, strings }) => {
    const read = targets.flatMap((target, s) => {
      const { found, left, errorCents, turned } = nth(strings, s);
      const all = turned ? [found, left, left] : [found];
      return all.map((cents) => readingOf(target, cents, errorCents));
    });
    // In the afternoon, one after the other.
    return satAt(instrument, on(day) - between(random, 1, 5) * 3_600_000, read, zone);
  });
  const restringings = plan.sets.map(
    (day): Restringing => ({
      id: `${instrument.id}-set-${day}`,
      instrumentId: instrument.id,
      fittedAt: on(day) - 6 * 3_600_000,
      zone,
      strings: instrument.courses.map(({ number, strings }) => ({
        course: number,
        material: nth(strings, 0).spec.material,
      })),
      lessonMinutes: 45,
      looks: day > DAYS - 4 ? [on(day) + DAY_MS] : [],
      doneAt: day > DAYS - 4 ? null : on(day) + 6 * DAY_MS,
    }),
  );
  const marks = plan.loans.map(({ from: out, to }, i) => ({
    id: `${instrument.id}-loan-${i}`,
    instrumentId: instrument.id,
    kind: 'loan' as const,
    at: on(out),
    until: on(to),
    zone,
    text: 'Lent out.',
  }));
  return { sittings: sat, restringings, marks };
}

function planOf(story: Story, random: Random): YearPlan {
  const { every, airy, restsFor = 1, setAgo, lentAgo, peg } = story;
  const sittings: number[] = [];
  for (let day = 1 + Math.floor(random() * every); day <= DAYS - restsFor; ) {
    sittings.push(day);
    day += Math.max(2, Math.round(every * between(random, 0.7, 1.3)));
  }
  const set = setAgo === undefined ? [] : [DAYS - setAgo];
  return {
    days: DAYS,
    // New strings are looked at on the day and the day after.
    sittings: [...new Set([...sittings, ...set, ...set.map((day) => Math.min(DAYS - 1, day + 1))])]
      .filter((day) => day < DAYS)
      .sort((a, b) => a - b),
    airy,
    ...(peg && { peg: { course: peg.course, from: DAYS - peg.ago } }),
    sets: set,
    loans: lentAgo ? [{ from: DAYS - lentAgo[0], to: DAYS - lentAgo[1] }] : [],
    seed: Math.floor(random() * 2 ** 31),
  };
}

function targetsFor({ tuningId }: Instrument): Target[] {
  const tuning = findTuning(tuningId);
  return tuning ? targetsOf(tuning, A4) : [];
}

function readingOf({ course, hz }: Target, cents: Cents, errorCents: Cents): BenchEvent {
  const reading = { course, cents, errorCents, moving: false, hz: shiftHz(hz, cents) };
  return { type: 'reading', reading };
}

/** A session with its log, from the first pluck on. */
function satAt(
  instrument: Instrument,
  startedAt: EpochMs,
  read: readonly BenchEvent[],
  zone: string,
): Sat {
  const at = Math.round(startedAt);
  const id = `${instrument.id}-${at}`;
  const session: Session = {
    id,
    instrumentId: instrument.id,
    tuningId: instrument.tuningId,
    a4: A4,
    tolerance: TOLERANCE,
    source: 'practice',
    startedAt: at,
    zone,
    endedAt: at + (read.length + 1) * A_PLUCK,
  };
  const log = read.map((event, i) => ({
    id: `${id}-${i}`,
    sessionId: id,
    machine: MACHINE,
    number: 0,
    event: { ...event, at: at + (i + 1) * A_PLUCK },
  }));
  return { session, log };
}

/** In the order in which it happened. */
function numbered(log: readonly LogEntry[]): LogEntry[] {
  return [...log]
    .sort((a, b) => a.event.at - b.event.at)
    .map((entry, number) => ({ ...entry, number }));
}

/** So many of the class are done with, and how far they were off. */
const DONE: readonly Cents[] = [0.4, -7, 0.8, -11];

/** The round of today, half done: the class begins in half an hour. */
function morningOf(
  pupils: readonly Instrument[],
  { now, zone, random }: { readonly now: EpochMs; readonly zone: string; readonly random: Random },
): { readonly sittings: Sat[]; readonly round: Round } {
  const begun = now - 12 * MINUTE_MS;
  const sittings: Sat[] = [];
  const entries = pupils.map((instrument, i): RoundEntry => {
    const entry = { instrumentId: instrument.id, number: i + 1, minutes: 1 };
    const off = DONE[i];
    if (off === undefined) return { ...entry, standing: 'waiting' };
    const read = targetsFor(instrument).flatMap((target) => {
      const found = target.course === 3 ? off : between(random, -1, 1);
      const all = Math.abs(found) > TOLERANCE ? [found, 0.3, 0.4] : [found];
      return all.map((cents) => readingOf(target, cents, 0.5));
    });
    const sat = satAt(instrument, begun + 2 * i * MINUTE_MS, read, zone);
    sittings.push(sat);
    const { id, startedAt, endedAt } = sat.session;
    const standing = Math.abs(off) > TOLERANCE ? 'done' : 'right';
    return { ...entry, standing, sessionId: id, from: startedAt, ...(endedAt && { to: endedAt }) };
  });
  const round: Round = {
    id: 'round-today',
    name: CLASS,
    way: 'anyOrder',
    madeAt: begun,
    zone,
    by: now + 30 * MINUTE_MS,
    entries,
    inHand: null,
    endedAt: null,
  };
  return { sittings, round };
}
