import type { NoteStyle } from '@rosefinch/core/music';
import type { Millimetres, Newtons } from '@rosefinch/core/units';

/** How somebody reads: the language, and how notes, numbers, lengths and dates are written for them. */
export interface Reader extends NoteStyle {
  /** Language of the messages, as BCP 47 has it. */
  readonly language: string;
  readonly decimal: '.' | ',';
  readonly length: 'mm' | 'inch';
  readonly force: 'N' | 'kgf' | 'lbf';
  /** The locale by whose custom dates and times are written. */
  readonly dates: string;
}

/** Reads English, in metric units. */
export const USUAL_READER: Reader = {
  language: 'en',
  notes: 'english',
  signs: 'tuning',
  decimal: '.',
  length: 'mm',
  force: 'N',
  dates: 'en-GB',
};

/** A number with so many decimals. @example fixed(3.14159, 2, reader) // => '3.14' */
export function fixed(value: number, digits: number, { decimal }: Pick<Reader, 'decimal'>): string {
  return value.toFixed(digits).replace('.', decimal);
}

/** A number as it is. @example written(1.5, reader) // => '1.5' */
export function written(value: number, { decimal }: Pick<Reader, 'decimal'>): string {
  return String(value).replace('.', decimal);
}

/** A deviation with its sign, tenths only where they matter. @example signedFigure(-2.5, reader) // => '−2.5' */
export function signedFigure(
  cents: number,
  reader: Pick<Reader, 'decimal'>,
  digits = Math.abs(cents) < 100 ? 1 : 0,
): string {
  const text = fixed(Math.abs(cents), digits, reader);
  const zero = Number(Math.abs(cents).toFixed(digits)) === 0;
  return zero ? `±${text}` : `${cents < 0 ? '−' : '+'}${text}`;
}

/** Exactly, by the definition of 1959. */
const MM_PER_INCH = 25.4;

/** A length in the reader's unit as a number. */
export function inReadersUnit(mm: Millimetres, { length }: Pick<Reader, 'length'>): number {
  return length === 'mm' ? mm : mm / MM_PER_INCH;
}

/** The length in millimetres of a number in the reader's unit. */
export function inMillimetres(value: number, { length }: Pick<Reader, 'length'>): Millimetres {
  return length === 'mm' ? value : value * MM_PER_INCH;
}

/** A length in the reader's unit; inches with one decimal more, so that they are as precise. */
export function lengthFigure(mm: Millimetres, digits: number, reader: Reader): string {
  return fixed(inReadersUnit(mm, reader), reader.length === 'mm' ? digits : digits + 1, reader);
}

/** @example lengthUnit(reader) // => 'mm' */
export function lengthUnit({ length }: Pick<Reader, 'length'>): 'mm' | 'in' {
  return length === 'mm' ? 'mm' : 'in';
}

/** Standard gravity, and the pound of 1959: exact by definition. */
const FORCES: Readonly<
  Record<Reader['force'], { readonly newtons: number; readonly digits: number }>
> = {
  N: { newtons: 1, digits: 0 },
  kgf: { newtons: 9.80665, digits: 1 },
  lbf: { newtons: 4.4482216152605, digits: 1 },
};

/** A force in the reader's unit. @example forceFigure(98.1, { ...USUAL_READER, force: 'kgf' }) // => '10.0' */
export function forceFigure(newtons: Newtons, reader: Reader): string {
  const { newtons: each, digits } = FORCES[reader.force];
  return fixed(newtons / each, digits, reader);
}
