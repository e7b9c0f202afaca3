export type { ChainLink, CrossCheck, HarmonicCheck, Held, NeckCourse } from './checks.ts';
export {
  chainOfFourths,
  crossChecks,
  harmonicChecks,
  neckOf,
  soundAt,
  tyingChecks,
  unisonFor,
} from './checks.ts';
export { fretPlace, lengthFrom } from './places.ts';
export {
  byScale,
  costOf,
  EQUAL,
  fairestOpen,
  type NeckCost,
  pureIn,
  type Temperament,
  type TemperedPlace,
  temperedNeck,
} from './temperament.ts';
