export { bookInRound, putBackInRound, takeOfRound } from './acts.ts';
export { instrumentIn, labelOf } from './label.ts';
export { useOpenRound } from './useOpenRound.ts';
