import type { Refusal } from '../listen/index.ts';
import { knowledgeOf, whoSounded } from '../listen/index.ts';
import type { Target } from '../music/index.ts';
import { noteName, notesToPass, shiftHz, targetName } from '../music/index.ts';
import { loosen, type TightenDirection, turnInWords } from '../strings/index.ts';
import type { Hz } from '../units.ts';
import type { Pull } from './ahead.ts';
import type { BenchState, StringPass, StringReading } from './bench.ts';
import {
  allInTune,
  currentPass,
  isSettled,
  ledger,
  nextCourse,
  offBy,
  passDone,
  stringOf,
} from './bench.ts';

/** What to do now: one sentence, and one more line of why or how. */
export interface Advice {
  readonly say: string;
  readonly more: string;
}

/** What the adviser knows of a string beside the bench's own state. */
export interface AdviceString {
  readonly target: Target;
  readonly tighten: TightenDirection;
  /** Turns of its button from one pitch to another; a guess where no turn was measured. */
  readonly turnsTo?: (
    fromHz: Hz,
    toHz: Hz,
  ) => { readonly turns: number; readonly guess: boolean } | null;
}

const FAR_OFF = 70;
const SMALL_STEP = 6;

/** What is known beside the bench's own state. */
export interface Outlook {
  /** The string that a plan takes next, while there is one. */
  readonly planned?: number | undefined;
  /** Passes still to come, the last look included, as far as can be foretold. */
  readonly passes?: number | undefined;
  /** What pulled a course along since it was left, where the turns of the others explain it. */
  readonly why?: (course: number) => Pull | null;
  /** Advice for one bold movement to the pitch and the fine part after it, not for many small ones. */
  readonly bold?: boolean;
}

/** The one thing to do now. */
export function adviceFor(
  state: BenchState,
  strings: readonly AdviceString[],
  a4: Hz,
  { planned, passes, why, bold }: Outlook = {},
): Advice {
  if (passDone(state)) return passAdvice(state, strings, passes, why);
  const course = state.active ?? planned ?? nextCourse(state, null);
  const entry = course === null ? undefined : stringOf(currentPass(state), course);
  const string = strings.find((s) => s.target.course === course);
  if (!entry || !string) return { say: 'Pluck any string.', more: '' };
  const name = nameOf(string);
  const last = entry.readings.at(-1);
  if (!last)
    return {
      say: `Pluck ${name}.`,
      more: 'One string at a time; rest a finger on the others.',
    };
  if (isSettled(entry))
    return settledAdvice(entry, strings, planned ?? nextCourse(state, entry.course));
  if (entry.standing === 'at rest') return restAdvice(entry, last);
  return turnAdvice(entry, last, string, a4, bold ?? false);
}

function nameOf({ target }: AdviceString): string {
  return `string ${target.course}, ${targetName(target)}`;
}

function settledAdvice(
  entry: StringPass,
  strings: readonly AdviceString[],
  nextCourse: number | null,
): Advice {
  const next = strings.find((s) => s.target.course === nextCourse);
  const done = entry.standing === 'left alone' ? 'It is right: leave it alone.' : 'Done.';
  return {
    say: next ? `${done} Now ${nameOf(next)}.` : done,
    more: 'Mute this one before you go on.',
  };
}

function restAdvice(entry: StringPass, last: StringReading): Advice {
  if (last.moving)
    return { say: 'Nearly. Let it ring out once.', more: 'The pitch was still moving.' };
  const before = entry.readings.at(-2);
  const fromAbove = before !== undefined && before.cents > last.cents + 2 && offBy(before) > 2;
  return {
    say: 'At rest. Pluck it once more to be sure.',
    more: fromAbove
      ? 'You came down from above: it may slip. Go just below and come up once.'
      : 'Two plucks that agree close this string.',
  };
}

function turnAdvice(
  entry: StringPass,
  last: StringReading,
  { target, tighten, turnsTo }: AdviceString,
  a4: Hz,
  bold: boolean,
): Advice {
  const off = offBy(last);
  const low = off < 0;
  const way = low ? `Tighten, ${tighten}` : `Loosen, ${loosen(tighten)}`;
  if (Math.abs(off) > FAR_OFF) return farAdvice(last, target, way, a4);
  const before = entry.readings.at(-2);
  if (!low && before && offBy(before) < 0)
    return {
      say: 'Too far. Drop just below, then come up.',
      more: `Loosen, ${loosen(tighten)}, then tighten: the last movement is always upward.`,
    };
  const turn = turnsTo?.(last.hz, shiftHz(target.hz, last.aim ?? 0));
  const size = turn ? turnSize(turn) : Math.abs(off) < SMALL_STEP ? 'a hair' : 'a little';
  if (bold && Math.abs(off) >= SMALL_STEP)
    return {
      say: `${low ? 'Low' : 'High'}. In one move: ${way.charAt(0).toLowerCase()}${way.slice(1)}, ${size}.`,
      more: aimInWords(last) ?? 'Then the fine part, upward.',
    };
  const how = low ? 'Sound it, hear it, then turn.' : 'Go a little below, then come up to it.';
  return { say: `${low ? 'Low' : 'High'}. ${way}, ${size}.`, more: aimInWords(last) ?? how };
}

