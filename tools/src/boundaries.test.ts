import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect } from 'chai';

const root = join(import.meta.dirname, '../..');

/** A house with only these files in it. */
function houseWith(files: Readonly<Record<string, string>>): string {
  const house = mkdtempSync(join(tmpdir(), 'rosefinch-house-'));
  cpSync(join(root, 'biome.json'), join(house, 'biome.json'));
  for (const [path, code] of Object.entries(files)) {
    mkdirSync(dirname(join(house, path)), { recursive: true });
    writeFileSync(join(house, path), code);
  }
  return house;
}

function run(command: string, args: readonly string[], cwd: string) {
  const { status, stdout, stderr } = spawnSync(command, args, { cwd, encoding: 'utf8' });
  return { status, output: stdout + stderr };
}

const imports = (from: string) => `import { x } from '${from}';\n\nconsole.log(x);\n`;
const rooms = (house: string) =>
  run(process.execPath, [join(root, 'scripts/boundaries.mjs'), house], root);

/** Imports that the rooms forbid: where, of what, and what is said of it. */
const FORBIDDEN: readonly (readonly [from: string, of: string, says: string])[] = [
  ['core/src/music/a.ts', '../coach/index.ts', 'music stands not above coach'],
  ['core/src/settling/a.ts', '../intonation/index.ts', 'settling stands not above intonation'],
  ['core/src/sitting/a.ts', '../sentences/index.ts', 'sitting stands not above sentences'],
  ['core/src/coach/a.ts', '../sitting/replay.ts', 'the inside of sitting is its own'],
  ['core/src/music/b.ts', '../../../app/src/data/index.ts', 'core imports nothing of app'],
  ['core/src/cellar/a.ts', '../units.ts', 'core/src/cellar is no room of this house'],
  ['app/src/views/bench/a.ts', '../settle/useSettling.ts', 'the inside of views/settle is its own'],
  ['app/src/views/bench/b.ts', '../../data/log.ts', 'the inside of data is its own'],
  ['app/src/views/bench/c.ts', '../../parts/wires/draw.ts', 'the inside of parts/wires is its own'],
  ['app/src/parts/wires/a.ts', '../../views/bench/index.ts', 'parts stands not above views'],
  [
    'app/src/parts/frame/a.ts',
    '../listening/index.ts',
    'parts/frame stands not above parts/listening',
  ],
  ['app/src/data/a.ts', '../parts/frame/index.ts', 'data stands not above parts'],
  ['app/src/sound/a.ts', '../data/index.ts', 'sound stands not above data'],
  ['app/src/worker/a.ts', '../sound/index.ts', 'worker stands not above sound'],
  ['app/src/data/b.ts', '../App.tsx', 'data stands not above app'],
  ['core/src/music/c.ts', '../../../words/src/index.ts', 'core imports nothing of words'],
  ['app/src/views/bench/d.ts', '../../../../words/src/english.ts', 'english.ts is for Node alone'],
  [
    'app/src/views/bench/e.ts',
    '../../../../words/src/expected.ts',
    'expected.ts is for Node alone',
  ],
  ['server/src/a.ts', '../../app/src/data/index.ts', 'server imports nothing of app'],
  ['tools/src/a.ts', '../../app/src/sound/index.ts', 'tools imports nothing of app'],
];

const LAWFUL: readonly (readonly [from: string, of: string])[] = [
  ['core/src/sentences/good.ts', '../coach/index.ts'],
  ['core/src/coach/good.ts', '../units.ts'],
  ['app/src/views/bench/said.ts', '../../../../words/src/index.ts'],
  ['app/src/views/bench/good.ts', '../../data/index.ts'],
  ['app/src/views/shelf/good.ts', '../settle/index.ts'],
  ['app/src/parts/listening/good.ts', '../wires/index.ts'],
  ['app/src/fits/good.ts', '../worker/serve.ts'],
  ['server/src/good.ts', '@rosefinch/core/units'],
];

