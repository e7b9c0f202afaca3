import type { TurnSize } from '../coach/index.ts';
import { nth } from '../maths/index.ts';
import type { Peg, PegPlace, TightenDirection } from '../strings/index.ts';
import type { Cents } from '../units.ts';

const NTH = ['1st', '2nd', '3rd'];

/** Counted from the nut. @example pegInWords({ row: 'upper', fromNut: 2 }) // => 'upper row, 2nd' */
export function pegInWords({ row, fromNut }: PegPlace): string {
  if (row === 'side') return 'side of the neck';
  return `${row} row, ${NTH[fromNut - 1] ?? `${fromNut}th`}`;
}

const ARROWS: Readonly<Record<TightenDirection, string>> = {
  'away from you': '↑',
  'towards you': '↓',
  clockwise: '↻',
  'counter-clockwise': '↺',
};

/** A direction as an arrow, beside its words. @example arrowOf('clockwise') // => '↻' */
export function arrowOf(tighten: TightenDirection): string {
  return ARROWS[tighten];
}

/** What is known of a peg. @example pegKnownInWords(peg, 183) // => 'tried, a quarter turn about 46 cents' */
export function pegKnownInWords({ known, measured }: Peg, perTurn: Cents | null): string {
  if (known === 'assumed') return 'not tried: try it gently';
  if (!measured || perTurn === null) return 'tried';
  return `tried, a quarter turn about ${Math.round(perTurn / 4)} cents`;
}

const EIGHTHS = [
  '',
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

/** Less than this no hand turns a button on purpose: common practice, no source. */
const LEAST_DEGREES = 3.5;
/** Small turns are told in steps of this. */
const DEGREES = 5;

/** About half of an eighth, in degrees. */
const SIXTEENTH = { from: 18.75, to: 28 } as const;

/** A turn so small that no size of it can be kept. */
export const LEAST_TURN = 'as little as you can';

/**
 * A turn of the button in words a hand understands; the sign is left to whoever says it.
 * @param least the smallest turn that the hand makes, where that is known: no smaller one is named
 * @example turnInWords(0.22) // => 'nearly a quarter turn'
 * @example turnInWords(1 / 72) // => '5° on the button'
 */
export function turnInWords(turns: number, least = 0): string {
  const eighths = Math.abs(turns) * 8;
  const degrees = Math.abs(turns) * 360;
  if (degrees < Math.max(LEAST_DEGREES, 360 * least)) return LEAST_TURN;
  if (degrees < SIXTEENTH.from) return `${DEGREES * Math.round(degrees / DEGREES)}° on the button`;
  if (degrees < SIXTEENTH.to) return 'a sixteenth of a turn';
  const nearest = Math.max(1, Math.round(eighths));
  const off = eighths - nearest;
  const about =
    nearest >= 8 || Math.abs(off) <= NOT_QUITE ? '' : off < 0 ? 'nearly ' : 'a little over ';
  return `${about}${wordsFor(nearest)}`;
}

/** What the words for a turn come to, with its sign; what is told without a size comes to what it is. */
export function saidTurns(turns: number): number {
  const degrees = Math.abs(turns) * 360;
  const sign = Math.sign(turns);
  if (degrees < LEAST_DEGREES || degrees >= SIXTEENTH.to) return turns;
  return degrees < SIXTEENTH.from
    ? (sign * DEGREES * Math.round(degrees / DEGREES)) / 360
    : sign / 16;
}

/** How far to turn, and that it is a guess where no turn of the peg was measured. */
export function sizeInWords({ turns, guess, least }: TurnSize): string {
  const size = turnInWords(turns, least);
  return guess && size !== LEAST_TURN ? `${size}, at a guess` : size;
}

function wordsFor(eighths: number): string {
  if (eighths < 8) return nth(EIGHTHS, eighths);
  const whole = Math.floor(eighths / 8);
  const part = nth(PARTS, eighths % 8);
  return whole === 1 && part === '' ? 'a whole turn' : `${whole}${part} turns`;
}
