import type { Drift, Sign, Spares, WearVerdict, WithAir } from '../drift/index.ts';
import { sameDay } from '../maths/index.ts';
import {
  type Clock,
  list,
  type Message,
  message,
  moment,
  type Sentence,
  signed,
  type Text,
} from '../message.ts';
import type { Need } from '../rounds/index.ts';
import type { PegKind } from '../strings/index.ts';
import { DAY_MS, type EpochMs } from '../units.ts';
import { durationInWords } from './figures.ts';

/** What a shelf's row tells of an instrument. */
export interface RowFacts {
  readonly need: Need;
  /** Null while it is still worked out, or where it cannot be. */
  readonly drift: Drift | null;
  readonly pending: boolean;
  /** When the newest strings were put on, if it was lately; null else. */
  readonly fittedAt: EpochMs | null;
  /** The string that was left furthest off, if one was: its course and cents. */
  readonly leftOff: { readonly course: number; readonly cents: number } | null;
  readonly lent: boolean;
  /** It was out of the house within its last sessions. */
  readonly wasLent: boolean;
  readonly sittings: number;
  readonly pegs: PegKind;
  readonly withAir: WithAir | null;
}

/** New strings are spoken of for so long. */
const NEW_FOR_DAYS = 14;
/** The effect of the air is mentioned from this many cents on. */
const SPOKEN_OF = 3;
/** The air's moisture is named where it explains so much of what all did alike. */
const EXPLAINS = 0.3;

/** What is going on with an instrument. */
export function diagnosisInWords(facts: RowFacts, clock: Clock): Text {
  const { need, drift, pending, fittedAt, leftOff, lent, sittings } = facts;
  if (lent) return message('shelf.lentOut');
  if (sittings === 0) return message('shelf.notLookedAt');
  if (need.kind === 'resting' && need.since !== null)
    return message('shelf.notReadSince', { day: moment(need.since, clock, 'spoken day') });
  if (fittedAt !== null && clock.now - fittedAt < NEW_FOR_DAYS * DAY_MS)
    return newInWords(drift, fittedAt, clock);
  if (leftOff)
    return message('shelf.leftOff', {
      side: leftOff.cents < 0 ? 'low' : 'high',
      string: leftOff.course,
      cents: Math.abs(leftOff.cents),
    });
  if (drift) return causeInWords(drift, facts);
  return pending ? message('common.moment') : message('shelf.driftUnknown');
}

function newInWords(drift: Drift | null, fittedAt: EpochMs, { now }: Clock): Message {
  const age = durationInWords((now - fittedAt) / 1000);
  const last = drift?.spans.at(-1);
  const falls = last?.own.flatMap((cents) => (cents === null ? [] : -(cents + last.common))) ?? [];
  const most = Math.max(0, ...falls);
  return last && last.to > fittedAt && most > 1
    ? message('shelf.newStringsFell', { age, cents: most })
    : message('shelf.newStrings', { age });
}

/** What keeps it from staying where it was left. */
export function causeInWords(
  drift: Drift,
  { pegs, withAir, sittings, wasLent }: Omit<RowFacts, 'need'>,
): Text {
  const [course = 0] = drift.courses;
  switch (drift.cause) {
    case 'not enough':
      return message('shelf.tooFewSittings', { sittings });
    case 'peg':
      return slippingPegInWords(drift, pegs);
    case 'new strings':
      return message('shelf.wereNew', { cents: fallOf(drift) });
    case 'handled':
      return wasLent ? message('shelf.handledLent') : message('shelf.handled');
    case 'one string':
      return message('shelf.oneString', { string: course });
    case 'air':
      return airInWords(drift, withAir);
    case 'still':
      return stillInWords(drift);
  }
}

function slippingPegInWords({ strings, courses }: Drift, pegs: PegKind): Text {
  const [course = 0] = courses;
  const cents = strings.find((string) => string.course === course)?.weekly ?? 0;
  return [
    message('shelf.pegSlips', { count: courses.length, strings: list(courses, 'and'), cents }),
    pegs === 'geared' ? message('shelf.pegSlipsGeared') : message('shelf.pegSlipsScrew'),
  ];
}

function fallOf({ spans }: Drift): number {
  const falls = spans.map(({ common, own }) =>
    Math.max(0, ...own.map((c) => -((c ?? 0) + common))),
  );
  return Math.max(0, ...falls.slice(-4));
}

