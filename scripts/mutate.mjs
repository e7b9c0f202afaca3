// Whether the unit tests notice faults: `npm run mutate` for the lines changed since the last
// commit, `npm run mutate -- core 300` for a seeded sample over the core, `npm run mutate -- listen 40`
// for one room of it. Each fault is made alone, in a copy; tests of its own room run first.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { basename, dirname, join, relative } from 'node:path';
import { houseGraph } from './boundaries.mjs';
import { copyOfHouse } from './houseCopy.mjs';
import { mutantsOf } from './mutants.mjs';

const root = join(import.meta.dirname, '..');
const words = process.argv.slice(2);
const number = (name, otherwise) => {
  const at = words.indexOf(`--${name}`);
  return at < 0 ? otherwise : Number(words.splice(at, 2)[1]);
};
const SEED = number('seed', 1);
const WORKERS = number('workers', cpus().length);
/** A run is taken for endless beyond so many times what its tests take, and this. */
const SLOWER = 8;
const MOST_MS = 20_000;
/** Test files of other rooms that take longer are left out. */
const QUICK_MS = 4000;

/** mulberry32, as in core. */
function seeded(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let z = Math.imul(state ^ (state >>> 15), state | 1);
    z ^= z + Math.imul(z ^ (z >>> 7), z | 61);
    return ((z ^ (z >>> 14)) >>> 0) / 4294967296;
  };
}

const filesIn = (room) =>
  readdirSync(join(root, room), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => relative(root, join(entry.parentPath, entry.name)))
    .sort();
const isSource = (file) => !/\.test\.tsx?$|[fF]ixture\.ts$|\/index\.ts$/.test(file);

/** Mutants of some files, optionally only on lines that were changed. */
function mutantsIn(files, onLine = () => true) {
  return files.flatMap((file) =>
    mutantsOf(readFileSync(join(root, file), 'utf8'))
      .filter(({ line }) => onLine(file, line))
      .map((mutant) => ({ file, ...mutant })),
  );
}

function changedLines() {
  const diff = spawnSync('git', ['diff', '-U0', 'HEAD', '--', 'core/src', 'app/src'], {
    cwd: root,
    encoding: 'utf8',
  }).stdout;
  const lines = new Map();
  let file = '';
  for (const row of diff.split('\n')) {
    file = /^\+\+\+ b\/(.+)$/.exec(row)?.[1] ?? file;
    const [, from, count = '1'] = /^@@ .* \+(\d+)(?:,(\d+))? @@/.exec(row) ?? [];
    if (from === undefined) continue;
    const own = lines.get(file) ?? lines.set(file, new Set()).get(file);
    for (let i = 0; i < Number(count); i++) own.add(Number(from) + i);
  }
  return lines;
}

function sample(mutants, count) {
  const random = seeded(SEED);
  const picked = [];
  const rest = [...mutants];
  while (picked.length < count && rest.length > 0)
    picked.push(...rest.splice(Math.floor(random() * rest.length), 1));
  return picked;
}

function chosen() {
  const [what, count = '60'] = words;
  if (what === undefined) {
    const changed = changedLines();
    const files = [...changed.keys()].filter(
      (file) => isSource(file) && existsSync(join(root, file)),
    );
    return mutantsIn(files, (file, line) => changed.get(file).has(line));
  }
  const room = what === 'core' ? 'core/src' : what === 'app' ? 'app/src' : `core/src/${what}`;
  return sample(mutantsIn(filesIn(room).filter(isSource)), Number(count));
}

const { arrows } = houseGraph(root);
const importers = new Map();
for (const { from, to } of arrows) importers.set(to, [...(importers.get(to) ?? []), from]);

/** Tests that reach a file by their imports, those of its own room first. */
function testsFor(file, times) {
  const seen = new Set([file]);
  const queue = [file];
  while (queue.length > 0)
    for (const next of importers.get(queue.shift()) ?? [])
      if (!seen.has(next)) {
        seen.add(next);
        queue.push(next);
      }
  const tests = [...seen].filter((one) => /\.test\.tsx?$/.test(one));
  const own = (test) => dirname(test) === dirname(file);
  const near = (test) => (basename(test).startsWith(basename(file, '.ts')) ? 0 : 1);
  const byTime = (a, b) => (times.get(a) ?? 0) - (times.get(b) ?? 0);
  return [
    tests.filter(own).sort((a, b) => near(a) - near(b) || byTime(a, b)),
    tests.filter((test) => !own(test) && (times.get(test) ?? 0) < QUICK_MS).sort(byTime),
  ];
}

