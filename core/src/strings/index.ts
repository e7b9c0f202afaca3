export type { Course, Instrument, Peg, StringSpec, TightenDirection } from './instrument.ts';
export { steelGuitar } from './instrument.ts';
export type { Model, StringLoad } from './models.ts';
export {
  findModel,
  homeTuning,
  MODELS,
  soundingLength,
  startFret,
  stringLoad,
} from './models.ts';
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
