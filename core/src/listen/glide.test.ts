import { expect } from 'chai';
import { type Glided, glideFit, glideShape } from './glide.ts';

/** Frames of a note whose pitch is given by the time since its onset, in cents. */
function frames(pitch: (t: number) => number, until: number): Glided {
  const times = Array.from({ length: 6 }, (_, k) => 0.1 + (k * (until - 0.15)) / 5);
  const mean = times.reduce((sum, t) => sum + pitch(t), 0) / times.length;
  return {
    count: times.length,
    timeAt: (k) => times[k]!,
    glideAt: (k) => pitch(times[k]!) - mean,
  };
}

const meanOf = (pitch: (t: number) => number, from: number, to: number) => {
  let sum = 0;
  for (let i = 0; i < 1000; i++) sum += pitch(from + ((i + 0.5) * (to - from)) / 1000);
  return sum / 1000;
};

describe('the glide of a note that was cut short', () => {
  for (const [size, tau] of [
    [12, 0.16],
    [6, 0.25],
    [0, 0.2],
    [20, 0.1],
  ] as const)
    it(`${size} cents at first, gone in ${tau} s: leads to where it would have come to rest`, () => {
      const pitch = (t: number) => size * Math.exp(-t / tau);
      const heard = frames(pitch, 0.35);
      const read = meanOfFrames(pitch, 0.35);
      const { cents, errorCents } = glideFit(heard, { from: 0.2, to: 0.8 });
      const truth = meanOf(pitch, 0.2, 0.8) - read;
      expect(Math.abs(cents - truth)).to.be.below(Math.max(0.5, 2 * errorCents));
      expect(errorCents).to.be.within(0.05, 2);
    });

  it('is less sure the sooner the note ended', () => {
    const pitch = (t: number) => 8 * Math.exp(-t / 0.2);
    const error = (until: number) =>
      glideFit(frames(pitch, until), { from: 0.2, to: 0.8 }).errorCents;
    expect(error(0.22)).to.be.above(1.5 * error(0.5));
  });

  it('tells a falling pitch from a rising one, and how far either is from an exponential', () => {
    const falling = glideShape(frames((t) => 10 * Math.exp(-t / 0.16), 0.5));
    expect(falling.rest).to.be.below(0.01);
    expect(falling.falls).to.be.closeTo(10 * Math.exp(-0.05 / 0.16), 0.1);
    const rising = glideShape(frames((t) => 40 * t, 0.5));
    expect(rising.falls).to.be.below(-10);
    const shaken = glideShape(frames((t) => 10 * Math.sin(2 * Math.PI * 6 * t), 0.8));
    expect(shaken.rest).to.be.above(3);
  });
});

function meanOfFrames(pitch: (t: number) => number, until: number): number {
  const heard = frames(pitch, until);
  let sum = 0;
  for (let k = 0; k < heard.count; k++) sum += pitch(heard.timeAt(k));
  return sum / heard.count;
}
