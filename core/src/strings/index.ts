export type {
  Bridge,
  Course,
  Instrument,
  Peg,
  StringSpec,
  TightenDirection,
} from './instrument.ts';
export { steelGuitar, usualPeg } from './instrument.ts';
export { soundingLength, startFret, withCapo } from './length.ts';
export type { Model, StringLoad } from './models.ts';
export { findModel, homeTuning, MODELS, stringLoad } from './models.ts';
export type { PegKind, PegLayout, PegPlace } from './pegs.ts';
export {
  expectedTurns,
  layoutsFor,
  pegInWords,
  pegPlace,
  turnInWords,
  USUAL_RATIO,
} from './pegs.ts';
export type { Material } from './strength.ts';
export { breakingHz, headroom, MATERIALS, musicWireStrength } from './strength.ts';
export type { PegGeometry, StringStretch } from './tension.ts';
export {
  frequencyOf,
  plainUnitWeight,
  tensionChange,
  tensionOf,
  tensionPerTurn,
} from './tension.ts';
