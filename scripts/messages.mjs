// The catalogue of messages: writes what the compiler checks identifiers and arguments by
// (core/src/catalogue.ts), and refuses what a language lacks, has too much of or has wrong.
// With --check it writes nothing. Takes another root for its own test.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse, TYPE } from '@formatjs/icu-messageformat-parser';
import { readTerms, wordingFaults } from './plain.mjs';

const options = process.argv.slice(2);
const root = options.find((word) => !word.startsWith('--')) ?? join(import.meta.dirname, '..');
const HOME = join(root, 'messages');
/** The language in which messages are written first: it decides which there are and what they take. */
const FIRST = 'en';
const TYPES = join(root, 'core/src/catalogue.ts');
/** Styles of numbers that the translator knows. */
const STYLES = ['whole', 'tenths', 'hundredths', 'thousandths'];

const faults = [];

/** Arguments of a parsed text: name → the TypeScript type of its values. */
function argumentsOf(elements, place, found = new Map()) {
  const add = (name, type) => {
    const before = found.get(name);
    // Where a value is both chosen by and shown, the choice is what it must be.
    if (before === undefined || before === 'Value') found.set(name, type);
    else if (type !== 'Value' && type !== before)
      faults.push(`${place}: {${name}} is ${before} in one place and ${type} in another`);
  };
  for (const element of elements) {
    if (element.type === TYPE.argument) add(element.value, 'Value');
    if (element.type === TYPE.number) {
      if (typeof element.style !== 'string' || !STYLES.includes(element.style))
        faults.push(`${place}: {${element.value}, number} needs a style: ${STYLES.join(', ')}`);
      add(element.value, 'number');
    }
    if (element.type === TYPE.plural || element.type === TYPE.select) {
      const cases = Object.entries(element.options);
      const named = cases.map(([name]) => name).filter((name) => name !== 'other');
      // An empty “other” is only there because the format asks for it: no value leads to it.
      const open = (element.options.other?.value.length ?? 0) > 0;
      const words = [...named, ...(open ? ['other'] : [])].sort().map((name) => `'${name}'`);
      add(element.value, element.type === TYPE.plural ? 'number' : words.join(' | '));
      for (const [, { value }] of cases) argumentsOf(value, place, found);
    }
    if (element.type === TYPE.date || element.type === TYPE.time || element.type === TYPE.tag)
      faults.push(`${place}: dates are values, and there is no markup`);
  }
  return found;
}

/** Whether a text counts something: forms by number, and not single numbers alone. */
const counts = ({ options }) =>
  Object.keys(options).some((form) => !form.startsWith('=')) &&
  (Object.keys(options).every((form) => form === 'other') ||
    Object.keys(options).some(
      (form) => form === '=1' || (form !== 'other' && !form.startsWith('=')),
    ));

/** Plural forms that a text lacks in its language; “many” is asked of whole millions alone. */
function lackingForms(elements, language, place) {
  for (const element of elements) {
    if (element.type !== TYPE.plural && element.type !== TYPE.select) continue;
    if (element.type === TYPE.plural && counts(element)) {
      const type = element.pluralType === 'ordinal' ? 'ordinal' : 'cardinal';
      for (const form of new Intl.PluralRules(language, { type }).resolvedOptions()
        .pluralCategories)
        if (form !== 'many' && !element.options[form] && !(form === 'one' && element.options['=1']))
          faults.push(`${place}: {${element.value}} has no form “${form}”`);
    }
    for (const { value } of Object.values(element.options)) lackingForms(value, language, place);
  }
}

/** A number sign counts only directly inside its plural: below a choice in it, it would be shown as it is. */
function straySigns(elements, place, counted = false) {
  for (const element of elements) {
    if (counted && element.type === TYPE.literal && element.value.includes('#'))
      faults.push(`${place}: “#” inside a choice: name the argument`);
    for (const { value } of Object.values(element.options ?? {}))
      straySigns(value, place, counted || element.type === TYPE.plural);
  }
}

