// How the English of the catalogue must read: no term that messages/terms.json replaces, and no text
// longer than its place allows. Other languages may be a third longer.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TYPE } from '@formatjs/icu-messageformat-parser';

/** Words of a headline, which is read from two metres, and of a sentence anywhere. */
const HEADLINE = 9;
const SENTENCE = 20;
const LONGER = 1.35;
/** Wordings of a text that are looked at: its longest ones. */
const KEPT = 6;

/** Texts that may break a rule, with the reason. */
const ALLOWED = {
  'advice.pegOtherWay': 'the danger and the new direction belong together',
  'tunings.cardString': 'spaces set the columns of a card',
  'tunings.cardStringOffset': 'spaces set the columns of a card',
};

/** The terms of messages/terms.json: pattern and what to say instead. */
export function readTerms(home) {
  return Object.entries(JSON.parse(readFileSync(join(home, 'terms.json'), 'utf8'))).map(
    ([pattern, instead]) => ({ pattern: new RegExp(pattern, 'i'), instead }),
  );
}

const byLength = (a, b) => b.length - a.length;

/** The longest wordings of a parsed text; a value counts as one word. */
function wordings(elements) {
  return elements.reduce(
    (before, element) => {
      const next = nextOf(element);
      return before
        .flatMap((text) => next.map((piece) => text + piece))
        .sort(byLength)
        .slice(0, KEPT);
    },
    [''],
  );
}

function nextOf(element) {
  if (element.type === TYPE.literal) return [element.value];
  if (!element.options) return ['7'];
  const texts = Object.values(element.options).flatMap(({ value }) => wordings(value));
  return texts.sort(byLength).slice(0, KEPT);
}

const wordsIn = (text) => text.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word)).length;

/**
 * What is wrong with the wording of a message.
 * @param id its id
 * @param elements its parsed text
 * @param isHeadline whether it is the first line of advice
 * @param terms the terms to avoid; none for other languages than the first
 */
export function wordingFaults(id, elements, isHeadline, terms, isFirst) {
  if (id in ALLOWED) return [];
  const factor = isFirst ? 1 : LONGER;
  const faults = [];
  const texts = wordings(elements);
  const [longest = ''] = texts;
  if (isHeadline && wordsIn(longest) > HEADLINE * factor)
    faults.push(`${wordsIn(longest)} words in a headline: “${longest}”`);
  for (const text of texts) {
    const long = text.split(/(?<=[.?!:;])\s+/).find((part) => wordsIn(part) > SENTENCE * factor);
    if (long) faults.push(`${wordsIn(long)} words in a sentence: “${long}”`);
    for (const { pattern, instead } of terms)
      if (pattern.test(text)) faults.push(`“${pattern.exec(text)[0]}” → ${instead}: “${text}”`);
    if (faults.length > 0) break;
  }
  return faults;
}
