/** No more are put on the shelf at once. */
export const MOST_AT_ONCE = 40;

/**
 * Names for so many instruments of one kind, numbered on from those that are there; one alone keeps its name.
 * @example numberedNames('Uke', 2, ['Uke 1']) // => ['Uke 2', 'Uke 3']
 */
export function numberedNames(name: string, count: number, taken: readonly string[]): string[] {
  const stem = name.trim();
  if (count <= 1) return [stem];
  const lower = stem.toLowerCase();
  const numbers = taken.flatMap((other) => {
    const [, before = '', number = ''] = /^(.*?)\s*(\d+)$/.exec(other) ?? [];
    return number !== '' && before.trim().toLowerCase() === lower ? [Number(number)] : [];
  });
  const from = Math.max(0, ...numbers) + 1;
  return Array.from({ length: count }, (_, i) => `${stem} ${from + i}`);
}
