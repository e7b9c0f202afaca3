import { expect } from 'chai';
import { OnsetDetector } from './onset.ts';

const RATE = 12_000;

/** How many plucks are found in a sound that is given by the time. */
function onsets(sound: (t: number) => number, seconds: number, lowest?: number): number {
  const detector = new OnsetDetector(RATE);
  if (lowest !== undefined) detector.know(lowest);
  let found = 0;
  for (let i = 0; i < seconds * RATE; i++) {
    if (detector.push(sound(i / RATE)) !== 'onset') continue;
    detector.ringing = true;
    found++;
  }
  return found;
}

/** A low B as a pulse a period, 32 ms apart, that dies away over a little noise. */
const lowB = (t: number, from: number) => {
  if (t < from) return 0;
  const within = ((t - from) * 30.87) % 1;
  return 0.3 * Math.exp(-(t - from) / 1.5) * Math.exp(-9 * within) * Math.sin(60 * within);
};
const hiss = (t: number) => 2e-4 * Math.sin(1e7 * t * t);

describe('onsets', () => {
  it('are one for a low B whose energy comes and goes with each period, once its pitch is known', () => {
    const sound = (t: number) => hiss(t) + lowB(t, 0.5);
    expect(onsets(sound, 2.5)).to.be.above(5);
    expect(onsets(sound, 2.5, 29)).to.equal(1);
  });

  it('are found in both of two plucks, whatever string may be known', () => {
    const sound = (t: number) => hiss(t) + lowB(t, 0.5) + 3 * lowB(t, 1.5);
    expect(onsets(sound, 2.5, 29)).to.equal(2);
    const high = (t: number) => Math.exp(-t / 0.5) * Math.sin(2 * Math.PI * 330 * t);
    const two = (t: number) => hiss(t) + (t < 0.5 ? 0 : 0.1 * high((t - 0.5) % 1));
    expect(onsets(two, 2.3)).to.equal(2);
    expect(onsets(two, 2.3, 80)).to.equal(2);
  });
});
