import { RangeMisuse } from '../errors.ts';
import type { Hz, Millimetres } from '../units.ts';
import type { StringSpec } from './types.ts';

/** What a string is made of. Values other than steel's strength are from memory. */
export interface Material {
  /** kg/m³ */
  readonly density: number;
  /** Young's modulus in Pa. */
  readonly modulus: number;
  /** Tensile strength in MPa; steel's depends on the diameter in mm. */
  readonly strength: (diameter: Millimetres) => number;
}

export const MATERIALS: Readonly<Record<StringSpec['material'], Material>> = {
  steel: { density: 7850, modulus: 200e9, strength: musicWireStrength },
  nylon: { density: 1140, modulus: 4e9, strength: () => 500 },
  fluorocarbon: { density: 1780, modulus: 2.5e9, strength: () => 450 },
  gut: { density: 1300, modulus: 5.5e9, strength: () => 300 },
};

/**
 * Tensile strength of music wire in MPa: S = 2211 / d^0.145, d in mm.
 * Shigley's Mechanical Engineering Design, ASTM A228, 0.10 to 6.5 mm.
 * @throws RangeMisuse outside that range.
 */
export function musicWireStrength(diameter: Millimetres): number {
  if (!(diameter >= 0.1 && diameter <= 6.5))
    throw new RangeMisuse(`music wire is 0.1 to 6.5 mm thick; got ${diameter}`);
  return 2211 / diameter ** 0.145;
}

/** The pitch at which a string breaks: f = sqrt(S A_core / μ) / 2L; the core alone carries the load. */
export function breakingHz(spec: StringSpec, length: Millimetres): Hz {
  const area = (Math.PI * (spec.coreMm / 1000) ** 2) / 4;
  const load = 1e6 * MATERIALS[spec.material].strength(spec.coreMm) * area;
  return Math.sqrt(load / spec.unitWeight) / (2 * (length / 1000));
}

/** Semitones from a pitch up to where the string breaks. */
export function headroom(spec: StringSpec, length: Millimetres, hz: Hz): number {
  return 12 * Math.log2(breakingHz(spec, length) / hz);
}
