import type { Hz, Millimetres } from '../units.ts';
import { MATERIALS } from './strength.ts';
import { tensionOf } from './tension.ts';
import type { StringSpec } from './types.ts';

/**
 * B of a string at a pitch: π³ E d⁴ / (64 T L²) of its core. Fletcher, JASA 36 (1964) 203.
 * Of a wound string it is somewhat more: the winding is stiff too.
 */
export function stiffnessOf(spec: StringSpec, length: Millimetres, hz: Hz): number {
  const tension = tensionOf(spec.unitWeight, length, hz);
  const d = spec.coreMm / 1000;
  const { modulus } = MATERIALS[spec.material];
  return (Math.PI ** 3 * modulus * d ** 4) / (64 * tension * (length / 1000) ** 2);
}
