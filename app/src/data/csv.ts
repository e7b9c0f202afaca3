import Papa from 'papaparse';
import { locale } from '../environment.ts';

/** A cell: what counts goes out as a number, words as words. */
type Cell = string | number | null;

/** A spreadsheet takes words that begin so for a formula. */
const FORMULA = /^[=+\-@\t\r]/;
/** Without it spreadsheets take UTF-8 for something older. */
const BYTE_ORDER_MARK = '\uFEFF';

/**
 * A table as CSV (RFC 4180, UTF-8), as the reader's spreadsheet opens it: where numbers are
 * written with a decimal comma the cells are parted by semicolons. Its heading is there even
 * where there is nothing below it.
 */
export function csvText<Column extends string>(
  columns: readonly Column[],
  rows: readonly Readonly<Record<Column, Cell>>[],
  reader = locale(),
): string {
  const comma = decimalSign(reader) === ',';
  const written = (cell: Cell) => {
    if (cell === null) return '';
    if (typeof cell === 'string') return FORMULA.test(cell) ? `'${cell}` : cell;
    return comma ? String(cell).replace('.', ',') : String(cell);
  };
  const data = rows.map((row) => columns.map((column) => written(row[column])));
  const options = { newline: '\r\n', delimiter: comma ? ';' : ',' };
  return `${BYTE_ORDER_MARK}${Papa.unparse([[...columns], ...data], options)}\r\n`;
}

function decimalSign(reader: string): string {
  const parts = new Intl.NumberFormat(reader).formatToParts(1.5);
  return parts.find(({ type }) => type === 'decimal')?.value ?? '.';
}

/** A figure no finer than it was measured. @example rounded(-23.2504, 3) // => -23.25 */
export function rounded(value: number, decimals: number): number {
  return Number(value.toFixed(decimals));
}
