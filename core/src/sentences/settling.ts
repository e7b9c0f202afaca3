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
import { durationInWords, shortDuration } from './figures.ts';

/** @example lessonInWords(45) // ‘a 45-minute lesson’ */
export function lessonInWords(minutes: number): Message {
  return message('settle.lesson', { minutes });
}

/** When to check again; what came due in the night waits for the morning. */
export function lookInWords(at: number, clock: Clock): Message {
  const when = moment(at, clock, 'spoken moment');
  if (at > clock.now) return message('settle.lookAt', { when });
  return isNight(clock.now, clock.zone)
    ? message('settle.lookMorning', { when })
    : message('settle.lookNow', { when });
}

/** What must be held: the class that is planned, or a lesson from now on. @example ‘the class today 16:00’ */
export function lessonAsked(minutes: number, lessonAt: EpochMs | null, clock: Clock): Message {
  return lessonAt === null
    ? lessonInWords(minutes)
    : message('settle.class', { when: moment(lessonAt, clock, 'spoken moment') });
}

/** A probability as it is said. @example chanceInWords(0.81) // ‘8 in 10’ */
export function chanceInWords(probability: number): Message {
  return message('settle.chance', { tenths: Math.round(10 * probability) });
}

/** Whether a string holds the lesson, once it is brought to its note. */
export function lessonChance({ holds, lifted }: StringSettling): Message {
  return holds
    ? message('settle.holds')
    : message('settle.lessonChance', { chance: chanceInWords(lifted.lesson) });
}

/** A string as it stands. @param left what is left of its promise @example ‘sure 38 min’ */
export function standsInWords({ stands, lifted }: StringSettling, left: Seconds): Message {
  if (!stands) return message('settle.notInTune', { time: shortDuration(lifted.promise) });
  return left > 0
    ? message('settle.sure', { time: shortDuration(left) })
    : message('settle.noLongerSure');
}

/** The same with the lesson, where it is in tune. @example ‘sure 38 min · lesson 9 in 10’ */
export function standingInWords(string: StringSettling, left: Seconds): Message {
  const standing = standsInWords(string, left);
  return string.stands
    ? message('settle.standing', { standing, lesson: lessonChance(string) })
    : standing;
}

/** How sure the instrument is: until when, and what of the lesson; null without strings. @param at the moment it was judged at */
export function sureInWords(
  strings: readonly StringSettling[],
  at: EpochMs,
  clock: Clock,
): Text | null {
  const worst = weakest(strings);
  if (!worst) return null;
  const { promise } = outlookNow(worst);
  const out = strings.filter(({ stands }) => !stands).map(({ history }) => history.course);
  if (out.length > 0)
    return message('settle.someNotInTune', {
      count: out.length,
      strings: list(out),
      time: durationInWords(promise),
    });
  const until = at + 1000 * promise;
  const sure =
    until > clock.now ? [message('settle.sureUntil', { when: moment(until, clock, 'time') })] : [];
  return [...sure, ...chanceOfAll(strings)];
}

/** The lesson by the string that is least likely to hold it; nothing where all do. */
function chanceOfAll(strings: readonly StringSettling[]): readonly Message[] {
  const open = strings.filter(({ holds }) => !holds);
  const [first] = [...open].sort((a, b) => a.lifted.lesson - b.lifted.lesson);
  return first
    ? [
        message('settle.lessonByString', {
          chance: chanceInWords(first.lifted.lesson),
          string: first.history.course,
        }),
      ]
    : [];
}

const FORTNIGHT = 14 * 86_400;

/** A hold time with its interval of 80 %. @example ‘1 h (25 min to 3 h)’ */
export function holdInWords({ hold: { expected, low, high } }: Outlook): Message {
  const until = (seconds: Seconds) =>
    seconds >= FORTNIGHT ? message('settle.fortnight') : shortDuration(seconds);
  return message('settle.hold', { expected: until(expected), low: until(low), high: until(high) });
}

/** What is odd about a string, with what was seen; null where it is sound. */
export function slipsInWords({ history, slips }: StringSettling): Message | null {
  const { seen, named } = slips;
  if (!named) return null;
  return message('settle.slips', {
    string: history.course,
    times: seen.length,
    drops: list(seen.map((cents) => Math.round(cents))),
  });
}

/** What a reading was, as a word. */
export function settlingStepInWords(step: Step): Message {
  return message('settle.step', { step: STEPS[step] });
}

const STEPS = {
  first: 'first',
  again: 'again',
  waited: 'waited',
  played: 'played',
  stretched: 'stretched',
  'brought up': 'broughtUp',
  'let down': 'letDown',
  retuned: 'retuned',
  room: 'room',
  'new string': 'newString',
  'left out': 'leftOut',
} as const satisfies Readonly<Record<Step, string>>;

/** What is asked about a reading, and what it may be. */
export function questionOf(
  course: number,
  doubt: Doubt,
): { readonly ask: Message; readonly answers: readonly Step[] } {
  switch (doubt.kind) {
    case 'rose':
      return {
        ask: message('settle.rose', { string: course, cents: signed(doubt.cents) }),
        answers: ['retuned', 'room', 'new string', 'left out'],
      };
    case 'fell':
      return {
        ask: message('settle.fell', { string: course, cents: doubt.cents }),
        answers: ['waited', 'stretched', 'retuned', 'room', 'new string', 'left out'],
      };
    case 'another string':
      return {
        ask: message('settle.swapped', { string: course, other: doubt.like }),
        answers: ['left out', 'retuned', 'new string'],
      };
    case 'clock back':
      return {
        ask: message('settle.clockBack', { time: durationInWords(doubt.byMs / 1000) }),
        answers: [],
      };
  }
}

/** The question about a reading as what is said. */
export function doubtInWords(course: number, doubt: Doubt): Sentence {
  return {
    say: questionOf(course, doubt).ask,
    more: message('settle.doubt.more'),
  };
}
