import type { Parsed, Texts } from './translator.ts';

const LITERAL = 0;
const VOWEL = /[aeiou]/gi;

/** Vowels are about a third of what is written in English. */
const longer = (words: string) => words.replace(VOWEL, '$&$&');

function stretchedText(elements: Parsed): Parsed {
  return elements.map((element) => {
    if (element.type === LITERAL) return { ...element, value: longer(element.value) };
    if (!('options' in element)) return element;
    const options = Object.entries(element.options).map(([name, option]) => [
      name,
      { ...option, value: stretchedText(option.value) },
    ]);
    return { ...element, options: Object.fromEntries(options) } as typeof element;
  });
}

/** Texts a third longer, every vowel twice: they show where there is no room for another language. */
export function stretched(texts: Texts): Texts {
  return Object.fromEntries(
    Object.entries(texts).map(([key, text]) => [
      key,
      typeof text === 'string' ? longer(text) : stretchedText(text),
    ]),
  );
}
