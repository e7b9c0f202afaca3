export { type SoundedCheck, soundCheck } from './check.ts';
export type { PracticeSetup } from './instrument.ts';
export { PracticeInstrument } from './instrument.ts';
export { referenceTone, sustainedTone } from './reference.ts';
export type { Timbre } from './voice.ts';
export { drawTimbre, glideMean, Voice } from './voice.ts';
