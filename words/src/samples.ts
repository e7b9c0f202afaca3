import { type MessageFormatElement, parse, TYPE } from '@formatjs/icu-messageformat-parser';

/** Counts that bring out the forms of a language, and a number that no short figure has. */
const COUNTS = [0, 1, 2, 5, 1.5];
const LONGEST = 12345.6;
/** Longer than any name that is typed. */
const LONG_NAME = 'The second-best twelve-string of the reading room';

/** What an argument can be: the choices it selects by, or a number, or any words. */
type Kind = readonly string[] | 'number' | 'words';

/** The arguments of a text with what each can be. */
export function argumentKinds(
  elements: readonly MessageFormatElement[],
  found = new Map<string, Kind>(),
): ReadonlyMap<string, Kind> {
  for (const element of elements) {
    if (element.type === TYPE.argument && !found.has(element.value))
      found.set(element.value, 'words');
    if (element.type === TYPE.number) found.set(element.value, 'number');
    if (element.type !== TYPE.select && element.type !== TYPE.plural) continue;
    const options = Object.entries(element.options);
    // An empty “other” is only there because the format asks for it.
    const reached = options.filter(([name, { value }]) => name !== 'other' || value.length > 0);
    found.set(
      element.value,
      element.type === TYPE.plural ? 'number' : reached.map(([name]) => name),
    );
    for (const [, { value }] of options) argumentKinds(value, found);
  }
  return found;
}

/**
 * Arguments to try a text with: every choice once, every count once, and the longest values;
 * a text without arguments is tried once.
 */
export function samplesOf(text: string): readonly Readonly<Record<string, string | number>>[] {
  const kinds = [...argumentKinds(parse(text, { ignoreTag: true }))];
  const valuesOf = (kind: Kind) => {
    if (kind === 'number') return [...COUNTS, LONGEST];
    return kind === 'words' ? ['G3', LONG_NAME] : kind;
  };
  const rounds = Math.max(1, ...kinds.map(([, kind]) => valuesOf(kind).length));
  return Array.from({ length: rounds }, (_, round) =>
    Object.fromEntries(
      kinds.map(([name, kind]) => {
        const values = valuesOf(kind);
        return [name, values[Math.min(round, values.length - 1)] ?? ''];
      }),
    ),
  );
}
