export type { PracticeSetup } from './instrument.ts';
export { PracticeInstrument } from './instrument.ts';
export { referenceTone } from './reference.ts';
