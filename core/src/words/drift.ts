import type { Drift, Sign, Spares, WearVerdict, WithAir } from '../drift/index.ts';
import type { Need } from '../rounds/index.ts';
import type { PegKind } from '../strings/index.ts';
import type { EpochMs } from '../units.ts';
import { fixed } from '../writing.ts';
import { dayAsSaid } from './dates.ts';
import { counted, durationInWords, signedCents } from './figures.ts';
import type { Sentence } from './sentence.ts';
import type { Clock } from './settling.ts';

const DAY_MS = 86_400_000;

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
  /** It was out of the house within its last sittings. */
  readonly wasLent: boolean;
  readonly sittings: number;
  readonly pegs: PegKind;
  readonly withAir: WithAir | null;
}

/** New strings are spoken of for so long. */
const NEW_FOR_DAYS = 14;
/** What the air did lately is told where it is more than this, cents. */
const SPOKEN_OF = 3;
/** The air's moisture is named where it explains so much of what all did alike. */
const EXPLAINS = 0.3;

/** One sentence that says what is going on with an instrument. */
export function diagnosisInWords(facts: RowFacts, clock: Clock): string {
  const { need, drift, pending, fittedAt, leftOff, lent, sittings } = facts;
  if (lent) return 'Lent out.';
  if (sittings === 0) return 'Not looked at yet.';
  if (need.kind === 'resting' && need.since !== null)
    return `Not read since ${dayAsSaid(need.since, clock.zone, clock.now, clock.reader)}.`;
  if (fittedAt !== null && clock.now - fittedAt < NEW_FOR_DAYS * DAY_MS)
    return newInWords(drift, fittedAt, clock);
  if (leftOff)
    return `Left with string ${leftOff.course} ${fixed(Math.abs(leftOff.cents))} cents ${leftOff.cents < 0 ? 'low' : 'high'}.`;
  if (drift) return causeInWords(drift, facts);
  return pending ? 'One moment …' : 'Why it drifts could not be worked out.';
}

function newInWords(drift: Drift | null, fittedAt: EpochMs, { now }: Clock): string {
  const age = durationInWords((now - fittedAt) / 1000);
  const last = drift?.spans.at(-1);
  const falls = last?.own.flatMap((cents) => (cents === null ? [] : -(cents + last.common))) ?? [];
  const most = Math.max(0, ...falls);
  const fell = last && last.to > fittedAt && most > 1;
  return `New strings, ${age} old${fell ? `: fell up to ${fixed(most)} cents since the look before` : ''}.`;
}

/** What keeps it from staying where it was left. */
export function causeInWords(
  drift: Drift,
  { pegs, withAir, sittings, wasLent }: Omit<RowFacts, 'need'>,
): string {
  const [course = 0] = drift.courses;
  switch (drift.cause) {
    case 'not enough':
      return `Looked at ${counted(sittings, 'time')}: why it drifts is told after four sittings.`;
    case 'peg':
      return pegInWordsOf(drift, pegs);
    case 'new strings':
      return `Its strings were new: ${fallOf(drift)} lately. They calm down by themselves.`;
    case 'handled':
      return wasLent
        ? 'Its strings moved every way, each its own, while it was lent.'
        : 'Its strings moved every way, each its own: hands, not the air.';
    case 'one string':
      return `String ${course} alone wanders, up and down: worn, or its winding sits loosely.`;
    case 'air':
      return airInWords(drift, withAir);
    case 'still':
      return stillInWords(drift);
  }
}

function pegInWordsOf({ strings, courses }: Drift, pegs: PegKind): string {
  const [course = 0] = courses;
  const weekly = strings.find((string) => string.course === course)?.weekly ?? 0;
  const which =
    courses.length > 1 ? `Strings ${courses.join(' and ')} drop` : `String ${course} alone drops`;
  const mend =
    pegs === 'geared' ? 'Look at its winding and its screw.' : 'Tighten the screw of the peg.';
  return `${which}, about ${fixed(weekly)} cents a week: its peg slips. ${mend}`;
}

function fallOf({ spans }: Drift): string {
  const falls = spans.map(({ common, own }) =>
    Math.max(0, ...own.map((c) => -((c ?? 0) + common))),
  );
  return `fell up to ${fixed(Math.max(0, ...falls.slice(-4)))} cents`;
}

