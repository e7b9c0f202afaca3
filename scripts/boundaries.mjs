// The rooms of the house and the one way their arrows run, read from the real import graph.
// Takes another root for its own test. docs/extending.md says what lives in which room.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parse } from '@babel/parser';
import { traverseFast } from '@babel/types';

const ROOMS = ['core/src', 'words/src', 'app/src', 'server/src', 'tools/src'];
const PLUGINS = ['typescript', 'jsx'];

/** From the ground up: a room may import its own files and any room further down. */
const CORE = [
  ['units', 'catalogue'],
  ['message'],
  ['errors'],
  ['maths'],
  ['music'],
  ['strings', 'formats'],
  ['fretboard', 'listen', 'attribution'],
  ['sitting'],
  ['state'],
  ['retune', 'settling', 'intonation', 'drift', 'rounds', 'ear'],
  ['practice', 'coach', 'records'],
  ['demo', 'sentences'],
  ['dialogue'],
];
const APP = [['environment'], ['worker'], ['sound', 'fits', 'data'], ['parts'], ['views'], ['app']];
/** Within `parts/`: what draws alone, and what also reads and listens. */
const PARTS = [
  ['words'],
  ['frame', 'wires', 'charts'],
  [
    'instruments',
    'neck',
    'pegs',
    'recordings',
    'copies',
    'listening',
    'finder',
    'drift',
    'rounds',
    'share',
    'cards',
  ],
  ['stage'],
];
/** What a room of the app shows to others: to the page, to its workers, and how they talk. */
const DOORS = ['index.ts', 'serve.ts', 'protocol.ts'];
/** Fewer than this many sources means that the check itself is broken. */
const LEAST_MODULES = 300;

const floorIn = (floors, room) => floors.findIndex((floor) => floor.includes(room));

/** Where a file lives: the house it belongs to, its room and the floor of that. */
function placeOf(file) {
  const [house, , first = '', second = ''] = file.split('/');
  if (house !== 'core' && house !== 'app') return { house, room: house, floor: 0 };
  const inRoom = second !== '';
  const name = first.replace(/\.tsx?$/, '');
  const room = inRoom || house === 'core' || name === 'environment' ? name : 'app';
  return { house, room, floor: floorIn(house === 'core' ? CORE : APP, room) };
}

/** What is wrong with one import; null where it is lawful. */
export function faultOf(from, to) {
  const [a, b] = [placeOf(from), placeOf(to)];
  if (a.house !== b.house) {
    if (b.house === 'words' && a.house !== 'core') {
      const [forNode] = a.house === 'app' ? (/(english|expected|pattern)\.ts$/.exec(to) ?? []) : [];
      return forNode ? `${forNode} is for Node alone` : null;
    }
    return b.house === 'core' ? null : `${a.house} imports nothing of ${b.house}`;
  }
  if (a.house !== 'core' && a.house !== 'app') return null;
  for (const { house, room, floor } of [a, b])
    if (floor < 0) return `${house}/src/${room} is no room of this house`;
  if (a.room !== b.room && a.floor <= b.floor) return `${a.room} stands not above ${b.room}`;
  const inside = (file) => file.split('/').slice(3);
  if (
    a.room !== b.room &&
    b.house === 'core' &&
    inside(to).length > 0 &&
    inside(to)[0] !== 'index.ts'
  )
    return `the inside of ${b.room} is its own: import its index.ts`;
  if (b.house === 'core') return null;
  if (b.room === 'views' || b.room === 'parts') return ofPart(a, b, from, to);
  const [, , , door] = to.split('/');
  if (a.room !== b.room && door !== undefined && !DOORS.includes(door))
    return `the inside of ${b.room} is its own: import its index.ts`;
  return null;
}

/** Views and parts meet through their index.ts alone, parts in one direction. */
function ofPart(a, b, from, to) {
  const [mine, theirs] = [from.split('/')[3], to.split('/')[3]];
  const [, , , , file] = to.split('/');
  const elsewhere = a.room !== b.room || mine !== theirs;
  if (elsewhere && file !== 'index.ts')
    return `the inside of ${b.room}/${theirs} is its own: import its index.ts`;
  if (a.room !== 'parts' || mine === theirs) return null;
  const [low, high] = [floorIn(PARTS, theirs), floorIn(PARTS, mine)];
  if (low < 0 || high < 0) return `parts/${low < 0 ? theirs : mine} has no place among the parts`;
  return low > high ? `parts/${mine} stands not above parts/${theirs}` : null;
}

const isTest = (file) => /\.test\.tsx?$|Fixture\.ts$/.test(file);

