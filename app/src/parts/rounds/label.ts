const START = 'rosefinch:';

/** What the QR code of an instrument’s label says: nothing that leaves this shelf. */
export function labelOf(instrumentId: string): string {
  return `${START}${instrumentId}`;
}

/** The instrument that a label names; null where the text is no label. @example instrumentIn('rosefinch:wren') // => 'wren' */
export function instrumentIn(text: string): string | null {
  return text.startsWith(START) ? text.slice(START.length) : null;
}
