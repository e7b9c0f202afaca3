// Figures of how the code reads: `npm run house`, kept in docs/house.md before and after a redesign.
// Another root may be named, so that an older checkout can be measured by the same rule.
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join, relative } from 'node:path';
import { parse } from '@babel/parser';
import traverseModule from '@babel/traverse';
import { floorsOf, houseGraph } from './boundaries.mjs';

// Its module form imports a file that its own dependency does not export.
const { detectClones } = createRequire(import.meta.url)('jscpd');
const traverse = traverseModule.default ?? traverseModule;
const root = process.argv[2] ?? join(import.meta.dirname, '..');
const SHORT_LINES = 40;
const MANY_PARAMETERS = 4;
const DUPLICATE_LINES = 6;

const isTest = (file) => /\.test\.tsx?$|[fF]ixture\.ts$/.test(file);
const sourcesOf = (room) =>
  readdirSync(join(root, room, 'src'), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => relative(root, join(entry.parentPath, entry.name)))
    .sort();
const linesOf = (text) => text.split('\n').length - 1;
const sum = (values) => values.reduce((total, one) => total + one, 0);
const sorted = (values) => [...values].sort((a, b) => a - b);
const median = (values) => sorted(values)[Math.floor(values.length / 2)] ?? 0;

const BRANCHES = new Set([
  'IfStatement',
  'ConditionalExpression',
  'ForStatement',
  'ForOfStatement',
  'ForInStatement',
  'WhileStatement',
  'DoWhileStatement',
  'CatchClause',
]);

/** Ways through a function, its inner functions counted apart: 1 and one more for each branch. */
function complexityOf(path) {
  let ways = 1;
  path.traverse({
    Function: (inner) => inner.skip(),
    enter({ node }) {
      if (BRANCHES.has(node.type) || (node.type === 'SwitchCase' && node.test)) ways++;
      if (node.type === 'LogicalExpression' || node.type === 'OptionalMemberExpression') ways++;
    },
  });
  return ways;
}

/** The name by which a function is known; null for one that is handed over on the spot. */
function nameOf({ node, parent }) {
  if (node.id) return node.id.name;
  if (node.type === 'ClassMethod' || node.type === 'ObjectMethod') return node.key.name ?? '?';
  if (parent.type === 'VariableDeclarator') return parent.id.name ?? '?';
  if (/Property$/.test(parent.type)) return parent.key.name ?? '?';
  return null;
}

function measureFile(file) {
  const text = readFileSync(join(root, file), 'utf8');
  const ast = parse(text, {
    sourceType: 'module',
    attachComment: true,
    plugins: ['typescript', 'jsx'],
  });
  const found = { file, lines: linesOf(text), functions: [], casts: 0, bangs: 0, exports: 0 };
  found.documented = 0;
  traverse(ast, {
    Function(path) {
      const name = nameOf(path);
      if (name === null) return;
      const { start, end } = path.node.loc;
      found.functions.push({
        at: `${file}:${start.line} ${name}`,
        lines: end.line - start.line + 1,
        complexity: complexityOf(path),
        parameters: path.node.params.length,
      });
    },
    TSAsExpression({ node }) {
      if (node.typeAnnotation.typeName?.name !== 'const') found.casts++;
    },
    TSNonNullExpression: () => void found.bangs++,
    ExportNamedDeclaration({ node }) {
      if (!node.declaration) return;
      found.exports++;
      if (node.leadingComments?.some(({ type }) => type === 'CommentBlock')) found.documented++;
    },
  });
  return found;
}

async function duplicatesIn(room) {
  const clones = await detectClones({
    path: [join(root, room, 'src')],
    minLines: DUPLICATE_LINES,
    minTokens: 40,
    format: ['typescript', 'tsx'],
    ignore: ['**/*.test.ts', '**/*ixture.ts'],
    silent: true,
    reporters: [],
  });
  return clones.map(
    ({ duplicationA: a, duplicationB: b }) =>
      `${relative(root, a.sourceId)}:${a.start.line} ~ ${relative(root, b.sourceId)}:${b.start.line}`,
  );
}

async function figuresOf(room) {
  const all = sourcesOf(room);
  const files = all.filter((file) => !isTest(file)).map(measureFile);
  const functions = files.flatMap((file) => file.functions);
  const lines = sum(files.map((file) => file.lines));
  const tests = sum(
    all.filter(isTest).map((file) => linesOf(readFileSync(join(root, file), 'utf8'))),
  );
  const lengths = functions.map((one) => one.lines);
  const worst = (by) => functions.reduce((most, one) => (one[by] > most[by] ? one : most));
  const perThousand = (count) => ((1000 * count) / lines).toFixed(1);
  const bangs = sum(files.map((file) => file.bangs));
  const casts = sum(files.map((file) => file.casts));
  const named = sum(files.map((file) => file.exports));
  const duplicates = await duplicatesIn(room);
  const fileLines = files.map((file) => file.lines);
  return {
    'files, lines': `${files.length}, ${lines}`,
    'lines a file, median / most': `${median(fileLines)} / ${Math.max(...fileLines)}`,
    'lines a function, median / most': `${median(lengths)} / ${worst('lines').lines} (${worst('lines').at})`,
    [`functions within ${SHORT_LINES} lines`]: `${((100 * lengths.filter((n) => n <= SHORT_LINES).length) / lengths.length).toFixed(1)} % of ${lengths.length}`,
    'complexity, most': `${worst('complexity').complexity} (${worst('complexity').at})`,
    [`more than ${MANY_PARAMETERS} parameters`]: functions
      .filter(({ parameters }) => parameters > MANY_PARAMETERS)
      .length.toString(),
    'casts per 1,000 lines': perThousand(casts),
    '! per 1,000 lines': perThousand(bangs),
    'documented exports': `${((100 * sum(files.map((file) => file.documented))) / named).toFixed(0)} % of ${named}`,
    [`duplicates of ${DUPLICATE_LINES} lines and more`]: duplicates.length.toString(),
    'tests, share of all lines': `${((100 * tests) / (tests + lines)).toFixed(0)} %`,
  };
}

const figures = { core: await figuresOf('core'), app: await figuresOf('app') };
const { arrows, cycles } = houseGraph(root);
const floors = floorsOf(arrows);
console.log('| figure | core | app |\n|---|---|---|');
for (const name of Object.keys(figures.core))
  console.log(`| ${name} | ${figures.core[name]} | ${figures.app[name]} |`);
for (const [name, count] of Object.entries(floors))
  console.log(`| ${name} | ${count.core} | ${count.app} |`);
const cyclesIn = (room) => cycles.filter((cycle) => cycle[0].startsWith(`${room}/`)).length;
console.log(`| cycles of files | ${cyclesIn('core')} | ${cyclesIn('app')} |`);
