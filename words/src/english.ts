import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from '@formatjs/icu-messageformat-parser';
import { USUAL_READER } from './reader.ts';
import { stretched } from './stretched.ts';
import { type Catalogued, translator } from './translator.ts';

const HOME = join(import.meta.dirname, '../../messages');

/** A language in which every text differs from English: a test that passes in it depends on no wording. */
export const REWORDED = 'en-XA';

/** The whole catalogue of a language, for tests and tools that run in Node. */
export function readCatalogue(language: string): Catalogued {
  const reworded = language === REWORDED;
  const home = join(HOME, reworded ? 'en' : language);
  const files = readdirSync(home).filter((name) => name.endsWith('.json'));
  return Object.fromEntries(
    files.map((name) => {
      const texts = JSON.parse(readFileSync(join(home, name), 'utf8'));
      return [name.replace('.json', ''), reworded ? stretched(parsed(texts)) : texts];
    }),
  );
}

const parsed = (texts: Record<string, string>) =>
  Object.fromEntries(
    Object.entries(texts).map(([key, text]) => [
      key,
      /[{}]/.test(text) ? parse(text, { captureLocation: false, ignoreTag: true }) : text,
    ]),
  );

/** Turns messages into English, as a usual reader reads it: for tools that run in Node. */
export const inEnglish = translator(readCatalogue('en'), USUAL_READER);
