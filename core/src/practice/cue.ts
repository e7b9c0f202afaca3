import type { Hz, Seconds } from '../units.ts';

/** Two tones a fifth apart: they rise for what is right, and fall for what is not. */
const LOW: Hz = 660;
const HIGH: Hz = 990;
const EACH: Seconds = 0.13;
/** Each tone comes and goes over so long, so that it does not click. */
const FADE: Seconds = 0.02;
const LOUDNESS = 0.5;

/** What is sounded where a machine has no voice to say that a string is in tune, or that it is not. Samples from −1 to 1. */
export function cueTone(rising: boolean, sampleRate: Hz): Float32Array<ArrayBuffer> {
  const each = Math.round(EACH * sampleRate);
  const fade = FADE * sampleRate;
  const tones = rising ? [LOW, HIGH] : [HIGH, LOW];
  const samples = new Float32Array(tones.length * each);
  tones.forEach((hz, nth) => {
    for (let i = 0; i < each; i++) {
      const swell = Math.min(1, i / fade, (each - i) / fade);
      samples[nth * each + i] = LOUDNESS * swell * Math.sin((2 * Math.PI * hz * i) / sampleRate);
    }
  });
  return samples;
}