const terms = existsSync(join(HOME, 'terms.json')) ? readTerms(HOME) : [];

/** Every text of a language: id → its arguments. */
function readLanguage(language) {
  const texts = new Map();
  const isFirst = language === FIRST;
  for (const file of readdirSync(join(HOME, language))
    .filter((name) => name.endsWith('.json'))
    .sort()) {
    const module = file.replace('.json', '');
    const all = JSON.parse(readFileSync(join(HOME, language, file), 'utf8'));
    for (const [key, text] of Object.entries(all)) {
      const place = `${language}/${file}: ${key}`;
      try {
        const elements = parse(text, { captureLocation: false, ignoreTag: true });
        lackingForms(elements, language, place);
        straySigns(elements, place);
        const isHeadline = !key.endsWith('.more') && (module === 'advice' || `${key}.more` in all);
        const banned = isFirst ? terms : [];
        for (const fault of wordingFaults(
          `${module}.${key}`,
          elements,
          isHeadline,
          banned,
          isFirst,
        ))
          faults.push(`${place}: ${fault}`);
        texts.set(`${module}.${key}`, argumentsOf(elements, place));
      } catch (error) {
        faults.push(`${place}: cannot be read (${error.message})`);
      }
    }
  }
  return texts;
}

const languages = readdirSync(HOME, { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name);
const first = readLanguage(FIRST);
for (const language of languages.filter((name) => name !== FIRST)) {
  const texts = readLanguage(language);
  for (const [id, wanted] of first) {
    const given = texts.get(id);
    if (!given) faults.push(`${language}: ${id} is missing`);
    else
      for (const [name, type] of given)
        if (!wanted.has(name))
          faults.push(`${language}: ${id} has an argument {${name}} that nobody gives`);
        else if (type !== wanted.get(name) && type !== 'Value')
          faults.push(`${language}: ${id}: {${name}} is ${type}, not ${wanted.get(name)}`);
    for (const name of wanted.keys())
      if (given && !given.has(name)) faults.push(`${language}: ${id} does not use {${name}}`);
  }
  for (const id of texts.keys())
    if (!first.has(id)) faults.push(`${language}: ${id} is not in ${FIRST}`);
}

/** Every source that may name a message: ids are written out, so that a search finds who says a sentence. */
const sources = ['app/src', 'core/src', 'words/src'].flatMap((room) =>
  existsSync(join(root, room))
    ? readdirSync(join(root, room), { recursive: true })
        .filter(
          (file) =>
            /\.tsx?$/.test(file) &&
            join(root, 'core/src/catalogue.ts') !== file &&
            !/\.test\.ts$/.test(file),
        )
        .map((file) => readFileSync(join(root, room, file), 'utf8'))
    : [],
);
const named = new Set(sources.flatMap((text) => text.match(/'[a-z]\w*\.[\w.]+'/gi) ?? []));
for (const id of first.keys())
  if (!named.has(`'${id}'`)) faults.push(`${FIRST}: ${id} is said nowhere`);

const line = ([id, args]) => {
  const fields = [...args].map(([name, type]) => `readonly ${name}: ${type}`).join('; ');
  return `  readonly '${id}': ${fields ? `{ ${fields} }` : 'None'};`;
};
const types = `// Written by \`npm run messages\` from messages/${FIRST}: which messages there are and what each takes.

type None = Readonly<Record<never, never>>;

/** @typeParam Value whatever an argument can be */
export interface Catalogue<Value> {
${[...first].map(line).join('\n')}
}
`;
if (options.includes('--check')) {
  if (!existsSync(TYPES) || readFileSync(TYPES, 'utf8') !== types)
    faults.push('core/src/catalogue.ts is not of these messages: npm run messages');
} else writeFileSync(TYPES, types);

console.log(
  `  ${first.size} messages, ${languages.length} language${languages.length === 1 ? '' : 's'}`,
);
for (const fault of faults) console.error(`  ${fault}`);
process.exit(faults.length === 0 && first.size > 0 ? 0 : 1);
