import {
  headroom,
  MATERIALS,
  plainUnitWeight,
  type StringSpec,
  tensionOf,
} from '../strings/index.ts';
import type { Hz, Millimetres, Newtons, Semitones } from '../units.ts';
import type { PlanString } from './strings.ts';

/** A plain string that would serve instead. */
export interface OtherString {
  readonly material: StringSpec['material'];
  readonly diameterMm: Millimetres;
  /** Where it would stand at the note that is asked for. */
  readonly tension: Newtons;
}

/** Something about a plan that must be said before it is begun. */
export type PlanWarning =
  /** Above breaking, or too near to it; negative where it is past it. */
  | {
      readonly kind: 'refused' | 'caution';
      readonly course: number;
      readonly headroom: Semitones;
      readonly other: OtherString | null;
    }
  /** It keeps so small a share of its usual tension that it flaps, or carries so much more than that. */
  | {
      readonly kind: 'slack' | 'tight';
      readonly course: number;
      readonly share: number;
      readonly other: OtherString | null;
    }
  /** The neck would carry so much of its usual load. */
  | { readonly kind: 'load'; readonly share: number }
  /** The bridge floats: every string pulls the others along. */
  | { readonly kind: 'floating' };

/** Nearer to breaking than this no string is brought; ends, knots and age weaken it. Common practice, no source. */
const REFUSED_BELOW: Semitones = 1;
const CAUTION_BELOW: Semitones = 2.5;
/** Below this share of its usual tension a string flaps: common practice, no source. */
const SLACK_SHARE = 0.5;
/** Above this share it was made for less: common practice, no source. */
const TIGHT_SHARE = 1.6;
const HEAVY_SHARE = 1.15;
/** A plain string is not made thicker: it no longer bends as a string. From memory, of the usual sets. */
const THICKEST_PLAIN: Readonly<Record<StringSpec['material'], Millimetres>> = {
  steel: 0.6,
  nylon: 1.15,
  fluorocarbon: 1.1,
  gut: 1.3,
};
/** … nor thinner. */
const THINNEST_PLAIN: Millimetres = 0.18;
/** Gauges are made in steps of this. */
const GAUGE_STEP: Millimetres = 0.01;

/** What must be said of strings that are brought from where they are to their targets. */
export function warningsOf(
  strings: readonly PlanString[],
  moving: readonly PlanString[],
  floats: boolean,
): PlanWarning[] {
  const warnings = moving.flatMap((string) => [...breaking(string), ...strained(string)]);
  const load = (hz: (s: PlanString) => Hz) =>
    strings.reduce((sum, s) => sum + tensionAt(s, hz(s)), 0);
  const share = load((s) => s.targetHz) / load((s) => s.standardHz);
  if (share > HEAVY_SHARE) warnings.push({ kind: 'load', share });
  if (floats && moving.length > 0) warnings.push({ kind: 'floating' });
  return warnings;
}

function tensionAt({ spec, lengthMm }: PlanString, hz: Hz): Newtons {
  return tensionOf(spec.unitWeight, lengthMm, hz);
}

/** A string that is let down is not near to breaking, however near it was. */
function breaking(string: PlanString): PlanWarning[] {
  const { spec, lengthMm, targetHz, nowHz, course } = string;
  const left = headroom(spec, lengthMm, targetHz);
  if (left >= CAUTION_BELOW || targetHz <= nowHz) return [];
  const kind = left < REFUSED_BELOW ? 'refused' : 'caution';
  return [{ kind, course, headroom: left, other: otherString(string) }];
}

function strained(string: PlanString): PlanWarning[] {
  const { course, targetHz, standardHz } = string;
  const share = tensionAt(string, targetHz) / tensionAt(string, standardHz);
  if (share >= SLACK_SHARE && share <= TIGHT_SHARE) return [];
  const kind = share < SLACK_SHARE ? 'slack' : 'tight';
  return [{ kind, course, share, other: otherString(string) }];
}

/**
 * A plain string of the same material that has the usual tension at the note that is asked for;
 * null where none is made so thick or thin, or where it would be as near to breaking: the pitch at which a plain
 * string breaks hardly depends on its gauge.
 */
function otherString(string: PlanString): OtherString | null {
  const { spec, lengthMm, targetHz, standardHz } = string;
  const { density } = MATERIALS[spec.material];
  // T = ρ π d² (L f)² for a plain string, solved for d.
  const usual = tensionAt(string, standardHz);
  const metres = Math.sqrt(usual / (density * Math.PI)) / ((lengthMm / 1000) * targetHz);
  const diameterMm = GAUGE_STEP * Math.round((1000 * metres) / GAUGE_STEP);
  if (diameterMm < THINNEST_PLAIN || diameterMm > THICKEST_PLAIN[spec.material]) return null;
  if (!spec.wound && Math.abs(diameterMm - spec.diameterMm) < GAUGE_STEP) return null;
  const unitWeight = plainUnitWeight(density, diameterMm);
  const plain = { ...spec, wound: false, diameterMm, coreMm: diameterMm, unitWeight };
  if (headroom(plain, lengthMm, targetHz) < CAUTION_BELOW) return null;
  return {
    material: spec.material,
    diameterMm,
    tension: tensionOf(unitWeight, lengthMm, targetHz),
  };
}
