import { nth } from '../maths/index.ts';
import type { PegPlace } from '../strings/index.ts';

const NTH = ['1st', '2nd', '3rd'];

/** Counted from the nut. @example pegInWords({ row: 'upper', fromNut: 2 }) // => 'upper row, 2nd' */
export function pegInWords({ row, fromNut }: PegPlace): string {
  if (row === 'side') return 'side of the neck';
  return `${row} row, ${NTH[fromNut - 1] ?? `${fromNut}th`}`;
}

const EIGHTHS = [
  'a hair',
  'an eighth of a turn',
  'a quarter turn',
  'three eighths of a turn',
  'half a turn',
  'five eighths of a turn',
  'three quarters of a turn',
  'seven eighths of a turn',
] as const;
const PARTS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'] as const;
/** Further from an eighth than this share of one is said so. */
const NOT_QUITE = 0.25;

/**
 * A turn of the button in words a hand understands; the sign is left to whoever says it.
 * @example turnInWords(0.22) // => 'nearly a quarter turn'
 */
export function turnInWords(turns: number): string {
  const eighths = Math.abs(turns) * 8;
  if (eighths < 0.3) return 'a hair';
  if (eighths < 0.7) return 'a sixteenth of a turn';
  const nearest = Math.round(eighths);
  const off = eighths - nearest;
  const about =
    nearest >= 8 || Math.abs(off) <= NOT_QUITE ? '' : off < 0 ? 'nearly ' : 'a little over ';
  return `${about}${wordsFor(nearest)}`;
}

function wordsFor(eighths: number): string {
  if (eighths < 8) return nth(EIGHTHS, eighths);
  const whole = Math.floor(eighths / 8);
  const part = nth(PARTS, eighths % 8);
  return whole === 1 && part === '' ? 'a whole turn' : `${whole}${part} turns`;
}
