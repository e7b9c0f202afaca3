export { aimOf, KNOWN_ENOUGH, type Pull, passesToCome, whyMoved } from './ahead.ts';
export {
  type Compared,
  type Comparison,
  comparedStrings,
  comparisonsFor,
} from './comparisons.ts';
export { type Hearing, hearPluck, hearStrum, readingOf } from './hear.ts';
export { setupFor } from './setup.ts';
export {
  type Fitted,
  type KnownFrom,
  type KnownOfStrings,
  type ReadAt,
  type StringState,
  stateOf,
} from './strings.ts';
