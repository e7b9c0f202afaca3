// What people read stands in messages/: a literal text in the interface or in core is refused, and so
// is a message that code glues to something. Takes another root for its own test.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { parse } from '@babel/parser';
import traversal from '@babel/traverse';

const traverse = traversal.default ?? traversal;
const root = process.argv[2] ?? join(import.meta.dirname, '..');
const ROOMS = ['app/src', 'core/src', 'words/src'];
/** The invented library, what developers read of a backup, and what messages are tried with: data. */
const DATA = ['core/src/demo/', 'core/src/records/schema.ts', 'words/src/samples.ts'];

/** Attributes whose value is shown or read out. */
const SHOWN =
  /^(aria-(label|description|roledescription|valuetext)|alt|caption|description|does|error|heading|label|legend|message|placeholder|says|summary|text|title|under|why)$/;
const LETTERS = /\p{L}{2}/u;
/** Two words or more that begin as a sentence does, or end as one does. */
const SENTENCE = /^\p{Lu}\p{Ll}*\s+\p{Ll}|\p{L}{2}\s+\S.*[.?!…]$/u;

const files = ROOMS.filter((room) => existsSync(join(root, room)))
  .flatMap((room) =>
    readdirSync(join(root, room), { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
      .map((entry) => relative(root, join(entry.parentPath, entry.name))),
  )
  .filter(
    (file) => !/\.test\.tsx?$|Fixture\.ts$/.test(file) && !DATA.some((at) => file.startsWith(at)),
  );

/** Whether a call writes a message out: t('…'), t.value(…). */
const writesOut = (node) =>
  node?.type === 'CallExpression' &&
  (node.callee.name === 't' ||
    (node.callee.object?.name === 't' && node.callee.property.name === 'value'));

/** Thrown where code is misused: developers read it, nobody else. */
const isForDevelopers = (path) =>
  path.findParent(
    ({ node }) =>
      (node.type === 'NewExpression' &&
        /^(Error|RangeError|RangeMisuse)$/.test(node.callee.name)) ||
      (node.type === 'CallExpression' && node.callee.name === 'assertRange'),
  ) !== null;

const isStyle = ({ node }) =>
  node.type === 'JSXElement' && node.openingElement.name.name === 'style';

function faultsIn(file) {
  const ast = parse(readFileSync(join(root, file), 'utf8'), {
    sourceType: 'module',
    plugins: ['typescript', 'jsx'],
  });
  const faults = [];
  const add = ({ loc }, what) =>
    faults.push(`${file}:${loc.start.line}: ${what.replace(/\s+/g, ' ').trim()}`);
  const shownBy = (path) =>
    path.parent.type === 'JSXAttribute'
      ? SHOWN.test(String(path.parent.name.name))
      : path.parent.type === 'JSXExpressionContainer' &&
        (path.parentPath.parent.type !== 'JSXAttribute' ||
          SHOWN.test(String(path.parentPath.parent.name.name)));
  const literal = (path, text) => {
    if (!LETTERS.test(text) || path.findParent(({ node }) => node.type.startsWith('TS'))) return;
    if (path.findParent(isStyle)) return;
    if (shownBy(path) || (SENTENCE.test(text) && !isForDevelopers(path)))
      add(path.node, `a text outside of messages/: ${text}`);
  };
  traverse(ast, {
    JSXText(path) {
      if (LETTERS.test(path.node.value))
        add(path.node, `a text outside of messages/: ${path.node.value}`);
    },
    StringLiteral(path) {
      if (!/^(Import|Export)/.test(path.parent.type)) literal(path, path.node.value);
    },
    TemplateLiteral(path) {
      const words = path.node.quasis.map(({ value }) => value.cooked).join('');
      literal(path, words);
      if (path.node.expressions.some(writesOut) && LETTERS.test(words))
        add(path.node, 'a message is glued to words: make them one message');
    },
    BinaryExpression({ node }) {
      if (node.operator === '+' && (writesOut(node.left) || writesOut(node.right)))
        add(node, 'a message is glued with +: make it one message');
    },
    CallExpression({ node }) {
      const { object, property } = node.callee;
      if (
        writesOut(object) &&
        /^(replace|replaceAll|slice|split|substring|toLowerCase)$/.test(property?.name)
      )
        add(node, `a message is cut or changed by ${property.name}: make it one message`);
    },
  });
  return faults;
}

const faults = files.flatMap(faultsIn);
console.log(`  ${files.length} sources, ${faults.length} texts outside of messages/ or glued`);
for (const line of faults) console.error(`  ${line}`);
process.exit(faults.length === 0 && files.length > 0 ? 0 : 1);
