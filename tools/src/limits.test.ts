import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';

const script = join(import.meta.dirname, '../../scripts/limits.mjs');

function check(code: string | null): { status: number | null; output: string } {
  const house = mkdtempSync(join(tmpdir(), 'rosefinch-limits-'));
  const room = join(house, 'core/src/coach');
  mkdirSync(room, { recursive: true });
  if (code !== null) writeFileSync(join(room, 'x.ts'), code);
  const done = spawnSync(process.execPath, [script, house], { encoding: 'utf8' });
  return { status: done.status, output: done.stdout + done.stderr };
}

describe('limits have names', () => {
  it('a bare one is refused', () => {
    const { status, output } = check('export const isFar = (cents: number) => cents > 70;\n');
    expect(status).to.equal(1);
    expect(output).to.contain('core/src/coach/x.ts:1: export const isFar');
  });

  it('one in a class, or in a default, is refused', () => {
    expect(check('export class X { rows = 31; }\n').status).to.equal(1);
    expect(check('export function f(most = 20) { return most; }\n').status).to.equal(1);
  });

  it('a named one passes, and so do a power and a half', () => {
    const code = 'const FAR = 70;\nexport const f = (c: number) => c > FAR || c ** 3 / 4 > 0.5;\n';
    expect(check(code).status).to.equal(0);
  });

  it('a house without sources is not waved through', () => {
    expect(check(null).status).to.equal(1);
  });
});
