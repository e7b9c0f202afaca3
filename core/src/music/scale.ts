import { FormatError } from '../errors.ts';
import { median, nth } from '../maths/index.ts';
import { message, noteValue } from '../message.ts';
import type { Cents, Midi } from '../units.ts';

/** One step of a scale above its first note: as a ratio, or in cents. */
export type ScaleStep =
  | { readonly kind: 'ratio'; readonly over: number; readonly under: number }
  | { readonly kind: 'cents'; readonly cents: Cents };

/** A scale above some note; the first note itself is not among its steps, the last one is where it begins again. */
export interface Scale {
  readonly description: string;
  readonly steps: readonly ScaleStep[];
}

const OCTAVE: Cents = 1200;
/** A note further from every step than this is none of the scale. */
const NEAREST: Cents = 60;

/** @example centsOfStep({ kind: 'ratio', over: 3, under: 2 }) // => 701.955 */
export function centsOfStep(step: ScaleStep): Cents {
  return step.kind === 'cents' ? step.cents : OCTAVE * Math.log2(step.over / step.under);
}

/**
 * How far a scale lies from equal temperament on some notes, course 1 first, with its first note on a pitch class.
 * @throws FormatError where a note is none of its steps
 */
export function scaleOffsets(scale: Scale, notes: readonly Midi[], root: number): Cents[] {
  const steps = [0, ...scale.steps.map(centsOfStep)];
  const period = nth(steps, steps.length - 1);
  if (!(period > 0)) throw new FormatError(message('problems.scalePeriod'));
  return notes.map((midi) => {
    const above = 100 * (midi - root);
    const offsets = steps.map((step) => {
      const times = Math.round((above - step) / period);
      return step + times * period - above;
    });
    const nearest = offsets.reduce((a, b) => (Math.abs(b) < Math.abs(a) ? b : a));
    if (Math.abs(nearest) > NEAREST)
      throw new FormatError(
        message('problems.scaleFar', { note: noteValue(midi), cents: Math.abs(nearest) }),
      );
    return nearest;
  });
}

/** The notes of some strings as a scale of an octave above a pitch class; several strings of one class by their middle. */
export function scaleOf(
  description: string,
  notes: readonly Midi[],
  offsets: readonly Cents[],
  root: number,
): Scale {
  const byClass = new Map<number, Cents[]>();
  notes.forEach((midi, i) => {
    const pitchClass = (((Math.round(midi) - root) % 12) + 12) % 12;
    byClass.set(pitchClass, [...(byClass.get(pitchClass) ?? []), offsets[i] ?? 0]);
  });
  const first = median(byClass.get(0) ?? [0]);
  const steps = [...byClass]
    .filter(([pitchClass]) => pitchClass > 0)
    .map(([pitchClass, all]) => 100 * pitchClass + median(all) - first)
    .sort((a, b) => a - b);
  return {
    description,
    steps: [
      ...steps.map((cents): ScaleStep => ({ kind: 'cents', cents })),
      { kind: 'ratio', over: 2, under: 1 },
    ],
  };
}