function runTests(house, tests, times = new Map()) {
  const usual = tests.reduce((sum, test) => sum + (times.get(test) ?? MOST_MS), 0);
  return new Promise((resolve) => {
    const began = Date.now();
    const mocha = spawn(
      process.execPath,
      [
        join(root, 'node_modules/mocha/bin/mocha.js'),
        ...['--no-config', '--bail', '--timeout', '0', '--reporter', 'dot', '--exit'],
        ...['--node-option', 'import=tsx', '--require', 'scripts/inNode.cjs'],
        ...tests,
      ],
      { cwd: house, stdio: 'ignore', detached: true },
    );
    const timer = setTimeout(() => process.kill(-mocha.pid, 'SIGKILL'), MOST_MS + SLOWER * usual);
    mocha.on('close', (code) => {
      clearTimeout(timer);
      resolve({ code, ms: Date.now() - began });
    });
  });
}

/** How long each test file takes, measured once; those of before are taken as they were. */
async function timesOf(house) {
  const kept = join(root, 'test-results/times.json');
  const times = new Map(existsSync(kept) ? JSON.parse(readFileSync(kept, 'utf8')) : []);
  const tests = [...filesIn('core/src'), ...filesIn('app/src')].filter((file) =>
    /\.test\.tsx?$/.test(file),
  );
  for (const test of tests) {
    if (times.has(test)) continue;
    const { code, ms } = await runTests(house, [test]);
    if (code !== 0) throw new Error(`${test} fails without any fault`);
    times.set(test, ms);
  }
  mkdirSync(dirname(kept), { recursive: true });
  writeFileSync(kept, JSON.stringify([...times]));
  return times;
}

async function judge(house, mutant, times) {
  const at = join(house, mutant.file);
  const text = readFileSync(at, 'utf8');
  writeFileSync(at, text.slice(0, mutant.start) + mutant.code + text.slice(mutant.end));
  let verdict = 'survived';
  for (const tests of testsFor(mutant.file, times)) {
    if (tests.length === 0) continue;
    const { code } = await runTests(house, tests, times);
    if (code !== 0) {
      verdict = code === null ? 'endless' : 'noticed';
      break;
    }
  }
  writeFileSync(at, text);
  return verdict;
}

process.on('exit', () => rmSync(join(root, '.mutants'), { recursive: true, force: true }));

const mutants = chosen();
console.log(`  ${mutants.length} faults, seed ${SEED}`);
const houses = Array.from({ length: WORKERS }, (_, i) =>
  copyOfHouse(root, join(root, '.mutants', String(i))),
);
const times = await timesOf(houses[0]);
const results = [];
const queue = [...mutants];
await Promise.all(
  houses.map(async (house) => {
    for (let mutant = queue.shift(); mutant; mutant = queue.shift()) {
      const verdict = await judge(house, mutant, times);
      results.push({ ...mutant, verdict });
      if (verdict === 'noticed') continue;
      const old = readFileSync(join(root, mutant.file), 'utf8').slice(mutant.start, mutant.end);
      const flat = (code) => code.replace(/\s+/g, ' ').slice(0, 90);
      console.log(
        `  ${verdict} ${mutant.file}:${mutant.line} ${mutant.kind}: ${flat(old)} → ${flat(mutant.code)}`,
      );
    }
  }),
);
const share = (list) => {
  const noticed = list.filter(({ verdict }) => verdict !== 'survived').length;
  return `${noticed}/${list.length}`;
};
const groups = (by) => [...new Set(results.map(by))].sort();
const room = ({ file }) => file.split('/').slice(0, 3).join('/');
for (const by of [room, ({ kind }) => kind])
  console.log(
    `  ${groups(by)
      .map((name) => `${name} ${share(results.filter((one) => by(one) === name))}`)
      .join(', ')}`,
  );
const endless = results.filter(({ verdict }) => verdict === 'endless').length;
const noticed = results.length - results.filter(({ verdict }) => verdict === 'survived').length;
console.log(
  `  noticed ${noticed} of ${results.length} (${((100 * noticed) / results.length).toFixed(0)} %), of these by ending an endless run ${endless}`,
);
