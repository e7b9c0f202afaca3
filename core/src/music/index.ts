export { findTuning, TUNINGS } from './catalogue.ts';
export type { ChordName } from './chords.ts';
export { chordOf, pureOffsets } from './chords.ts';
export type { Accidental } from './notes.ts';
export { bothNames, nearestNote, noteName, notesToPass, parseNote } from './notes.ts';
export { A4_RANGE, centsBetween, hzToMidi, midiToHz, STANDARD_A4, shiftHz } from './pitch.ts';
export { findTunings, notesInWords, oneStringAway, openChord, tuningsFor } from './search.ts';
export type { InstrumentKind, Target, Tuning } from './tunings.ts';
export { targetsOf } from './tunings.ts';
