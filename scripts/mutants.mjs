// Single faults that could be made in a source: what a careless hand does to a condition, a
// comparison, an operand, a number or a line. Each is a place in the text and what stands there then.
import { parse } from '@babel/parser';
import traverseModule from '@babel/traverse';

const traverse = traverseModule.default ?? traverseModule;
const COMPARED = { '<': '<=', '<=': '<', '>': '>=', '>=': '>', '===': '!==', '!==': '===' };
const RECKONED = { '+': '-', '-': '+', '*': '/', '/': '*', '%': '*', '**': '*' };
/** A limit that is moved by this much must be noticed. */
const MOVED = 1.3;

const isTyped = (path) => path.findParent((p) => p.isTSType() || p.isTSTypeAnnotation());
const shownNumber = (value) => Number(value.toPrecision(6)).toString();

/** Every mutant of a source, in the order in which they stand: `{ kind, start, end, code, line }`. */
export function mutantsOf(text) {
  const ast = parse(text, { sourceType: 'module', plugins: ['typescript', 'jsx'] });
  const found = [];
  const add = (kind, node, code) =>
    found.push({ kind, start: node.start, end: node.end, code, line: node.loc.start.line });
  const source = (node) => text.slice(node.start, node.end);
  const swapped = (node, operator) => `${source(node.left)} ${operator} ${source(node.right)}`;
  traverse(ast, {
    'IfStatement|ConditionalExpression|WhileStatement'({ node }) {
      add('negation', node.test, `!(${source(node.test)})`);
    },
    BinaryExpression({ node }) {
      const { operator } = node;
      if (operator in COMPARED) add('comparison', node, swapped(node, COMPARED[operator]));
      const ofText = [node.left, node.right].some((side) => /String|Template/.test(side.type));
      if (operator in RECKONED && !ofText)
        add('arithmetic', node, swapped(node, RECKONED[operator]));
    },
    LogicalExpression({ node }) {
      const { operator, left, right } = node;
      if (operator === '??') return;
      add('logic', node, swapped(node, operator === '&&' ? '||' : '&&'));
      add('logic', node, source(left));
      add('logic', node, source(right));
    },
    NumericLiteral(path) {
      const { node, parent } = path;
      if (isTyped(path) || (parent.type === 'ObjectProperty' && parent.key === node)) return;
      if (parent.type === 'MemberExpression') return;
      const { value } = node;
      const moved = Number.isInteger(value) && Math.abs(value) <= 4 ? value + 1 : value * MOVED;
      add('number', node, shownNumber(moved));
    },
    ExpressionStatement({ node, parent }) {
      if (parent.type === 'BlockStatement' && node.expression.type !== 'StringLiteral')
        add('removal', node, ';');
    },
    ReturnStatement({ node, parentPath, parent }) {
      // A guard that returns early: without it.
      if (parentPath.isIfStatement() && parent.consequent === node) add('removal', node, ';');
    },
  });
  return found.sort((a, b) => a.start - b.start || a.end - b.end);
}
