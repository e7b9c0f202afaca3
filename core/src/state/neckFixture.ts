import type { Coupling } from '../strings/index.ts';

/** For tests: three strings; a cent of any takes the others down by a twentieth. */
export const KNOWN: Coupling = {
  matrix: [
    [0, -0.05, -0.05],
    [-0.05, 0, -0.05],
    [-0.05, -0.05, 0],
  ],
  error: 0.15,
  turns: 30,
};

/** The same, of which nothing was learned. */
export const GUESSED: Coupling = { ...KNOWN, error: 1, turns: 0 };
