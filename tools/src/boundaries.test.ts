import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect } from 'chai';

const root = join(import.meta.dirname, '../..');

/** Lints a file that stands at `path` in an empty copy of the house with the same rules. */
function lint(path: string, code: string): { status: number | null; output: string } {
  const house = mkdtempSync(join(tmpdir(), 'rosefinch-'));
  cpSync(join(root, 'biome.json'), join(house, 'biome.json'));
  mkdirSync(dirname(join(house, path)), { recursive: true });
  writeFileSync(join(house, path), code);
  const done = spawnSync(join(root, 'node_modules/.bin/biome'), ['lint', '.'], {
    cwd: house,
    encoding: 'utf8',
  });
  return { status: done.status, output: done.stdout + done.stderr };
}

const FORBIDDEN: readonly (readonly [string, string])[] = [
  ['core/src/music/x.ts', 'react'],
  ['core/src/music/x.ts', '../../../app/src/data/index.ts'],
  ['core/src/music/x.ts', 'node:fs'],
  ['core/src/music/x.test.ts', 'dexie'],
  ['server/src/x.ts', '../../app/src/data/index.ts'],
  ['tools/src/x.ts', '../../app/src/ui/index.ts'],
  ['app/src/features/bench/x.ts', 'dexie'],
  ['app/src/features/bench/x.ts', '../features/settle/useSettle.ts'],
  ['app/src/ui/x.ts', '../features/bench/index.ts'],
  ['app/src/ui/x.ts', '../data/index.ts'],
];

describe('room boundaries', () => {
  for (const [path, from] of FORBIDDEN)
    it(`${path} may not import ${from}`, () => {
      const { status, output } = lint(path, `import { x } from '${from}';\n\nconsole.log(x);\n`);
      expect(output).to.contain('noRestrictedImports');
      expect(status, output).to.not.equal(0);
    });

  it('lets lawful imports through', () => {
    const { output } = lint(
      'app/src/features/bench/x.ts',
      "import { x } from '../../data/index.ts';\n\nconsole.log(x);\n",
    );
    expect(output).to.not.contain('noRestrictedImports');
  });
});
