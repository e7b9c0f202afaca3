export { type CapoWay, capoBetween, capoWays } from './capo.ts';
export { findTuning, TUNINGS } from './catalogue.ts';
export type { ChordName } from './chords.ts';
export { chordOf, pureOffsets } from './chords.ts';
export { movesBetween, type Neighbour, neighboursOf, type StringMove } from './neighbours.ts';
export type { Accidental, NoteNames, NoteStyle } from './notes.ts';
export {
  bothNames,
  ENGLISH_NOTES,
  nearestNote,
  noteName,
  notesToPass,
  parseNote,
  plainSigns,
  readNote,
} from './notes.ts';
export { accidentalFor, parseSteps, parseTuning } from './own.ts';
export {
  type InCourse,
  inPairs,
  PAIRINGS,
  type Pairing,
  pairingOf,
  singleTuningId,
  stringsOfPairing,
} from './pairs.ts';
export { A4_RANGE, centsBetween, hzToMidi, midiToHz, STANDARD_A4, shiftHz } from './pitch.ts';
export { centsOfStep, type Scale, type ScaleStep, scaleOf, scaleOffsets } from './scale.ts';
export { findTunings, notesInWords, openChord, tuningsFor } from './search.ts';
export { targetNote, targetsOf } from './targets.ts';
export { offsetsOf, type Temper } from './temper.ts';
export type { InstrumentKind, OwnTuning, Target, Tuning } from './tunings.ts';
