export type { Sound, WavEncoding } from './wav.ts';
export { mixDown, readWav, writeWav } from './wav.ts';
