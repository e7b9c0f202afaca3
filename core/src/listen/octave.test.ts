import { expect } from 'chai';
import { octaveBeside } from './octave.ts';
import { partialHz } from './stiffString.ts';

/** Partials of a string at 110 Hz whose even ones are moved by so many cents, single ones besides by what a body does. */
const partials = (moved: number, body: readonly number[] = []) =>
  Array.from({ length: 12 }, (_, i) => {
    const number = i + 1;
    const cents = (number % 2 === 0 ? moved : 0) + (body[i] ?? 0);
    return {
      number,
      hz: partialHz(110, 6e-5, number) * 2 ** (cents / 1200),
      errorCents: 0.2,
      amplitude: 1 / number,
    };
  });
const PRIOR = { mean: 6e-5, sigma: 6e-5 };

describe('another string an octave higher', () => {
  it('moves the even partials alone, by what it pulls them to', () => {
    expect(octaveBeside(partials(6), PRIOR)).to.be.closeTo(6, 0.5);
    expect(octaveBeside(partials(-8), PRIOR)).to.be.closeTo(-8, 0.5);
  });

  it('is not said of a string alone, nor of one whose body shifts single partials', () => {
    expect(octaveBeside(partials(0), PRIOR)).to.equal(null);
    // Shifts of 1.5 cents rms, as real bodies do: see docs/listening.md.
    const body = [1.2, -2, 0.4, 1.9, -1.1, -0.3, 2.2, -1.6, 0.8, 0.1, -1.4, 1.5];
    expect(octaveBeside(partials(0, body), PRIOR)).to.equal(null);
  });

  it('is not said of too few partials', () => {
    expect(octaveBeside(partials(9).slice(0, 4), PRIOR)).to.equal(null);
  });
});
