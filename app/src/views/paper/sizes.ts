import type { LabelId } from '@rosefinch/core/message';

/** A size of paper in millimetres, as it is held. */
export interface PaperSize {
  readonly id: string;
  readonly name: LabelId;
  readonly width: number;
  readonly height: number;
}

/** ISO 216; Letter 8.5 × 11 in, an index card 5 × 3 in. */
const A6: PaperSize = { id: 'a6', name: 'paper.sizeA6', width: 105, height: 148 };
const A5: PaperSize = { id: 'a5', name: 'paper.sizeA5', width: 148, height: 210 };
const A4: PaperSize = { id: 'a4', name: 'paper.sizeA4', width: 210, height: 297 };
const LETTER: PaperSize = { id: 'letter', name: 'paper.sizeLetter', width: 215.9, height: 279.4 };
const INDEX: PaperSize = { id: 'index', name: 'paper.sizeIndex', width: 127, height: 76.2 };

export const CARD_SIZES: readonly PaperSize[] = [A6, A5, INDEX, A4, LETTER];
/** Papers on which many cards go. */
export const SHEETS: readonly PaperSize[] = [A4, LETTER];

/** Where paper is of inches: common practice, no source. */
const LETTER_REGIONS: ReadonlySet<string> = new Set(['US', 'CA', 'MX', 'PH', 'CL', 'CO']);

/** The sizes that a reader is likely to have. @example usualSizes('en-US').sheet.id // => 'letter' */
export function usualSizes(locale: string): {
  readonly card: PaperSize;
  readonly sheet: PaperSize;
} {
  const { region } = new Intl.Locale(locale).maximize();
  return region && LETTER_REGIONS.has(region)
    ? { card: INDEX, sheet: LETTER }
    : { card: A6, sheet: A4 };
}

export function sizeOf(id: string | null, among: readonly PaperSize[]): PaperSize | undefined {
  return among.find((size) => size.id === id);
}

/** How many cards stand side by side and one below the other; at least one. @example gridOf(A6, A4) // => { across: 2, down: 2 } */
export function gridOf(card: PaperSize, sheet: PaperSize): { across: number; down: number } {
  return {
    across: Math.max(1, Math.floor(sheet.width / card.width)),
    down: Math.max(1, Math.floor(sheet.height / card.height)),
  };
}

/** Cards by the page they go on. @example pagesOf([1, 2, 3], 2) // => [[1, 2], [3]] */
export function pagesOf<T>(cards: readonly T[], each: number): T[][] {
  return Array.from({ length: Math.ceil(cards.length / each) }, (_, i) =>
    cards.slice(i * each, (i + 1) * each),
  );
}