function airInWords({ spans, weekly }: Drift, air: WithAir | null): string {
  const last = spans.at(-1);
  const why =
    air && air.explains >= EXPLAINS ? (air.perTenPercent > 0 ? 'dry air' : 'damp air') : 'the air';
  if (last && Math.abs(last.common) >= SPOKEN_OF) {
    const low = last.common < 0;
    // What lowers it when the air is dry raises it when it is damp.
    const named =
      why === 'the air' || !air ? why : air.perTenPercent > 0 === low ? 'dry air' : 'damp air';
    return `All went about ${fixed(Math.abs(last.common))} cents ${low ? 'low' : 'high'} alike: ${named}, not the pegs.`;
  }
  return `All go up and down alike, about ${counted(Math.max(1, Math.round(weekly.air)), 'cent')} a week: the air, not the pegs.`;
}

function stillInWords({ spans }: Drift): string {
  const lately = spans.slice(-3);
  const first = lately[0];
  const last = lately.at(-1);
  const most = Math.max(
    0,
    ...lately.flatMap(({ common, own }) =>
      own.map((cents) => (cents === null ? 0 : Math.abs(cents + common))),
    ),
  );
  if (!first || !last) return 'Nothing moved. One strum will do.';
  const time = durationInWords((last.to - first.from) / 1000);
  return `Nothing moved by more than ${Math.max(1, Math.ceil(most))} cents in ${time}. One strum will do.`;
}

/** When it is due, for the right end of a row. */
export function needInWords(need: Need, clock: Clock): string {
  const { zone, now, reader } = clock;
  switch (need.kind) {
    case 'now': {
      const day = dayAsSaid(need.since, zone, now, reader);
      return day === 'today' ? 'due today' : `due since ${day}`;
    }
    case 'probably right':
      return need.until === null ? 'no hurry' : dayAsSaid(need.until, zone, now, reader);
    case 'resting':
      return 'no hurry';
  }
}

/** Where more of it goes by stiffness than this, it is said; and where less than the other. */
const SHARED = { byStiffness: 0.6, alike: 0.4 } as const;

/** What a week does, and how the strings share what all do alike. */
export function weekInWords({
  weekly,
  byStiffness,
}: Pick<Drift, 'weekly' | 'byStiffness'>): string {
  const shared =
    byStiffness > SHARED.byStiffness
      ? 'The stiffer a string for its load, the more it goes along.'
      : byStiffness < SHARED.alike
        ? 'All go along by the same.'
        : 'Whether the stiffer ones go along more cannot be told yet.';
  return (
    `A week moves all strings by about ${fixed(weekly.air, 1)} cents together, ` +
    `and each by ${fixed(weekly.chance, 1)} cents by chance. ${shared}`
  );
}

/** How much of what all did alike the humidity explains. */
export function withAirInWords({ perTenPercent, error, explains, spans }: WithAir): string {
  return (
    `Ten per cent more humidity move all strings by ${signedCents(perTenPercent)} cents (± ${fixed(error, 1)}). ` +
    `That explains ${Math.round(100 * explains)} % of what they did alike, over ${spans} times.`
  );
}

const VERDICTS: Readonly<Record<WearVerdict, string>> = {
  'still good': 'Still good.',
  tired: 'Tired.',
  change: 'Change them.',
  'not known': 'Nobody has said when they were put on, and too few plucks were heard.',
};

/** How worn the strings are, and by what. */
export function wearInWords(verdict: WearVerdict, signs: readonly Sign[]): Sentence {
  return { say: VERDICTS[verdict], more: signs.map(signInWords).join(' ') };
}

function signInWords({ kind, figure, course }: Sign): string {
  const of = course === null ? '' : `string ${course}`;
  switch (kind) {
    case 'age':
      return `They are ${durationInWords(figure * 86_400)} old.`;
    case 'played':
      return `They were played on about ${counted(Math.round(figure), 'day')}.`;
    case 'dull':
      return `High partials of ${of} are ${fixed(Math.abs(figure))} dB ${figure > 0 ? 'weaker' : 'stronger'} than when it was new.`;
    case 'stiffness':
      return `Stiffness of ${of} has changed by ${Math.round(100 * figure)} %.`;
    case 'false':
      return `The fret check found ${of} false in itself, by up to ${fixed(Math.abs(figure))} cents.`;
    case 'scatter':
      return `Fretted notes of ${of} lie about by ${fixed(figure, 1)} cents, those of the others do not.`;
    case 'off law':
      return `Partials of ${of} lie ${fixed(Math.abs(figure), 1)} cents ${figure > 0 ? 'further off' : 'nearer to'} a stiff string’s law.`;
  }
}

/** How many sets to have. */
export function sparesInWords(sort: string, { used, instruments, have }: Spares): string {
  return `${sort}: have ${counted(have, 'set')} (${counted(used, 'set')} put on in a year, ${counted(instruments, 'instrument')}).`;
}
