export { type BridgeEnd, bridgeEnds, type OctaveTest } from './bridge.ts';
export type { Compromise, FretErrors, Shape, ShapeOutcome, Way } from './compromise.ts';
export { compromiseFor, compromiseOf, outcomeOf, parseShape } from './compromise.ts';
export { type Explanations, expectedError, explain } from './explain.ts';
export { errorsOf } from './fretErrors.ts';
export type { FretPlace, FretReading, FretSheet, Pressure } from './map.ts';
export {
  FIFTEEN_FRETS,
  OPEN_READINGS,
  otherFret,
  PRESSURES,
  semitonesOf,
  sequenceOf,
  TWELVE_FRETS,
  USEFUL_FRETS,
} from './map.ts';
export { type Neck, neckOf } from './neck.ts';
export {
  bridgeEndsOf,
  type EndUnder,
  isBridgeCheck,
  OCTAVE_FRETS,
  outerCourses,
  saddlesOf,
} from './octaves.ts';
export { type Ordered, type Part, partKey } from './part.ts';
export { MOST_PLUCKS, nextPlace } from './places.ts';
export { nextProof, type Proof, proofOf } from './proof.ts';
export { CENTS_PER_E, nutShift, saddleShift } from './saddle.ts';
export { scatteringStrings } from './scatter.ts';
export {
  errorOf,
  type FretAsked,
  nextAsked,
  openOf,
  placeKey,
  shareDone,
} from './sequence.ts';
export { commonShapes } from './shapes.ts';
export { Unknowns } from './unknowns.ts';
export {
  type Fault,
  type FretVerdict,
  type Judgement,
  judgementOf,
  judgeNeck,
  type NoteOff,
  USUAL_LIMIT,
} from './verdict.ts';
