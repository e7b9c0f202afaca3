export type { Packed } from './packed.ts';
export {
  fixed,
  forceFigure,
  inMillimetres,
  inReadersUnit,
  lengthFigure,
  lengthUnit,
  type Reader,
  signedFigure,
  USUAL_READER,
  written,
} from './reader.ts';
export { type Catalogued, type Texts, translator, type Words } from './translator.ts';
export { unpacked } from './unpacked.ts';
