export { type SoundedCheck, soundCheck } from './check.ts';
export { type Creep, creepAt } from './creep.ts';
export { cueTone } from './cue.ts';
export { practiceDetune } from './detune.ts';
export { freshCreep } from './fresh.ts';
export type { NeckFaults, Press } from './fretting.ts';
export { frettedCents, GOOD_NECK, MADE_NECK } from './fretting.ts';
export type { NewString, PracticeSetup } from './instrument.ts';
export { PracticeInstrument } from './instrument.ts';
export { LOUDNESS_RATE, limited, loudness } from './loudness.ts';
export {
  BEAT_LASTS,
  beatNotes,
  type EarNote,
  pairNotes,
  SECOND_AT,
  SECOND_CHORD_AT,
  STRUM_HEARD,
  sounded,
  strummed,
  twoNotes,
  USUAL_LUFS,
} from './question.ts';
export { referenceTone, sustainedTone } from './reference.ts';
export type { Timbre } from './voice.ts';
export { drawTimbre, glideMean, Voice } from './voice.ts';
export {
  type AirDay,
  airOfAYear,
  type LivedYear,
  livedThrough,
  type Moved,
  type YearPlan,
  type YearReading,
  type YearSitting,
} from './year.ts';
