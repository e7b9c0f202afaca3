import { nth, seededRandom } from '../maths/index.ts';
import type { Hz } from '../units.ts';
import { CONTROL_BLOCK, drawTimbre, Voice } from './voice.ts';

const LENGTH_S = 1.6;
const FADE_S = 0.25;

/** A plucked tone whose reported pitch is exactly `hz`: no stiffness, no shifted partials, a soft pluck. */
export function referenceTone(hz: Hz, sampleRate: Hz): Float32Array<ArrayBuffer> {
  const random = seededRandom(1);
  const timbre = drawTimbre(random, 0, 1.4, 0);
  const voice = new Voice(sampleRate, timbre, hz, { strength: 0.25, position: 0.2 }, random);
  const tone = new Float32Array(Math.ceil((LENGTH_S * sampleRate) / CONTROL_BLOCK) * CONTROL_BLOCK);
  const block = new Float64Array(CONTROL_BLOCK);
  for (let at = 0; at < tone.length; at += CONTROL_BLOCK) {
    block.fill(0);
    voice.render(block, CONTROL_BLOCK, hz);
    for (let k = 0; k < CONTROL_BLOCK; k++) {
      const left = (tone.length - at - k) / (FADE_S * sampleRate);
      tone[at + k] = 2 * nth(block, k) * Math.min(1, left);
    }
  }
  return tone;
}

const SUSTAINED_S = 3;
const SWELL_S = 0.3;
/** Partial n is 1/n as strong as the first. */
const PARTIALS = 8;

/** A tone of even loudness with the partials of a bowed string, which begins and ends softly. */
export function sustainedTone(hz: Hz, sampleRate: Hz): Float32Array<ArrayBuffer> {
  const tone = new Float32Array(Math.ceil(SUSTAINED_S * sampleRate));
  for (let i = 0; i < tone.length; i++) {
    const t = i / sampleRate;
    const swell = Math.min(1, t / SWELL_S, (SUSTAINED_S - t) / SWELL_S);
    for (let n = 1; n <= PARTIALS && n * hz < 0.45 * sampleRate; n++)
      tone[i] = nth(tone, i) + (0.12 * swell * Math.sin(2 * Math.PI * n * hz * t)) / n;
  }
  return tone;
}
