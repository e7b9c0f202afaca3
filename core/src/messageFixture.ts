import type { Text, Value } from './message.ts';

/** A text with its figures to a millionth: what a test compares, without the dust of floating point. */
export function plainFigures<T extends Text | null>(text: T): T {
  return plain(text) as T;
}

function plain(value: Value | null): Value | null {
  if (typeof value === 'number') return Number(value.toFixed(6));
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return value.map(plain) as unknown as Text;
  return Object.fromEntries(
    Object.entries(value).map(([name, one]) => [name, plain(one as Value)]),
  ) as unknown as Value;
}
