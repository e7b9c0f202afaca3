/** A count with its noun. @example counted(1, 'pass', 'passes') // => '1 pass' */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

const NEWTONS_PER_KGF = 9.80665;

/** A force in the unit that the teacher has chosen, without it. @example forceFigure(98.1, 'kgf') // => '10.0' */
export function forceFigure(newtons: number, unit: 'N' | 'kgf'): string {
  return unit === 'N' ? newtons.toFixed(0) : (newtons / NEWTONS_PER_KGF).toFixed(1);
}

/** The same with its unit. @example forceInWords(98.1, 'N') // => '98 N' */
export function forceInWords(newtons: number, unit: 'N' | 'kgf'): string {
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
    ...(rest >= 0.5 || whole === 0 ? [`${rest.toFixed(1)} cents`] : []),
  ];
  return parts.join(' and ');
}
