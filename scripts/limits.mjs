// No bare limit where something is judged: every number beside the plainest stands in a named
// constant at the top of its file, with its unit and why it is so. Takes another root for its test.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from '@babel/parser';
import traverseModule from '@babel/traverse';

const traverse = traverseModule.default ?? traverseModule;
const root = process.argv[2] ?? join(import.meta.dirname, '..');
const ROOMS = ['listen', 'coach', 'settling', 'intonation', 'drift', 'rounds', 'ear'];
/** Counts, halves, and what turns cents into semitones or seconds into thousandths. */
const PLAIN = new Set([0, 0.5, 1, 2, 10, 100, 1000]);

/** A power, or a small whole divisor, is a formula's and no limit. */
function isOfFormula({ node, parent }) {
  if (parent.type !== 'BinaryExpression' || parent.right !== node) return false;
  return parent.operator === '**' || (parent.operator === '/' && [3, 4].includes(node.value));
}

function isNamed(path) {
  if (path.findParent((p) => p.isFunction() || p.isClass())) return false;
  return path.findParent((p) => p.isVariableDeclaration()) !== null;
}

function bareIn(file) {
  const text = readFileSync(join(root, file), 'utf8');
  const found = [];
  traverse(parse(text, { sourceType: 'module', plugins: ['typescript'] }), {
    NumericLiteral(path) {
      const { value, loc } = path.node;
      if (PLAIN.has(value) || path.findParent((p) => p.isTSType())) return;
      if (isNamed(path) || isOfFormula(path)) return;
      found.push(`${file}:${loc.start.line}: ${text.split('\n')[loc.start.line - 1].trim()}`);
    },
  });
  return found;
}

const files = ROOMS.filter((room) => existsSync(join(root, 'core/src', room))).flatMap((room) =>
  readdirSync(join(root, 'core/src', room))
    .filter((name) => name.endsWith('.ts') && !/\.test\.ts$|[fF]ixture\.ts$/.test(name))
    .map((name) => `core/src/${room}/${name}`),
);
const bare = files.flatMap(bareIn);
console.log(`  ${files.length} sources, ${bare.length} numbers without a name`);
for (const line of bare) console.error(`  ${line}`);
process.exit(bare.length === 0 && files.length > 0 ? 0 : 1);
