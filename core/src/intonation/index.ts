export { type BridgeEnd, bridgeEnds, type OctaveTest } from './bridge.ts';
export type { Cause, CauseFound, StringCauses } from './causes.ts';
export { amountOf, causesOf } from './causes.ts';
export type { FretErrors, Shape, ShapeOutcome, Way } from './compromise.ts';
export { compromiseOf, outcomeOf, parseShape } from './compromise.ts';
export type { Finding } from './findings.ts';
export { findingsOf } from './findings.ts';
export type { FretPlace, FretReading, FretSheet, Pressure } from './map.ts';
export {
  FIFTEEN_FRETS,
  OPEN_READINGS,
  otherFret,
  PRESSURES,
  semitonesOf,
  sequenceOf,
  USEFUL_FRETS,
} from './map.ts';
export {
  bridgeEndsOf,
  type EndUnder,
  isBridgeCheck,
  OCTAVE_FRETS,
  outerCourses,
} from './octaves.ts';
export { CENTS_PER_E, nutShift, saddleShift } from './saddle.ts';
export {
  causesByCourse,
  errorOf,
  type FretAsked,
  nextAsked,
  openOf,
  placeKey,
  shareDone,
} from './sequence.ts';
export { commonShapes } from './shapes.ts';
