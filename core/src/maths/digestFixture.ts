/** Numbers, words and truths of a value by their path. */
export type Digest = Record<string, number | string | boolean | null>;

/** Longer lists become their length and one figure for each of their members' parts. */
const LISTED = 1;
/** Figures are kept to so many digits: a change in the last bits of a sine is none. */
const DIGITS = 9;
const LIKE = 2e-7;
const NOTHING = 1e-9;

/** For tests: everything that a value holds, short enough to be kept beside them. */
export function digest(value: unknown, path = ''): Digest {
  const found: Digest = {};
  const put = (at: string, one: unknown): void => {
    if (one === undefined || typeof one === 'function') return;
    if (typeof one === 'number') found[at] = rounded(one);
    else if (one === null || typeof one === 'string' || typeof one === 'boolean') found[at] = one;
    else if (ArrayBuffer.isView(one)) putList(at, Array.from(one as Float64Array));
    else if (Array.isArray(one)) putList(at, one);
    else for (const [key, part] of Object.entries(one)) put(at ? `${at}.${key}` : key, part);
  };
  const putList = (at: string, list: readonly unknown[]): void => {
    if (list.length <= LISTED) {
      for (const [i, one] of list.entries()) put(`${at}.${i}`, one);
      return;
    }
    found[`${at}.length`] = list.length;
    const columns = new Map<string, Digest[string][]>();
    for (const one of list)
      for (const [key, part] of Object.entries(digest(one)))
        (columns.get(key) ?? columnOf(columns, key)).push(part);
    for (const [key, column] of columns) found[`${at}[].${key}`] = inOne(column);
  };
  put(path, value);
  return found;
}

function columnOf(columns: Map<string, Digest[string][]>, key: string): Digest[string][] {
  const column: Digest[string][] = [];
  columns.set(key, column);
  return column;
}

/** A column as a sum in which every place weighs otherwise; words and what is no number one by one. */
function inOne(column: readonly Digest[string][]): string | number {
  if (column.some((one) => typeof one !== 'number')) return column.join(' ');
  return rounded(
    column.reduce(
      (sum: number, one, i) => sum + Number(one) * (1 + (i % 7) / 3 + (i % 31) / 10),
      0,
    ),
  );
}

/** Where a digest is not what was kept of it. */
export function differences(now: Digest, kept: Digest): string[] {
  const paths = new Set([...Object.keys(now), ...Object.keys(kept)]);
  return [...paths]
    .filter((path) => !alike(now[path], kept[path]))
    .map((path) => `${path}: ${kept[path]} → ${now[path]}`);
}

/** Where the figures of a room are not what was approved, by name; also names that came or went. */
export function strays(
  now: Readonly<Record<string, Digest>>,
  approved: Readonly<Record<string, Digest>>,
): string[] {
  const names = new Set([...Object.keys(now), ...Object.keys(approved)]);
  return [...names].flatMap((name) =>
    differences(now[name] ?? {}, approved[name] ?? {}).map((line) => `${name}: ${line}`),
  );
}

function alike(a: Digest[string] | undefined, b: Digest[string] | undefined): boolean {
  if (typeof a !== 'number' || typeof b !== 'number') return a === b;
  return Math.abs(a - b) <= NOTHING + LIKE * Math.max(Math.abs(a), Math.abs(b));
}

/** Numbers that JSON has no word for are kept as text would lose them. */
function rounded(value: number): number | string {
  return Number.isFinite(value) ? Number(value.toPrecision(DIGITS)) : String(value);
}
