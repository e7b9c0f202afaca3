import { type NoteValue, noteValue } from '../message.ts';
import type { Target } from '../music/index.ts';
import { notesToPass, shiftHz, targetNote } from '../music/index.ts';
import type { BenchState, StringPass, StringReading } from '../sitting/index.ts';
import {
  allInTune,
  currentPass,
  isClosed,
  ledger,
  nextCourse,
  offBy,
  passDone,
  stringOf,
} from '../sitting/index.ts';
import type { Pull } from '../state/index.ts';
import type { TightenDirection } from '../strings/index.ts';
import type { Cents, Hz, Semitones } from '../units.ts';
import type { CoachString, TurnSize } from './heard.ts';

/** Further off than this the notes on the way are named: a display by note names would mislead. */
const FAR_OFF: Cents = 70;
/** A step below this is the fine part. */
const SMALL_STEP: Cents = 6;
/** A string that came down by more than this came from above. */
const FROM_ABOVE: Cents = 2;

/** A string as a player calls it. */
export interface NamedString {
  readonly course: number;
  readonly note: NoteValue;
}

/** The one thing to do now, with what its sentence needs to know. */
export type NextStep =
  | { readonly step: 'pluck any' }
  | { readonly step: 'pluck'; readonly string: NamedString }
  | { readonly step: 'go on'; readonly leftAlone: boolean; readonly next: NamedString | null }
  /** Its pitch still moved, or the note was over before it had come to rest. */
  | { readonly step: 'let it ring'; readonly short: boolean }
  | { readonly step: 'once more'; readonly fromAbove: boolean }
  | {
      readonly step: 'too far';
      readonly tighten: TightenDirection;
      /** Back to the note. */
      readonly turn: TurnSize | null;
    }
  | {
      readonly step: 'far off';
      readonly low: boolean;
      readonly tighten: TightenDirection;
      readonly semitones: Semitones;
      /** The notes to pass, the one to stop at last. */
      readonly notes: readonly [NoteValue, ...NoteValue[]];
      /** All the way; null where nothing is known of the peg. */
      readonly turn: TurnSize | null;
    }
  | {
      readonly step: 'turn';
      readonly low: boolean;
      readonly tighten: TightenDirection;
      /** Null where nothing is known of the peg. */
      readonly turn: TurnSize | null;
      /** The fine part. */
      readonly small: boolean;
      /** In one movement, then the fine part. */
      readonly bold: boolean;
      readonly aim: Cents;
    }
  | { readonly step: 'round again'; readonly most: Moved | null; readonly passes: number | null }
  | { readonly step: 'in tune' };

/** The string that moved most since it was left, and what pulled it. */
export interface Moved {
  readonly string: NamedString;
  readonly cents: Cents;
  readonly pull: Pull | null;
}

/** What is known beside the bench's own state. */
export interface Outlook {
  /** The string that a plan takes next, while there is one. */
  readonly planned?: number | undefined;
  /** Passes still to come, the last look included, as far as can be foretold. */
  readonly passes?: number | undefined;
  /** What pulled a course along since it was left, where the turns of the others explain it. */
  readonly why?: (course: number) => Pull | null;
  /** One bold movement to the pitch and the fine part after it, not many small ones. */
  readonly bold?: boolean;
}

/** The one thing to do now. */
export function nextStep(
  state: BenchState,
  strings: readonly CoachString[],
  a4: Hz,
  outlook: Outlook = {},
): NextStep {
  if (passDone(state)) return afterPass(state, strings, outlook);
  const { planned, bold = false } = outlook;
  const course = state.active ?? planned ?? nextCourse(state, null);
  const entry = course === null ? undefined : stringOf(currentPass(state), course);
  const string = strings.find((s) => s.target.course === course);
  if (!entry || !string) return { step: 'pluck any' };
  const last = entry.readings.at(-1);
  if (!last) return { step: 'pluck', string: named(string.target) };
  if (isClosed(entry)) return goOn(entry, strings, planned ?? nextCourse(state, entry.course));
  if (entry.standing === 'at rest') return atRest(entry, last);
  return turn(entry, last, string, { a4, bold });
}

function named(target: Target): NamedString {
  return { course: target.course, note: targetNote(target) };
}

function goOn(entry: StringPass, strings: readonly CoachString[], wanted: number | null): NextStep {
  const next = strings.find((s) => s.target.course === wanted);
  const leftAlone = entry.standing === 'left alone';
  return { step: 'go on', leftAlone, next: next ? named(next.target) : null };
}

function atRest({ readings }: StringPass, last: StringReading): NextStep {
  const before = readings.at(-2);
  if (last.moving) return { step: 'let it ring', short: false };
  if (last.short && before?.short) return { step: 'let it ring', short: true };
  const fromAbove =
    before !== undefined && before.cents > last.cents + FROM_ABOVE && offBy(before) > FROM_ABOVE;
  return { step: 'once more', fromAbove };
}

function turn(
  { readings }: StringPass,
  last: StringReading,
  { target, tighten, turnsTo }: CoachString,
  { a4, bold }: { readonly a4: Hz; readonly bold: boolean },
): NextStep {
  const off = offBy(last);
  const low = off < 0;
  const aim = last.aim === undefined ? 0 : last.aim;
  const size = turnsTo?.(last.hz, shiftHz(target.hz, aim)) ?? null;
  if (Math.abs(off) > FAR_OFF) {
    // An aim of a semitone or more ends at another note than the string's own.
    const end = target.midi + Math.round(aim / 100);
    const [first = end, ...rest] = notesToPass(last.hz, end, a4);
    return {
      step: 'far off',
      low,
      tighten,
      semitones: Math.abs(off / 100),
      notes: [
        noteValue(first, target.accidental),
        ...rest.map((midi) => noteValue(midi, target.accidental)),
      ],
      turn: size,
    };
  }
  const before = readings.at(-2);
  if (!low && before && offBy(before) < 0) return { step: 'too far', tighten, turn: size };
  const small = Math.abs(off) < SMALL_STEP;
  return { step: 'turn', low, tighten, turn: size, small, bold: bold && !small, aim };
}

function afterPass(
  state: BenchState,
  strings: readonly CoachString[],
  {
    passes = null,
    why,
  }: { readonly passes?: number | null | undefined; readonly why?: Outlook['why'] },
): NextStep {
  if (allInTune(state)) return { step: 'in tune' };
  const rows = ledger(state).flatMap(({ course, moved }) => (moved ? { course, moved } : []));
  const [most] = rows.sort((a, b) => Math.abs(b.moved) - Math.abs(a.moved));
  const string = strings.find((s) => s.target.course === most?.course);
  if (!most || !string) return { step: 'round again', most: null, passes };
  const pull = why ? why(most.course) : null;
  const moved = { string: named(string.target), cents: Math.abs(most.moved), pull };
  return { step: 'round again', most: moved, passes };
}
