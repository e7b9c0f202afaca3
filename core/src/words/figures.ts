import { fixed, written } from '../writing.ts';
/** A count with its noun. @example counted(1, 'pass', 'passes') // => '1 pass' */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${written(count)} ${count === 1 ? one : many}`;
}

/** What tensions are told in. */
export type ForceUnit = 'N' | 'kgf' | 'lbf';

/** Standard gravity, and the pound of 1959: exact by definition. */
const FORCES: Readonly<Record<ForceUnit, { readonly newtons: number; readonly digits: number }>> = {
  N: { newtons: 1, digits: 0 },
  kgf: { newtons: 9.80665, digits: 1 },
  lbf: { newtons: 4.4482216152605, digits: 1 },
};

/** A force in the unit that the teacher has chosen, without it. @example forceFigure(98.1, 'kgf') // => '10.0' */
export function forceFigure(newtons: number, unit: ForceUnit): string {
  const { newtons: each, digits } = FORCES[unit];
  return fixed(newtons / each, digits);
}

/** The same with its unit. @example forceInWords(98.1, 'N') // => '98 N' */
export function forceInWords(newtons: number, unit: ForceUnit): string {
  return `${forceFigure(newtons, unit)} ${unit}`;
}

/** How far two pitches lie apart. @example distanceInWords(-200) // => '2 semitones' @example distanceInWords(77.4) // => '77.4 cents' */
export function distanceInWords(cents: number): string {
  const size = Math.abs(cents);
  // What is half a cent off a whole number of semitones is one.
  const whole = Math.floor((size + 0.5) / 100);
  const rest = Math.max(0, size - 100 * whole);
  const parts = [
    ...(whole > 0 ? [counted(whole, 'semitone')] : []),
    ...(rest >= 0.5 || whole === 0 ? [`${fixed(rest, 1)} cents`] : []),
  ];
  return parts.join(' and ');
}

/** A number of semitones with its way. @example semitonesShort(-2) // => '↓2' */
export function semitonesShort(semitones: number): string {
  return `${semitones < 0 ? '↓' : '↑'}${Math.abs(semitones)}`;
}

const UNITS = [
  ['day', 86_400],
  ['hour', 3600],
  ['minute', 60],
] as const;
/** Up to so many of a unit the halves are told. */
const HALVES_TO = 3;

const SHORT_MINUTES = 0.75;

/** Minutes of work, no finer than they can be foreseen. @example minutesInShort(0.3) // => '20 s' @example minutesInShort(2.4) // => '2 min' */
export function minutesInShort(minutes: number): string {
  return minutes < SHORT_MINUTES
    ? `${Math.max(1, Math.round(6 * minutes))}0 s`
    : `${Math.round(minutes)} min`;
}

/** The same for a table. @example shortDuration(5400) // => '1.5 h' */
export function shortDuration(seconds: number): string {
  return durationInWords(seconds)
    .replace('under a minute', '< 1 min')
    .replace(/ minutes?/, ' min')
    .replace(/ hours?/, ' h');
}

/** A length of time, no finer than it matters. @example durationInWords(5400) // => '1.5 hours' @example durationInWords(40) // => 'under a minute' */
export function durationInWords(seconds: number): string {
  for (const [unit, size] of UNITS) {
    const count = seconds / size;
    if (count < 1) continue;
    const fine = unit !== 'minute' && count < HALVES_TO;
    const shown = fine ? Math.round(2 * count) / 2 : Math.round(count);
    return counted(shown, unit);
  }
  return 'under a minute';
}

/** A deviation as the teacher reads it: sign always shown, tenths only where they matter. */
export function signedCents(cents: number): string {
  const digits = Math.abs(cents) < 100 ? 1 : 0;
  const text = fixed(Math.abs(cents), digits);
  const zero = Number(Math.abs(cents).toFixed(digits)) === 0;
  return zero ? `±${text}` : `${cents < 0 ? '−' : '+'}${text}`;
}

/** Where a deviation stands, in the teacher's word and the learner's. */
export function deviationInWords(cents: number, tolerance: number): string {
  if (Math.abs(cents) <= tolerance) return 'at rest';
  return cents < 0 ? 'low (flat)' : 'high (sharp)';
}
