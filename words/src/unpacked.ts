import type { Packed } from './packed.ts';
import type { Parsed } from './translator.ts';

/** How parsed texts name the kinds of their elements. */
const KIND = { literal: 0, argument: 1, number: 2, select: 5, plural: 6, pound: 7 } as const;

/** A text that was packed for its way, as the formatter takes it. */
export function unpacked(text: Packed): Parsed {
  return text.map((element) => {
    if (element === 0) return { type: KIND.pound };
    if (typeof element === 'string') return { type: KIND.literal, value: element };
    const [value, style, options] = element;
    if (options === undefined)
      return style === undefined
        ? { type: KIND.argument, value }
        : { type: KIND.number, value, style };
    const all = Object.entries({ other: [], ...options }).map(([name, inner]) => [
      name,
      { value: unpacked(inner) },
    ]);
    const choice = { value, options: Object.fromEntries(all) };
    return style === 'select'
      ? { type: KIND.select, ...choice }
      : {
          type: KIND.plural,
          offset: 0,
          pluralType: style === 'ordinal' ? 'ordinal' : 'cardinal',
          ...choice,
        };
  }) as Parsed;
}
