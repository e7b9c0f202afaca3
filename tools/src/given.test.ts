import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect } from 'chai';

const script = join(import.meta.dirname, '../../scripts/given.mjs');

/** Runs the check on a house with one file in each room. */
function check(path: string, code: string): { status: number | null; output: string } {
  const house = mkdtempSync(join(tmpdir(), 'rosefinch-given-'));
  const put = (at: string, text: string) => {
    mkdirSync(dirname(join(house, at)), { recursive: true });
    writeFileSync(join(house, at), text);
  };
  for (const room of ['core', 'app', 'server']) put(`${room}/src/good.ts`, 'export const x = 1;\n');
  put(path, code);
  const done = spawnSync(process.execPath, [script, house], { encoding: 'utf8' });
  return { status: done.status, output: done.stdout + done.stderr };
}

const TAKEN = [
  'Date.now()',
  'new Date()',
  'Math.random()',
  'performance.now()',
  'crypto.randomUUID()',
  'Intl.DateTimeFormat().resolvedOptions().timeZone',
];

describe('time, zone and chance', () => {
  for (const code of TAKEN)
    for (const path of ['core/src/music/x.ts', 'app/src/features/bench/x.tsx', 'server/src/x.ts'])
      it(`${code} is refused in ${path}`, () => {
        const { status, output } = check(path, `export const taken = ${code};\n`);
        expect(status).to.equal(1);
        expect(output).to.contain(`${path}:1: export const taken`);
      });

  it('come from their provider, and may be handed on', () => {
    const { status } = check('app/src/environment.ts', 'export const now = () => Date.now();\n');
    expect(status).to.equal(0);
    expect(check('core/src/x.ts', 'export const day = new Date(0);\n').status).to.equal(0);
  });

  it('a house without sources is not waved through', () => {
    const house = mkdtempSync(join(tmpdir(), 'rosefinch-given-'));
    for (const room of ['core', 'app', 'server'])
      mkdirSync(join(house, room, 'src'), { recursive: true });
    expect(spawnSync(process.execPath, [script, house]).status).to.equal(1);
  });
});
