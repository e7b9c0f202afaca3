export { Action } from './Action.tsx';
export { Shell } from './Shell.tsx';
export { theme } from './theme.ts';
export { type KeyMap, useKeys } from './useKeys.ts';
export type { Perch, Stroke } from './wires/draw.ts';
export { deviationInWords, signedCents } from './wires/scale.ts';
export { WireCanvas } from './wires/WireCanvas.tsx';
