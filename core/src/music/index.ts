export type { Accidental } from './notes.ts';
export { bothNames, nearestNote, noteName, notesToPass, parseNote } from './notes.ts';
export { A4_RANGE, centsBetween, hzToMidi, midiToHz, STANDARD_A4, shiftHz } from './pitch.ts';
export type { InstrumentKind, Target, Tuning } from './tunings.ts';
export { findTuning, TUNINGS, targetsOf } from './tunings.ts';
