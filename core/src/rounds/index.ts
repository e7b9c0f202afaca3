export {
  minutesFor,
  minutesLeft,
  ONE_STRUM,
  roundOrder,
  type TimedSitting,
  type ToForecast,
} from './forecast.ts';
export { byNeed, type Need, type NeedFacts, needOf } from './need.ts';
export { othersWaiting } from './others.ts';
export { entryOf, newRound, nextOf, roundAfter, waitingOf } from './round.ts';
export { type Heard, heardOfRound } from './standing.ts';
export type { Round, RoundEntry, RoundInput, Standing } from './types.ts';
export { type Candidate, candidateOf, type HeardString, whoseIsIt } from './whose.ts';
