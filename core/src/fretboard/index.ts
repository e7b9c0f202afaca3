export type { ChainLink, CrossCheck, HarmonicCheck, Held, NeckCourse } from './checks.ts';
export {
  chainOfFourths,
  crossChecks,
  harmonicChecks,
  neckOf,
  soundAt,
  unisonFor,
} from './checks.ts';
export { fretPlace, lengthFrom } from './places.ts';
