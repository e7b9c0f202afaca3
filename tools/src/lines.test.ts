import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { writeWav } from '@rosefinch/core/formats';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { PracticeInstrument } from '@rosefinch/core/practice';
import { steelGuitar } from '@rosefinch/core/strings';
import { inEnglish } from '@rosefinch/words/english';
import { expect } from 'chai';
import { measureWav } from './lines.ts';

const RATE = 44_100;

function twoPlucks(): Uint8Array {
  const guitar = new PracticeInstrument({
    instrument: steelGuitar('g', 'G'),
    targets: targetsOf(findTuning('guitar-standard')!, 440).map((target) => target.hz),
    detune: [0, 0, -38, 0, -9.5, 0],
    seed: 3,
    sampleRate: RATE,
  });
  const sound = new Float32Array(4 * RATE);
  const play = (from: number, to: number) => guitar.render(sound.subarray(from * RATE, to * RATE));
  play(0, 0.5);
  guitar.pluck(5);
  play(0.5, 2);
  guitar.mute();
  guitar.pluck(3);
  play(2, 3.4);
  guitar.mute();
  play(3.4, 4);
  return writeWav([sound], RATE);
}

describe('measure', () => {
  it('names the string, its note and its deviation', () => {
    const lines = measureWav('x.wav', twoPlucks(), 'guitar-standard', 440);
    expect(lines.map((l) => [l.outcome, l.string, l.note])).to.deep.equal([
      ['reading', 5, 'A2'],
      ['reading', 3, 'G3'],
    ]);
    expect(lines[0]!.cents).to.be.closeTo(-9.5, 1.5);
    expect(lines[1]!.cents).to.be.closeTo(-38, 1.5);
  });

  it('reads chromatically without a tuning', () => {
    const [line] = measureWav('x.wav', twoPlucks(), 'chromatic', 440);
    expect(line).to.include({ string: null, note: 'A2' });
  });

  it('goes on after a file that cannot be read, and exits with 2', () => {
    const folder = mkdtempSync(join(tmpdir(), 'rosefinch-'));
    writeFileSync(join(folder, 'good.wav'), twoPlucks());
    writeFileSync(join(folder, 'bad.wav'), 'no sound');
    const script = resolve(import.meta.dirname, 'measure.ts');
    const done = spawnSync(
      process.execPath,
      ['--import', 'tsx', script, '--json', 'bad.wav', 'none.wav', 'good.wav'],
      { encoding: 'utf8', env: { ...process.env, INIT_CWD: folder } },
    );
    expect(done.status).to.equal(2);
    expect(done.stderr)
      .to.match(new RegExp(`bad\\.wav: ${inEnglish('problems.noWav')}`))
      .and.to.match(/none\.wav:/);
    const lines = done.stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect(lines.length).to.equal(2);
    expect(Object.keys(lines[0])).to.include.members(['file', 'start', 'hz', 'f0Hz', 'periodHz']);
  });
});
