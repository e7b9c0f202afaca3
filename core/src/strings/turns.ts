/** Less than this no hand turns a button on purpose: common practice, no source. */
export const LEAST_DEGREES = 3.5;
/** Small turns are given in steps of this, degrees. */
const STEP_DEGREES = 5;

/** About half of an eighth, in degrees. */
export const SIXTEENTH = { from: 18.75, to: 28 } as const;

/**
 * A turn of the button as a sentence gives it, in turns, with its sign: small turns are rounded, as
 * nobody can turn a button more finely; a turn too small to be given a size is returned unchanged.
 * @example roundTurns(0.04) // => 15 / 360
 */
export function roundTurns(turns: number): number {
  const degrees = Math.abs(turns) * 360;
  const sign = Math.sign(turns);
  if (degrees < LEAST_DEGREES || degrees >= SIXTEENTH.to) return turns;
  return degrees < SIXTEENTH.from
    ? (sign * STEP_DEGREES * Math.round(degrees / STEP_DEGREES)) / 360
    : sign / 16;
}