describe('room boundaries', () => {
  const house = houseWith(
    Object.fromEntries([...FORBIDDEN, ...LAWFUL].map(([from, of]) => [from, imports(of)])),
  );
  const { status, output } = rooms(house);

  for (const [from, of, says] of FORBIDDEN)
    it(`${from} may not import ${of}`, () => {
      expect(status).to.equal(1);
      const line = output.split('\n').find((one) => one.includes(`${from} -> `));
      expect(line, output).to.contain(says);
    });

  for (const [from, of] of LAWFUL)
    it(`${from} may import ${of}`, () => {
      expect(output).to.not.contain(from);
    });

  it('a circle of files is refused, also one of types', () => {
    const circle = houseWith({
      'core/src/music/a.ts': "import type { B } from './b.ts';\nexport type A = B;\n",
      'core/src/music/b.ts': "export type { A as B } from './a.ts';\n",
    });
    expect(rooms(circle).output).to.contain('a circle: core/src/music/a.ts -> core/src/music/b.ts');
  });

  it('imports on demand and addresses of workers count', () => {
    const later = houseWith({
      'app/src/data/a.ts': "void import('../views/bench/index.ts');\n",
      'app/src/data/b.ts': "new URL('../sound/ear.ts', import.meta.url);\n",
    });
    const found = rooms(later).output;
    expect(found).to.contain('app/src/data/a.ts -> app/src/views/bench/index.ts');
    expect(found).to.contain('app/src/data/b.ts -> app/src/sound/ear.ts');
  });

  it('a house in which next to nothing is seen is not waved through', () => {
    expect(rooms(houseWith({ 'core/src/units.ts': 'export {};\n' })).status).to.equal(1);
  });

  it('this house keeps them', () => {
    const own = rooms(root);
    expect(own.output).to.match(/ 0 imports that the rooms forbid/);
    expect(own.status).to.equal(0);
  });
});

/** What only some rooms may touch: a line of code and a file in which it is refused. */
const KEPT_APART: readonly (readonly [path: string, code: string])[] = [
  ['core/src/music/x.ts', imports('react')],
  ['core/src/music/y.ts', imports('node:fs')],
  ['core/src/music/x.test.ts', imports('dexie')],
  ['server/src/x.ts', imports('react')],
  ['app/src/views/bench/d.ts', imports('dexie')],
  ['app/src/views/bench/e.ts', "indexedDB.open('x');\n"],
  ['app/src/views/bench/f.ts', 'console.log(new AudioContext());\n'],
  ['app/src/views/bench/g.ts', "console.log(new Worker('x'));\n"],
  ['app/src/parts/frame/h.ts', "console.log(localStorage.getItem('x'));\n"],
  ['app/src/parts/frame/i.ts', 'console.log(navigator.onLine);\n'],
  ['app/src/data/j.ts', 'console.log(new AudioContext());\n'],
  ['app/src/sound/k.ts', "indexedDB.open('x');\n"],
  ['app/src/fits/l.ts', "void fetch('x');\n"],
];

const IN_PLACE: readonly (readonly [path: string, code: string])[] = [
  ['app/src/data/m.ts', "indexedDB.open('x');\n"],
  ['app/src/sound/n.ts', 'console.log(new AudioContext());\n'],
  ['app/src/fits/o.ts', "console.log(new Worker('x'));\n"],
];

describe('what only some rooms may touch', () => {
  const house = houseWith(Object.fromEntries([...KEPT_APART, ...IN_PLACE]));
  const { output } = run(
    join(root, 'node_modules/.bin/biome'),
    ['lint', '--max-diagnostics=none', '.'],
    house,
  );

  for (const [path, code] of KEPT_APART)
    it(`${path}: ${code.split('\n')[0]}`, () => {
      expect(output).to.match(new RegExp(`${path}:\\d+:\\d+ lint/style/noRestricted`));
    });

  for (const [path] of IN_PLACE)
    it(`${path} may`, () => {
      expect(output).to.not.match(new RegExp(`${path}:\\d+:\\d+ lint/style/noRestricted`));
    });
});
