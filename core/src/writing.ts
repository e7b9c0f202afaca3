/** How notes are named: C D E … B, with H for B and B for B♭, or do re mi. */
export type NoteNames = 'english' | 'german' | 'syllables';

/** Which of the two names of a black key is taken: as a tuning spells it, or always the same. */
export type Signs = 'tuning' | 'sharp' | 'flat';

/** How the reader writes notes, numbers and lengths. */
export interface Writing {
  readonly notes: NoteNames;
  readonly signs: Signs;
  readonly decimal: '.' | ',';
  readonly length: 'mm' | 'inch';
}

const USUAL: Writing = { notes: 'english', signs: 'tuning', decimal: '.', length: 'mm' };

/**
 * A page has one reader: every name and every figure passes here on its way out, so that no view
 * has to be told how they are written. What is stored and what goes into files is never written so.
 */
let current = USUAL;

/** Writes like this from now on; what is not said is as usual. */
export function writeAs(writing: Partial<Writing>): void {
  current = { ...USUAL, ...writing };
}

export function writing(): Writing {
  return current;
}

/** A number with so many decimals, as the reader writes it. @example fixed(3.14159, 2) // => '3.14' */
export function fixed(value: number, digits = 0): string {
  return value.toFixed(digits).replace('.', current.decimal);
}

/** A number as it is. @example written(1.5) // => '1.5' */
export function written(value: number): string {
  return String(value).replace('.', current.decimal);
}

/** Exactly, by the definition of 1959. */
const MM_PER_INCH = 25.4;

/** A length in millimetres in the reader's unit, without it; inches with so many decimals more that as much is told. */
export function lengthFigure(mm: number, digits: number): string {
  return current.length === 'mm' ? fixed(mm, digits) : fixed(mm / MM_PER_INCH, digits + 1);
}

/** @example lengthUnit() // => 'mm' */
export function lengthUnit(): 'mm' | 'in' {
  return current.length === 'mm' ? 'mm' : 'in';
}

/** The same with its unit. @example lengthInWords(0.42, 1) // => '0.4 mm' */
export function lengthInWords(mm: number, digits: number): string {
  return `${lengthFigure(mm, digits)} ${lengthUnit()}`;
}

/** A length in the reader's unit as a number, and back. */
export const inReadersUnit = (mm: number) => (current.length === 'mm' ? mm : mm / MM_PER_INCH);
export const inMillimetres = (length: number) =>
  current.length === 'mm' ? length : length * MM_PER_INCH;
