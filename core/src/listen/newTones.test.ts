import { expect } from 'chai';
import { NewTones } from './newTones.ts';

const RATE = 12_000;

/** Seconds at which other tones are noticed in a sound that is given by the time. */
function noticed(
  sound: (t: number) => number,
  seconds: number,
  strings: 'usual' | 'low' = 'usual',
): number[] {
  const tones = new NewTones(strings);
  tones.begin();
  const found: number[] = [];
  for (let i = 0; i < seconds * RATE; i++)
    if (tones.push(sound(i / RATE), true)) {
      found.push(i / RATE);
      tones.begin();
    }
  return found;
}

/** A tone with three partials that dies within two seconds. */
const tone = (hz: number, t: number) =>
  Math.exp(-t / 2) * [1, 2, 3].reduce((sum, n) => sum + Math.sin(2 * Math.PI * n * hz * t) / n, 0);

describe('other tones', () => {
  it('are noticed within a tenth of a second where one string takes over from another', () => {
    const found = noticed((t) => (t < 0.5 ? tone(330, t) : 0.5 * tone(262, t)), 1);
    expect(found).to.have.length(1);
    expect(found[0]! - 0.5).to.be.within(0.02, 0.1);
    const { late } = new NewTones('usual');
    expect(Math.abs(found[0]! - late / RATE - 0.5)).to.be.below(0.03);
  });

  it('are noticed between low strings in frames four times as long, and not before', () => {
    const bass = (hz: number, t: number) =>
      [1, 2, 3, 4, 5, 6, 7, 8].reduce((sum, n) => sum + Math.sin(2 * Math.PI * n * hz * t) / n, 0);
    const over = (t: number) => (t < 1 ? bass(41.2, t) : bass(55, t));
    expect(noticed(over, 1.6)).to.deep.equal([]);
    const found = noticed(over, 1.6, 'low');
    expect(found).to.have.length(1);
    const { late } = new NewTones('low');
    expect(Math.abs(found[0]! - late / RATE - 1)).to.be.below(0.1);
    expect(noticed((t) => bass(30.9, t), 2, 'low')).to.deep.equal([]);
  });

  it('are none in a note that rings, glides or is damped', () => {
    expect(noticed((t) => tone(110, t), 1.5)).to.deep.equal([]);
    expect(noticed((t) => tone(110 * (1 + 0.01 * Math.exp(-t / 0.2)), t), 1)).to.deep.equal([]);
    const damped = (t: number) => tone(196, t) * (t < 0.4 ? 1 : Math.exp((0.4 - t) / 0.015));
    expect(noticed(damped, 0.6)).to.deep.equal([]);
  });

  it('are none in a click, which is over too soon', () => {
    const clicked = (t: number) =>
      tone(147, t) +
      (t > 0.5 && t < 0.51
        ? 2 * Math.sin(2 * Math.PI * 2300 * t) * Math.exp((0.5 - t) / 0.003)
        : 0);
    expect(noticed(clicked, 1)).to.deep.equal([]);
  });
});
