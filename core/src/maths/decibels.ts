/** Amplitudes below this are silence: −180 dB. */
const SILENCE = 1e-9;

/** An amplitude, or a ratio of two, in dB; −180 at the least. @example decibels(0.1) // => −20 */
export function decibels(amplitude: number): number {
  return 20 * Math.log10(Math.max(amplitude, SILENCE));
}
