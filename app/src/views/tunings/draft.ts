import { writeScale } from '@rosefinch/core/formats';
import {
  accidentalFor,
  chordOf,
  type NoteNames,
  type NoteStyle,
  noteName,
  type OwnTuning,
  offsetsOf,
  parseSteps,
  parseTuning,
  scaleOf,
  type Temper,
  type Tuning,
} from '@rosefinch/core/music';
import type { Cents, Midi } from '@rosefinch/core/units';

/** A tuning that is being made, from one that is known. */
export interface Draft {
  readonly id: string;
  readonly name: string;
  readonly from: Tuning;
  /** Course 1 first. */
  readonly notes: readonly number[];
  /** How far each string was from its note when it was played, in cents; 0 where it was not. */
  readonly heard: readonly number[];
  /** Spelling that was chosen; by its key unless said. */
  readonly spelling: 'by its key' | 'sharp' | 'flat';
  readonly temper: Temper;
}

/** A draft of a tuning as it is, to be changed or to begin another one with. */
export function draftOf(tuning: Tuning, from: Tuning, id: string, name: string): Draft {
  const notes = tuning.courses.map(([midi]) => midi ?? 0);
  return {
    id,
    name,
    from,
    notes,
    heard: notes.map(() => 0),
    spelling: accidentalFor(notes) === tuning.accidental ? 'by its key' : tuning.accidental,
    temper: tuning.temper ?? { kind: 'equal' },
  };
}

/** The tuning that a draft makes. */
export function tuningOf({ id, name, from, notes, spelling, temper }: Draft): OwnTuning {
  return {
    id,
    name: name.trim(),
    kind: from.kind,
    courses: notes.map((midi) => [midi]),
    accidental: spelling === 'by its key' ? accidentalFor(notes) : spelling,
    ...(temper.kind !== 'equal' && { temper }),
  };
}

/** The draft with notes as they were typed. @throws FormatError */
export function withNotes(draft: Draft, text: string, names: NoteNames): Draft {
  return retyped(draft, parseTuning(text, homeNotes(draft), names));
}

/** The draft with steps from the tuning it began with. @throws FormatError */
export function withSteps(draft: Draft, text: string): Draft {
  return retyped(draft, parseSteps(text, homeNotes(draft)));
}

/** The draft with one string as it was played. */
export function withPlayed(draft: Draft, course: number, midi: Midi, cents: Cents): Draft {
  const at = <T>(list: readonly T[], value: T) =>
    list.map((x, i) => (i === course - 1 ? value : x));
  return { ...draft, notes: at(draft.notes, midi), heard: at(draft.heard, cents) };
}

function retyped(draft: Draft, notes: readonly number[]): Draft {
  return { ...draft, notes, heard: notes.map(() => 0) };
}

function homeNotes({ from }: Draft): number[] {
  return from.courses.map(([midi]) => midi ?? 0);
}

/** Notes of a draft as they are typed, the highest-numbered course first. */
export function notesText(draft: Draft, style: NoteStyle): string {
  const { accidental } = tuningOf(draft);
  return draft.notes
    .map((midi) => noteName(midi, accidental, style))
    .reverse()
    .join(' ');
}

/** Steps of a draft as they are typed. */
export function stepsText(draft: Draft): string {
  const home = homeNotes(draft);
  return draft.notes
    .map((midi, i) => signed(midi - (home[i] ?? midi)))
    .reverse()
    .join(' ');
}

function signed(steps: number): string {
  if (steps === 0) return '0';
  return steps > 0 ? `+${steps}` : `−${-steps}`;
}

/** The root that a pure chord is built on unless another is chosen: the open chord's, else the lowest note. */
export function rootOf(notes: readonly number[]): number {
  return chordOf(notes)?.root ?? ((Math.min(...notes) % 12) + 12) % 12;
}

/** The open strings of a tuning as a scale above its root, in the open format .scl. */
export function scaleText(tuning: Tuning, name: string): string {
  const notes = tuning.courses.map(([midi]) => midi ?? 0);
  const scale = scaleOf(name, notes, offsetsOf(notes, tuning.temper), rootOf(notes));
  return writeScale(scale, name);
}
