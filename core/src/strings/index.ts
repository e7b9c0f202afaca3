export type { Course, Instrument, Peg, StringSpec, TightenDirection } from './instrument.ts';
export { steelGuitar } from './instrument.ts';
export type { PegGeometry, StringStretch } from './tension.ts';
export {
  frequencyOf,
  plainUnitWeight,
  tensionChange,
  tensionOf,
  tensionPerTurn,
} from './tension.ts';
