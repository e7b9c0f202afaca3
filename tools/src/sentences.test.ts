import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect } from 'chai';

const script = join(import.meta.dirname, '../../scripts/sentences.mjs');

/** Runs the check on a house with these files. */
function check(files: Readonly<Record<string, string>>): { status: number | null; output: string } {
  const house = mkdtempSync(join(tmpdir(), 'rosefinch-sentences-'));
  const all = { 'app/src/x.ts': 'export const x = 1;\n', 'core/src/x.ts': '', ...files };
  for (const [at, text] of Object.entries(all)) {
    mkdirSync(dirname(join(house, at)), { recursive: true });
    writeFileSync(join(house, at), text);
  }
  const done = spawnSync(process.execPath, [script, house], { encoding: 'utf8' });
  return { status: done.status, output: done.stdout + done.stderr };
}

const VIEW = 'app/src/views/bench/New.tsx';
describe('sentences outside of words', () => {
  it('one is refused wherever it stands: as text, as a string, with a figure in it', () => {
    for (const code of [
      'export const New = () => <p>Tighten it a little more.</p>;\n',
      "export const say = 'Pluck it once more.';\n",
      'export const say = (n: number) => `String $'.concat('{n} is right: go on.`;\n'),
    ]) {
      const { status, output } = check({ [VIEW]: code });
      expect(status, code).to.equal(1);
      expect(output).to.contain(`${VIEW}:1: `);
    }
  });

  it('labels, keys and what words say are let be', () => {
    const files = {
      [VIEW]: "export const label = 'Next pass'; export const short = 'Done.';\n",
      'core/src/words/new.ts': "export const say = 'Pluck it once more.';\n",
    };
    expect(check(files).status).to.equal(0);
  });
});
