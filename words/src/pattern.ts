import { parse } from '@formatjs/icu-messageformat-parser';
import type { MessageId, Value } from '@rosefinch/core/message';
import { fixed } from './reader.ts';
import type { Catalogued, Parsed, Words } from './translator.ts';

/** Some arguments of a message. */
export type Known = Readonly<Record<string, Value>>;

const DIGITS: Readonly<Record<string, number>> = { tenths: 1, hundredths: 2, thousandths: 3 };
const ANYTHING = '[\\s\\S]*?';

/**
 * The text of a message as the source of a regular expression. Arguments that are given are written
 * out; the others match anything. For tests, so that rewording a text changes none of them.
 * @param named whether the arguments that are not given become groups, which `toldIn` reads
 */
export function patternOf(
  texts: Catalogued,
  words: Words,
  id: MessageId,
  known: Known = {},
  named = false,
): string {
  const [module = '', key = ''] = split(id);
  const text = texts[module]?.[key];
  if (text === undefined) throw new Error(`There is no message “${id}”.`);
  let groups = 0;
  const unknown = (name: string, figure?: string) =>
    named ? `(?<${name}_${groups++}>${figure ?? '\\S+'})` : (figure ?? ANYTHING);
  const sourceOf = (elements: Parsed, counted: () => string): string =>
    elements.map((element) => pieceOf(element, counted)).join('');
  const pieceOf = (element: Parsed[number], counted: () => string): string => {
    if (element.type === LITERAL) return escaped(element.value);
    if (element.type === POUND) return counted();
    if (!('value' in element)) return ANYTHING;
    const value = known[element.value];
    if ('options' in element) return optionOf(element, value);
    if (value === undefined) return unknown(element.value);
    const style = element.type === NUMBER ? String(element.style) : null;
    return escaped(
      style !== null && typeof value === 'number'
        ? fixed(value, DIGITS[style] ?? 0, words.reader)
        : words.value(value),
    );
  };
  const optionOf = (element: Optional, value: Value | undefined): string => {
    const { options } = element;
    const plural = element.type === PLURAL;
    const counted = () =>
      value === undefined ? unknown(element.value, '[\\d.,]+') : escaped(words.value(value));
    const texts = Object.entries(options).map(([name, { value: of }]) => ({
      name,
      source: sourceOf(of, counted),
    }));
    const chosen = value === undefined ? null : choiceOf(options, plural, value, words);
    if (chosen !== null) return texts.find(({ name }) => name === chosen)?.source ?? '';
    // An empty choice would match anything.
    const said = [...new Set(texts.map(({ source }) => source))].filter((source) => source !== '');
    return `(?:${said.join('|')})`;
  };
  return sourceOf(typeof text === 'string' ? parse(text, OPTIONS) : text, () => '');
}

/** Reads the arguments of a message out of a text, by a pattern with named groups; empty if it does not match. */
export function toldIn(text: string, pattern: string): Readonly<Record<string, string>> {
  const groups = Object.entries(new RegExp(pattern).exec(text)?.groups ?? {});
  return Object.fromEntries(
    groups.flatMap(([name, value]) =>
      value === undefined ? [] : [[name.replace(/_\d+$/, ''), value]],
    ),
  );
}

const OPTIONS = { captureLocation: false, ignoreTag: true } as const;
const LITERAL = 0;
const NUMBER = 2;
const PLURAL = 6;
const POUND = 7;
type Optional = Extract<Parsed[number], { options: unknown }>;

function choiceOf(
  options: Optional['options'],
  plural: boolean,
  value: Value,
  { reader }: Words,
): string {
  const exact = plural ? `=${String(value)}` : String(value);
  if (exact in options) return exact;
  const rule = plural
    ? new Intl.PluralRules(reader.language).select(Math.round(Number(value)))
    : 'other';
  return rule in options ? rule : 'other';
}

function split(id: string): readonly [string, string] {
  const point = id.indexOf('.');
  return [id.slice(0, point), id.slice(point + 1)];
}

/** Escapes a text; between words a page may have any white space. */
function escaped(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&').replace(/\s+/g, '\\s+');
}
