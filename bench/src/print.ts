/** The value below which `share` of the values lie, for the eye; a dash when there are none. */
export function quantile(values: readonly number[], share: number, digits = 3): string {
  const sorted = [...values].sort((a, b) => a - b);
  const value = sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  return value === undefined ? '–' : value.toFixed(digits);
}

/** A share in per cent, for the eye; a dash of nothing. */
export function percent(part: number, of: number): string {
  return of === 0 ? '–' : `${((100 * part) / of).toFixed(1)} %`;
}
