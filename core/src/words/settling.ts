import {
  type Doubt,
  isNight,
  type Odd,
  ROOM_DECIDES,
  type StringSettling,
  type Verdict,
} from '../settling/index.ts';
import type { Step } from '../sitting/index.ts';
import type { EpochMs } from '../units.ts';
import { whenInWords } from './dates.ts';
import { counted, durationInWords, shortDuration, signedCents } from './figures.ts';
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

/** Whether a string holds a lesson, once it is at its note. */
export function verdictInWords(verdict: Verdict, { now, zone, reader }: Clock): string {
  switch (verdict.kind) {
    case 'more readings':
      return `needs ${counted(verdict.wanted, 'more reading')}`;
    case 'cannot tell':
      return 'cannot tell';
    case 'holds':
      return 'yes';
    case 'rounds':
      return `in ${counted(verdict.rounds.expected, 'round')}`;
    case 'wait':
      return `from ${whenInWords(now + 1000 * verdict.wait.expected, zone, now, reader)} on`;
    case 'not soon':
      return 'not within 14 days';
  }
}

/** The same for the whole instrument, by its worst string. */
export function headlineOf(worst: StringSettling, minutes: number, clock: Clock): string {
  const { verdict, history } = worst;
  const lesson = lessonInWords(minutes);
  switch (verdict.kind) {
    case 'holds':
      return `Holds ${lesson}.`;
    case 'rounds':
      return `Holds ${lesson} ${verdictInWords(verdict, clock)}: string ${history.course} needs most.`;
    case 'wait':
      return `Holds ${lesson} ${verdictInWords(verdict, clock)}, left alone: string ${history.course} takes longest.`;
    case 'not soon':
      return `String ${history.course} will not hold ${lesson} within 14 days.`;
    case 'cannot tell':
      return `Cannot tell whether it holds ${lesson}: string ${history.course} does not settle as strings do.`;
    case 'more readings':
      return `Too early to tell: string ${history.course} ${verdictInWords(verdict, clock)}.`;
  }
}

/** How sure that is, where it is a figure. */
export function verdictSpan(verdict: Verdict): string {
  if (verdict.kind === 'rounds') {
    const { low, high } = verdict.rounds;
    return low === high ? '' : `${low} to ${Number.isFinite(high) ? high : 'many'}`;
  }
  if (verdict.kind === 'wait')
    return `${shortDuration(verdict.wait.low)} to ${shortDuration(verdict.wait.high)}`;
  return '';
}

const FORTNIGHT = 14 * 86_400;

/** A hold time with its interval. */
export function holdInWords({ hold, holdFromNote }: StringSettling): string {
  const span = hold && hold.expected > 0 ? hold : holdFromNote;
  if (!span) return '';
  const until = (seconds: number) => (seconds >= FORTNIGHT ? '14 days +' : shortDuration(seconds));
  const room = span.expected > ROOM_DECIDES ? ', if the room stays' : '';
  return `${until(span.expected)} (${until(span.low)} to ${until(span.high)})${room}`;
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
        ask: `String ${course} fell by ${doubt.cents.toFixed(1)} cents, more than it can by itself.`,
        answers: ['stretched', 'retuned', 'room', 'new string', 'left out'],
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

const ODD_WORDS: Readonly<Record<Odd['why'], string>> = {
  'drops do not shrink': 'drops as much in the last round as in the first',
  'follows neither law': 'does not settle as strings do',
  'holds far shorter': 'holds far shorter than the others',
};

/** What is odd about a string. @example oddInWords({ course: 3, why: 'holds far shorter' }) // => 'String 3 holds far shorter than the others.' */
export function oddInWords({ course, why }: Odd): string {
  return `String ${course} ${ODD_WORDS[why]}.`;
}

/** The same, with what to do. */
export function oddTaskInWords(odd: Odd): string {
  return `${oddInWords(odd).slice(0, -1)}: look at its winding and its peg.`;
}

/** The question about a reading as what is said. */
export function doubtInWords(course: number, doubt: Doubt): Sentence {
  return {
    say: questionOf(course, doubt).ask,
    more: 'Its reading is kept; it counts once you have answered.',
  };
}
