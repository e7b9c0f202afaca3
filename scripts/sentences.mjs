// Sentences live in core/src/words, so that a translation is one folder away: a view has labels, and
// asks words for what it says. Takes another root for its own test.
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { parse } from '@babel/parser';
import { traverseFast } from '@babel/types';

const root = process.argv[2] ?? join(import.meta.dirname, '..');
const ROOMS = ['app/src', 'core/src'];
const HOME = 'core/src/words/';
/** Invented names and notes of the demo are data. */
const DATA = 'core/src/demo/';
/** So many words, and an end: less is a label. */
const WORDS = 3;
const SENTENCE = /[\p{L}\d”’)%][.?!](\s|$)/u;

const files = ROOMS.flatMap((room) =>
  readdirSync(join(root, room), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => relative(root, join(entry.parentPath, entry.name))),
).filter(
  (file) =>
    !file.startsWith(HOME) && !file.startsWith(DATA) && !/\.test\.tsx?$|Fixture\.ts$/.test(file),
);

function isSentence(text) {
  const plain = text.replace(/\s+/g, ' ').trim();
  return SENTENCE.test(plain) && plain.split(' ').length >= WORDS;
}

/** What a developer reads and nobody else: thrown where code is misused. */
function saidIn(file) {
  const ast = parse(readFileSync(join(root, file), 'utf8'), {
    sourceType: 'module',
    plugins: ['typescript', 'jsx'],
  });
  const said = [];
  traverseFast(ast, (node) => {
    if (node.type === 'JSXText' && isSentence(node.value)) said.push([node, node.value]);
    if (node.type === 'StringLiteral' && isSentence(node.value)) said.push([node, node.value]);
    if (node.type === 'TemplateLiteral') {
      const text = node.quasis.map(({ value }) => value.cooked).join('x');
      if (isSentence(text)) said.push([node, text]);
    }
  });
  return said.map(
    ([{ loc }, text]) => `${file}:${loc.start.line}: ${text.replace(/\s+/g, ' ').trim()}`,
  );
}

const faults = files.flatMap(saidIn);
console.log(`  ${files.length} sources, ${faults.length} sentences outside of words`);
for (const line of faults) console.error(`  ${line}`);
process.exit(faults.length === 0 && files.length > 0 ? 0 : 1);
