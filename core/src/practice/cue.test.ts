import { expect } from 'chai';
import { cueTone } from './index.ts';

const RATE = 48_000;

/** Upward crossings of the line, a second: the pitch of a plain tone. */
function pitch(samples: Float32Array): number {
  let crossings = 0;
  for (let i = 1; i < samples.length; i++)
    if ((samples[i - 1] ?? 0) < 0 && (samples[i] ?? 0) >= 0) crossings++;
  return (crossings * RATE) / samples.length;
}

describe('the cue', () => {
  it('rises by a fifth, 3 : 2, for what is right, and falls by one for what is not', () => {
    for (const rising of [true, false]) {
      const tone = cueTone(rising, RATE);
      const half = tone.length / 2;
      const ratio = pitch(tone.subarray(half)) / pitch(tone.subarray(0, half));
      expect(ratio).to.be.closeTo(rising ? 3 / 2 : 2 / 3, 0.03);
    }
  });

  it('is short, does not click and does not shout', () => {
    const tone = cueTone(true, RATE);
    expect(tone.length / RATE).to.be.below(0.4);
    expect(Math.max(...tone.map(Math.abs))).to.be.within(0.3, 0.6);
    let step = 0;
    for (let i = 1; i < tone.length; i++)
      step = Math.max(step, Math.abs((tone[i] ?? 0) - (tone[i - 1] ?? 0)));
    // The steepest slope of a sine of 990 Hz at this loudness.
    expect(step).to.be.below((0.5 * 2 * Math.PI * 990) / RATE + 1e-3);
    expect(tone[0]).to.equal(0);
  });
});