function airInWords({ spans, weekly }: Drift, air: WithAir | null): Message {
  const last = spans.at(-1);
  if (!last || Math.abs(last.common) < SPOKEN_OF)
    return message('shelf.air', { cents: Math.max(1, Math.round(weekly.air)) });
  const low = last.common < 0;
  const explained = air !== null && air.explains >= EXPLAINS;
  // What lowers it when the air is dry raises it when it is damp.
  const cause = !explained ? 'air' : air.perTenPercent > 0 === low ? 'dry' : 'damp';
  return message('shelf.airLately', {
    side: low ? 'low' : 'high',
    cause,
    cents: Math.abs(last.common),
  });
}

function stillInWords({ spans }: Drift): Message {
  const lately = spans.slice(-3);
  const first = lately[0];
  const last = lately.at(-1);
  const most = Math.max(
    0,
    ...lately.flatMap(({ common, own }) =>
      own.map((cents) => (cents === null ? 0 : Math.abs(cents + common))),
    ),
  );
  if (!first || !last) return message('shelf.still');
  return message('shelf.stillFor', {
    cents: Math.max(1, Math.ceil(most)),
    time: durationInWords((last.to - first.from) / 1000),
  });
}

/**
 * When an instrument is due.
 * @param pending while its drift is still worked out: until then nothing is said that may turn out wrong
 */
export function needInWords(need: Need, clock: Clock, pending = false): Message {
  if (pending && need.kind === 'probably right') return message('shelf.dueUnknown');
  switch (need.kind) {
    case 'now':
      return sameDay(need.since, clock.now, clock.zone)
        ? message('shelf.dueToday')
        : message('shelf.dueSince', { day: moment(need.since, clock, 'spoken day') });
    case 'probably right':
      return need.until === null
        ? message('shelf.noHurry')
        : message('shelf.dueOn', { day: moment(need.until, clock, 'spoken day') });
    case 'resting':
      return message('shelf.noHurry');
  }
}

/** Where more of it goes by stiffness than this, it is said; and where less than the other. */
const SHARED = { byStiffness: 0.6, alike: 0.4 } as const;

/** What a week does, and how the strings share what all do alike. */
export function weekInWords({ weekly, byStiffness }: Pick<Drift, 'weekly' | 'byStiffness'>): Text {
  return [
    message('log.week', { together: weekly.air, each: weekly.chance }),
    byStiffness > SHARED.byStiffness
      ? message('log.stifferMore')
      : byStiffness < SHARED.alike
        ? message('log.allAlike')
        : message('log.stifferUnknown'),
  ];
}

/** How much of what all did alike the humidity explains. */
export function withAirInWords({ perTenPercent, error, explains, spans }: WithAir): Text {
  return [
    message('log.humidity', { cents: signed(perTenPercent), error }),
    message('log.humidityExplains', { percent: 100 * explains, times: spans }),
  ];
}

const VERDICTS = {
  'still good': 'good',
  tired: 'tired',
  change: 'change',
  'not known': 'unknown',
} as const satisfies Readonly<Record<WearVerdict, string>>;

/** How worn the strings are, and by what. */
export function wearInWords(verdict: WearVerdict, signs: readonly Sign[]): Sentence {
  return {
    say: message('log.wear', { verdict: VERDICTS[verdict] }),
    more: signs.map(signInWords),
  };
}

function signInWords({ kind, figure, course }: Sign): Message {
  const string = course ?? 0;
  const size = Math.abs(figure);
  switch (kind) {
    case 'age':
      return message('log.wearAge', { time: durationInWords(figure * 86_400) });
    case 'played':
      return message('log.wearPlayed', { days: Math.round(figure) });
    case 'dull':
      return message('log.wearDull', {
        way: figure > 0 ? 'weaker' : 'stronger',
        string,
        decibels: size,
      });
    case 'stiffness':
      return message('log.wearStiffness', { string, percent: Math.round(100 * figure) });
    case 'false':
      return message('log.wearFalse', { string, cents: size });
    case 'scatter':
      return message('log.wearScatter', { string, cents: figure });
    case 'off law':
      return message('log.wearOffLaw', {
        way: figure > 0 ? 'further' : 'nearer',
        string,
        cents: size,
      });
  }
}

/** How many sets to have. */
export function sparesInWords(sort: string, { used, instruments, have }: Spares): Message {
  return message('log.spares', { sort, have, used, instruments });
}