/** The file that an import names, relative to the root; null for a package's. */
function resolved(root, from, specifier) {
  const path = specifier.replace(/\?.*$/, '');
  if (path.startsWith('.')) return relative(root, join(root, dirname(from), path));
  const words = /^@rosefinch\/words(?:\/(.+))?$/.exec(path);
  if (words) return `words/src/${words[1] ?? 'index'}.ts`;
  const room = /^@rosefinch\/core\/(.+)$/.exec(path)?.[1];
  if (!room) return null;
  const one = `core/src/${room}.ts`;
  return existsSync(join(root, one)) ? one : `core/src/${room}/index.ts`;
}

/** Whatever a source names in imports, re-exports, `import()` and `new URL(…, import.meta.url)`. */
function namedIn(file, text) {
  const names = [];
  const take = (node) => node?.type === 'StringLiteral' && names.push(node.value);
  const ast = parse(text, { sourceType: 'module', sourceFilename: file, plugins: PLUGINS });
  traverseFast(ast, (node) => {
    if (/^(Import|ExportNamed|ExportAll)Declaration$/.test(node.type)) take(node.source);
    if (node.type === 'ImportExpression') take(node.source);
    if (node.type === 'CallExpression' && node.callee.type === 'Import') take(node.arguments[0]);
    if (node.type === 'NewExpression' && node.callee.name === 'URL') take(node.arguments[0]);
    if (node.type === 'TSImportType') take(node.argument.literal ?? node.argument);
  });
  return names;
}

/** Every import of one source by another, and every circle of files. */
export function houseGraph(root) {
  const modules = ROOMS.filter((room) => existsSync(join(root, room))).flatMap((room) =>
    readdirSync(join(root, room), { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
      .map((entry) => relative(root, join(entry.parentPath, entry.name))),
  );
  const arrows = modules.flatMap((from) =>
    namedIn(from, readFileSync(join(root, from), 'utf8')).flatMap((specifier) => {
      const to = resolved(root, from, specifier);
      return to === null ? [] : [{ from, to }];
    }),
  );
  return { modules, arrows, cycles: circlesIn(modules, arrows) };
}

/** Sets of files each of which leads to all others of its set (Tarjan 1972). */
function circlesIn(modules, arrows) {
  const next = new Map(modules.map((file) => [file, []]));
  for (const { from, to } of arrows) if (next.has(to)) next.get(from).push(to);
  const seen = new Map();
  const low = new Map();
  const stack = [];
  const circles = [];
  const visit = (file) => {
    seen.set(file, seen.size);
    low.set(file, seen.get(file));
    stack.push(file);
    for (const to of next.get(file)) {
      if (!seen.has(to)) visit(to);
      if (stack.includes(to)) low.set(file, Math.min(low.get(file), low.get(to)));
    }
    if (low.get(file) !== seen.get(file)) return;
    const circle = stack.splice(stack.indexOf(file));
    if (circle.length > 1) circles.push(circle.sort());
  };
  for (const file of modules) if (!seen.has(file)) visit(file);
  return circles;
}

const isOwn = (file) => /^(core|words|app|server|tools)\/src\//.test(file);

/** Arrows between rooms, and those that do not run down, for core and app. */
export function floorsOf(arrows) {
  const figures = {};
  const own = arrows.filter(({ from, to }) => isOwn(from) && isOwn(to) && !isTest(from));
  for (const house of ['core', 'app']) {
    const between = own
      .filter(({ from, to }) => [from, to].every((file) => placeOf(file).house === house))
      .map(({ from, to }) => [placeOf(from).room, placeOf(to).room])
      .filter(([a, b]) => a !== b)
      .map((pair) => pair.join(' -> '));
    const kinds = new Set(between);
    const both = [...kinds].filter((one) => kinds.has(one.split(' -> ').reverse().join(' -> ')));
    for (const [name, value] of [
      ['arrows between rooms', kinds.size],
      ['rooms that import each other', both.length / 2],
    ])
      figures[name] = { ...figures[name], [house]: value };
  }
  return figures;
}

/** Everything that is wrong in the house below a root, a line each. */
export function faultsIn(root) {
  const { modules, arrows, cycles } = houseGraph(root);
  const wrong = arrows
    .filter(({ from, to }) => isOwn(from) && isOwn(to) && !isTest(from))
    .flatMap(({ from, to }) => {
      const fault = faultOf(from, to);
      return fault ? [`${from} -> ${to}: ${fault}`] : [];
    });
  const circles = cycles
    .filter((cycle) => !cycle.some(isTest))
    .map((cycle) => `a circle: ${cycle.join(' -> ')}`);
  return { modules, faults: [...new Set([...wrong, ...circles])] };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const { modules, faults } = faultsIn(process.argv[2] ?? join(import.meta.dirname, '..'));
  console.log(`  ${modules.length} sources, ${faults.length} imports that the rooms forbid`);
  for (const line of faults) console.error(`  ${line}`);
  process.exit(faults.length === 0 && modules.length >= LEAST_MODULES ? 0 : 1);
}
