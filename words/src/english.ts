import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { USUAL_READER } from './reader.ts';
import { type Catalogued, translator } from './translator.ts';

const HOME = join(import.meta.dirname, '../../messages');

/** The whole catalogue of a language, for tests and tools that run in Node. */
export function readCatalogue(language: string): Catalogued {
  const files = readdirSync(join(HOME, language)).filter((name) => name.endsWith('.json'));
  return Object.fromEntries(
    files.map((name) => [
      name.replace('.json', ''),
      JSON.parse(readFileSync(join(HOME, language, name), 'utf8')),
    ]),
  );
}

/** English for tests and tools: what a usual reader reads. */
export const inEnglish = translator(readCatalogue('en'), USUAL_READER);
