export { AIM_FROM, afterTurn, aimFor } from './aim.ts';
export { possibleCounts, withoutString, withString } from './counts.ts';
export type { Coupling, CouplingPrior, StringHeard } from './coupling.ts';
export { expectedCoupling, learnCoupling, pull } from './coupling.ts';
export { inCourse, stringOfDigit } from './courses.ts';
export {
  type DrawnPeg,
  type DrawnTurn,
  drawnTurn,
  type Headstock,
  type HeadstockView,
  headstockOf,
  type Point,
} from './headstock.ts';
export { steelGuitar, usualPeg } from './instrument.ts';
export { soundingLength, startFret, withCapo } from './length.ts';
export { homeTuning, type StringLoad, stringLoad } from './load.ts';
export type { Model } from './models.ts';
export { findModel, MODELS } from './models.ts';
export { passesNeeded } from './passes.ts';
export type { PegOutcome, PegTurn } from './pegFigure.ts';
export {
  centsPerTurn,
  HAND_ERROR,
  judgePegTurn,
  type Learned,
  learnFigure,
  loosen,
  pegAfterAdvice,
  pegAfterLeast,
  playOf,
  type Reversal,
  TEST_TURN,
  type TurnsFor,
  turnsFor,
  withPeg,
} from './pegFigure.ts';
export {
  expectedTurns,
  layoutsFor,
  pegPlace,
  USUAL_RATIO,
} from './pegs.ts';
export { type StringSet, setOf, setsFor, usualCore, withSet } from './sets.ts';
export { stiffnessOf } from './stiffness.ts';
export type { Material } from './strength.ts';
export { breakingHz, headroom, MATERIALS, musicWireStrength } from './strength.ts';
export { instrumentFor, takesTuning } from './takes.ts';
export type { PegGeometry, StringStretch } from './tension.ts';
export {
  frequencyOf,
  plainUnitWeight,
  tensionChange,
  tensionOf,
  tensionPerTurn,
} from './tension.ts';
export { LEAST_DEGREES, roundTurns, SIXTEENTH } from './turns.ts';
export type {
  Bridge,
  Course,
  Instrument,
  Peg,
  PegFigure,
  PegKind,
  PegLayout,
  PegPlace,
  PegPlay,
  SmallestStep,
  StringSpec,
  TightenDirection,
} from './types.ts';
