import {
  type Doubt,
  isNight,
  type Outlook,
  outlookNow,
  type StringSettling,
  weakest,
} from '../settling/index.ts';
import type { Step } from '../sitting/index.ts';
import type { EpochMs, Seconds } from '../units.ts';
import { fixed } from '../writing.ts';
import { whenInWords } from './dates.ts';
import { durationInWords, shortDuration, signedCents } from './figures.ts';
import type { Sentence } from './sentence.ts';

/** @example lessonInWords(45) // => 'a 45-minute lesson' */
export function lessonInWords(minutes: number): string {
  return `a ${minutes}-minute lesson`;
}

/** What time it is, and where. */
export interface Clock {
  readonly now: EpochMs;
  readonly zone: string;
  /** Language by whose custom dates are written. */
  readonly reader: string;
}

/** When to look again; what came due in the night waits for the morning. */
export function lookInWords(at: number, { now, zone, reader }: Clock): string {
  const when = whenInWords(at, zone, now, reader);
  if (at > now) return `Look again ${when}`;
  return `${isNight(now, zone) ? 'Look in the morning' : 'Look now'}: due since ${when}`;
}

/** A moment ahead, its day only where that is not today. @example '16:45' */
export function soonInWords(at: EpochMs, { now, zone, reader }: Clock): string {
  return whenInWords(at, zone, now, reader).replace('today ', '');
}

/** What must be held: the class that is planned, or a lesson from now on. @example 'the class today 16:00' */
export function lessonAsked(
  minutes: number,
  lessonAt: EpochMs | null,
  { now, zone, reader }: Clock,
): string {
  return lessonAt === null
    ? lessonInWords(minutes)
    : `the class ${whenInWords(lessonAt, zone, now, reader)}`;
}

/** A probability as it is said. @example chanceInWords(0.81) // => '8 in 10' */
export function chanceInWords(probability: number): string {
  const tenths = Math.round(10 * probability);
  if (tenths >= 10) return 'nearly sure';
  return tenths === 0 ? 'hardly' : `${tenths} in 10`;
}

/** Whether a string holds the lesson, once it is brought to its note. */
export function lessonChance({ holds, lifted }: StringSettling): string {
  return holds ? 'holds the lesson' : `lesson ${chanceInWords(lifted.lesson)}`;
}

/** A string as it stands. @param left what is left of its promise @example 'sure 38 min' */
export function standsInWords({ stands, lifted }: StringSettling, left: Seconds): string {
  if (!stands) return `not in tune · once up, sure ${shortDuration(lifted.promise)}`;
  return left > 0 ? `sure ${shortDuration(left)}` : 'no longer sure';
}

/** The same with the lesson, where it is in tune. @example 'sure 38 min · lesson 9 in 10' */
export function standingInWords(string: StringSettling, left: Seconds): string {
  const standing = standsInWords(string, left);
  return string.stands ? `${standing} · ${lessonChance(string)}` : standing;
}

/** How sure the instrument is: until when, and what of the lesson. @param at the moment it was judged at */
export function sureInWords(strings: readonly StringSettling[], at: EpochMs, clock: Clock): string {
  const { now } = clock;
  const worst = weakest(strings);
  if (!worst) return '';
  const { promise } = outlookNow(worst);
  const out = strings.filter(({ stands }) => !stands).map(({ history }) => history.course);
  if (out.length > 0) {
    const they = out.length > 1 ? 's' : '';
    return `String${they} ${out.join(', ')} not in tune. Once up, sure for ${durationInWords(promise)}.`;
  }
  const until = at + 1000 * promise;
  const sure =
    until > now ? `Sure until ${soonInWords(until, clock)}, if the room stays as it is.` : '';
  return [sure, chanceOfAll(strings)].filter(Boolean).join(' ');
}

/** The lesson by the string that is least likely to hold it; nothing where all do. */
function chanceOfAll(strings: readonly StringSettling[]): string {
  const open = strings.filter(({ holds }) => !holds);
  const [first] = [...open].sort((a, b) => a.lifted.lesson - b.lifted.lesson);
  return first
    ? `The lesson: ${chanceInWords(first.lifted.lesson)}, by string ${first.history.course}.`
    : '';
}

const FORTNIGHT = 14 * 86_400;

/** A hold time with its interval of 80 %. @example '1 h (25 min to 3 h)' */
export function holdInWords({ hold: { expected, low, high } }: Outlook): string {
  const until = (seconds: number) => (seconds >= FORTNIGHT ? '14 days +' : shortDuration(seconds));
  return `${until(expected)} (${until(low)} to ${until(high)})`;
}

/** What is odd about a string, with what was seen; null where it is sound. */
export function slipsInWords({ history, slips }: StringSettling): string | null {
  const { seen, named } = slips;
  if (!named) return null;
  const drops = seen.map((cents) => fixed(cents)).join(', ');
  return `String ${history.course} let go by itself ${seen.length} times (${drops} cents): look at its winding and its peg.`;
}

export const STEP_WORDS: Readonly<Record<Step, string>> = {
  first: 'first reading',
  again: 'read again',
  waited: 'dropped by itself',
  played: 'dropped while played',
  stretched: 'pulled',
  'brought up': 'brought up',
  'let down': 'let down',
  retuned: 'tuned, unheard',
  room: 'moved by the room',
  'new string': 'another new string',
  'left out': 'left out',
};

/** What is asked about a reading, and what it may be. */
export function questionOf(
  course: number,
  doubt: Doubt,
): { readonly ask: string; readonly answers: readonly Step[] } {
  switch (doubt.kind) {
    case 'rose':
      return {
        ask: `String ${course} is ${signedCents(doubt.cents)} cents from where you left it. A string does not rise by itself.`,
        answers: ['retuned', 'room', 'new string', 'left out'],
      };
    case 'fell':
      return {
        ask: `String ${course} fell by ${fixed(doubt.cents, 1)} cents, more than it can by itself.`,
        answers: ['waited', 'stretched', 'retuned', 'room', 'new string', 'left out'],
      };
    case 'another string':
      return {
        ask: `Put to string ${course}, this sounds like string ${doubt.like}. Were the two swapped?`,
        answers: ['left out', 'retuned', 'new string'],
      };
    case 'clock back':
      return {
        ask: `The clock went back by ${durationInWords(doubt.byMs / 1000)}. How long is it since the reading before?`,
        answers: [],
      };
  }
}

/** The question about a reading as what is said. */
export function doubtInWords(course: number, doubt: Doubt): Sentence {
  return {
    say: questionOf(course, doubt).ask,
    more: 'Its reading is kept; it counts once you have answered.',
  };
}
