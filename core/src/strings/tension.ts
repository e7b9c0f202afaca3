import type { Cents, Hz, KgPerMetre, Millimetres, Newtons } from '../units.ts';

/** Tension of a string: T = μ (2 L f)². Mersenne; μ in kg/m, L in mm. */
export function tensionOf(unitWeight: KgPerMetre, scale: Millimetres, f0: Hz): Newtons {
  return unitWeight * (2 * (scale / 1000) * f0) ** 2;
}

/** Frequency of an ideal string: f = sqrt(T/μ) / 2L. */
export function frequencyOf(unitWeight: KgPerMetre, scale: Millimetres, tension: Newtons): Hz {
  return Math.sqrt(tension / unitWeight) / (2 * (scale / 1000));
}

/** Weight per length of a plain string: μ = ρ π d²/4. Density in kg/m³. */
export function plainUnitWeight(density: number, diameter: Millimetres): KgPerMetre {
  return (density * Math.PI * (diameter / 1000) ** 2) / 4;
}

/** What a winder does to a string: geometry of post and gear, and what the rest gives way. */
export interface PegGeometry {
  readonly postMm: Millimetres;
  /** Turns of the button for one turn of the post. */
  readonly ratio: number;
}

/** The elastic side of a string. */
export interface StringStretch {
  readonly coreMm: Millimetres;
  /** Young's modulus in Pa. */
  readonly modulus: number;
  /** Length from peg to anchor in mm. */
  readonly totalMm: Millimetres;
}

/**
 * Tension added by turning the button: ΔT = E A ΔL / L_total, where ΔL is the
 * length wound on. Body, bridge and neck give way too, so hands need more turn
 * than this; `give` (at least 1) divides the result.
 */
export function tensionPerTurn(peg: PegGeometry, string: StringStretch, give = 1): Newtons {
  const area = (Math.PI * (string.coreMm / 1000) ** 2) / 4;
  const wound = (Math.PI * peg.postMm) / peg.ratio;
  return (string.modulus * area * wound) / string.totalMm / give;
}

/** Change of tension for a change of pitch: T (2^(c/600) − 1). */
export function tensionChange(tension: Newtons, cents: Cents): Newtons {
  return tension * (2 ** (cents / 600) - 1);
}