function turnSize({ turns, guess }: { turns: number; guess: boolean }): string {
  return guess ? `${turnInWords(turns)}, at a guess` : turnInWords(turns);
}

/** Why a string is not brought to its target; null where it is. */
function aimInWords({ aim = 0 }: StringReading): string | null {
  if (aim === 0) return null;
  const size = Math.abs(aim).toFixed(0);
  return aim > 0
    ? `Aim +${size}: it will drop as the others are tuned.`
    : `Aim −${size}: it will rise as the others are tuned.`;
}

function farAdvice(last: StringReading, target: Target, way: string, a4: Hz): Advice {
  const notes = notesToPass(last.hz, target.midi, a4).map((midi) =>
    noteName(midi, target.accidental),
  );
  const path = notes.length > 1 ? `On the way: ${notes.join(', ')}.` : `Up to ${notes[0]}.`;
  const low = last.cents < 0;
  const semitones = Math.abs(last.cents / 100).toFixed(1);
  return {
    say: `${low ? 'Far below' : 'Far above'}. ${way}.`,
    more: `${semitones} semitones to go. ${low ? path : path.replace('Up', 'Down')} Slow before the last.`,
  };
}

function passAdvice(
  state: BenchState,
  strings: readonly AdviceString[],
  passes: number | undefined,
  why: Outlook['why'],
): Advice {
  if (allInTune(state))
    return { say: 'In tune. Nothing had to move.', more: 'You can hand it back.' };
  const most = ledger(state)
    .map((row) => ({ row, size: Math.abs(row.moved ?? 0) }))
    .sort((a, b) => b.size - a.size)[0];
  const string = strings.find((s) => s.target.course === most?.row.course);
  const moved =
    most && string && most.size > 0
      ? `${nameOf(string)} moved most: ${most.size.toFixed(1)} cents.`
      : 'Tuning one string moves the others.';
  const pull = most && most.size > 0 ? why?.(most.row.course) : null;
  const because = pull
    ? ` String ${pull.course} pulled it along when it ${pull.cents > 0 ? 'came up' : 'went down'} ${Math.abs(pull.cents).toFixed(0)} cents.`
    : '';
  const left =
    passes === undefined ? '' : passes === 1 ? ' One look should do.' : ` About ${passes} more.`;
  return { say: 'Go round again from the start.', more: `${moved}${because}${left}` };
}

/** The strings that sound at these pitches, as far as they are told: “Strings 5 and 4”, or “Two strings”. */
function stringsAt(pitches: readonly Hz[], targets: readonly Target[]): string {
  const courses = pitches.map((hz) => {
    const identity = whoSounded({ hz }, knowledgeOf(targets, []), null);
    return identity.kind === 'known' ? identity.course : null;
  });
  const [one, other] = courses;
  return one && other && one !== other ? `Strings ${one} and ${other}` : 'Two strings';
}

/** What to say when a pluck gave no reading. */
export function refusalAdvice(refusal: Refusal, targets: readonly Target[] = []): Advice {
  switch (refusal.kind) {
    case 'too quiet':
      return {
        say: 'Too quiet. Pluck a little harder.',
        more: 'Or bring it nearer to the microphone.',
      };
    case 'more than one string':
      return {
        say: `${stringsAt(refusal.hz, targets)} at once. Mute the others.`,
        more: 'Rest your palm on the strings that should be still.',
      };
    case 'interrupted':
      return {
        say: 'The sound broke off for a moment. Pluck again.',
        more: 'The computer was busy; that pluck was not counted.',
      };
    case 'hum only':
      return {
        say: `Only mains hum at ${refusal.mainsHz} Hz. Pluck again.`,
        more: 'Turn the instrument, or move away from lamps and power supplies.',
      };
    case 'not sure':
      return {
        say: 'Not sure. Pluck again.',
        more: REASONS[refusal.reason],
      };
  }
}

const REASONS = {
  'too short': 'Let it ring a little longer.',
  'no pitch': 'That was noise, or no string I could name.',
  unsteady: 'The pitch moved too much to be read.',
  'no pluck': 'That sounded like a voice or a steady tone, no pluck.',
  weak: 'Other sounds were as loud as the string.',
} as const;
