export { attributionOf } from './attribute.ts';
export {
  afterPluck,
  type Beliefs,
  foundSoFar,
  type Share,
  sharesOf,
  startBeliefs,
} from './beliefs.ts';
export { REACH } from './densities.ts';
export type { Attribution, Node, Pluck, Setup, StringPrior, Turn } from './types.ts';
