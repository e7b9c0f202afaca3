import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';

const root = join(import.meta.dirname, '../..');
const house = join(root, '.mutants/extending');

/** A change that somebody begins in one place, and the places that must be named as still to be done. */
interface Addition {
  readonly what: string;
  readonly file: string;
  readonly from: string;
  readonly to: string;
  readonly missing: readonly string[];
}

const ADDITIONS: readonly Addition[] = [
  {
    what: 'a rule of the coach',
    file: 'core/src/coach/facts.ts',
    from: "  'too faint': object;",
    to: "  'too faint': object;\n  'string buzzes': object;",
    missing: ['core/src/coach/rules.ts', 'core/src/sentences/faults.ts'],
  },
  {
    what: 'a field of a record',
    file: 'core/src/strings/types.ts',
    from: '  readonly frets: number;',
    to: '  readonly frets: number;\n  readonly polish: string;',
    missing: [
      'core/src/records/shapes.ts',
      'core/src/strings/instrument.ts',
      'core/src/strings/models.ts',
    ],
  },
  {
    what: 'a kind of instrument',
    file: 'core/src/music/tunings.ts',
    from: "'guitar' | 'ukulele' | 'banjo'",
    to: "'guitar' | 'ukulele' | 'banjo' | 'lute'",
    missing: [
      'core/src/practice/instrument.ts',
      'core/src/records/shapes.ts',
      'core/src/strings/pegs.ts',
    ],
  },
  {
    what: 'a sound source',
    file: 'core/src/sitting/session.ts',
    from: "'practice' | 'microphone' | 'recording'",
    to: "'practice' | 'microphone' | 'recording' | 'cable'",
    missing: [
      'app/src/parts/listening/useOpening.ts',
      'app/src/parts/stage/sources.ts',
      'core/src/records/shapes.ts',
      'core/src/sitting/session.ts',
    ],
  },
  {
    what: 'a step of the bench',
    file: 'core/src/coach/next.ts',
    from: "  | { readonly step: 'pluck any' }",
    to: "  | { readonly step: 'pluck any' }\n  | { readonly step: 'rest' }",
    missing: ['core/src/sentences/next.ts'],
  },
  {
    what: 'a key of the bench',
    file: 'app/src/parts/frame/keyTable.ts',
    from: "    accept: line([' '], 'Space', 'keys.acceptAndGoOn'),",
    to: "    accept: line([' '], 'Space', 'keys.acceptAndGoOn'),\n    zoom: line(['w'], 'W', 'keys.allActionsAndKeys'),",
    missing: ['app/src/views/bench/benchActs.ts'],
  },
  {
    what: 'an argument of a message',
    file: 'core/src/sentences/next.ts',
    from: "message('bench.pluck', { string: nameOf(string) })",
    to: "message('bench.pluck', { course: nameOf(string) })",
    missing: ['core/src/sentences/next.ts'],
  },
  {
    what: 'a message',
    file: 'core/src/sentences/next.ts',
    from: "message('bench.pluckAny.more')",
    to: "message('bench.pluckAny.most')",
    missing: ['core/src/sentences/next.ts'],
  },
];

/** Files in which the compiler finds something. */
function faultyFiles(): string[] {
  const { stdout } = spawnSync(
    process.execPath,
    [join(root, 'node_modules/typescript/bin/tsc'), '-b', 'core', 'app'],
    { cwd: house, encoding: 'utf8' },
  );
  return [...new Set([...stdout.matchAll(/^(\S+?)\(\d+,\d+\): error/gm)].map(([, f]) => f ?? ''))];
}

describe('what is added is asked for wherever it must be', () => {
  before(async () => {
    const { copyOfHouse } = await import(join(root, 'scripts/houseCopy.mjs'));
    copyOfHouse(root, house);
    expect(faultyFiles()).to.deep.equal([]);
  });
  after(() => rmSync(house, { recursive: true, force: true }));

  for (const { what, file, from, to, missing } of ADDITIONS)
    it(what, () => {
      const path = join(house, file);
      const text = readFileSync(path, 'utf8');
      expect(text).to.contain(from);
      writeFileSync(path, text.replace(from, to));
      const faulty = faultyFiles();
      writeFileSync(path, text);
      for (const place of missing) expect(faulty).to.include(place);
    });

  it('a tuning that cannot be, by the catalogue’s own tests', () => {
    const path = join(house, 'core/src/music/catalogue.ts');
    const text = readFileSync(path, 'utf8');
    const row = "  ['drop-c', 'Drop C', 'C2 G2 C3 F3 A3 D4'],";
    expect(text).to.contain(row);
    const broken = [row.replace('F3', 'H3'), row.replace(' D4', ''), `${row}\n${row}`];
    for (const wrong of broken) {
      writeFileSync(path, text.replace(row, wrong));
      const { status } = spawnSync(
        process.execPath,
        [
          join(root, 'node_modules/mocha/bin/mocha.js'),
          ...['--no-config', '--node-option', 'import=tsx', '--timeout', '0'],
          'core/src/music/catalogue.test.ts',
        ],
        { cwd: house },
      );
      expect(status, wrong).to.not.equal(0);
    }
    writeFileSync(path, text);
  });

  it('a view, by its route', () => {
    const app = readFileSync(join(root, 'app/src/App.tsx'), 'utf8');
    for (const view of readdirSync(join(root, 'app/src/views')))
      expect(app, `views/${view} has no route`).to.contain(`./views/${view}/index.ts`);
  });

  it('a format, by its being used: what nobody imports is refused by the check for unused code', () => {
    const names = [
      ...readFileSync(join(root, 'core/src/formats/index.ts'), 'utf8').matchAll(
        /\b(?:read|write)\w+/g,
      ),
    ];
    expect(names.length).to.be.at.least(3);
    const commands = readFileSync(join(root, 'scripts/run.mjs'), 'utf8');
    expect(commands).to.contain("bin('knip'");
  });
});
