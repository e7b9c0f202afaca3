import { expect } from 'chai';
import { readPlucks } from './index.ts';
import { cents, pluck, RATE } from './pluckFixture.ts';

describe('plucks in a noisy room', () => {
  // More of them: npm run bench -- plucks. 20 dB: the note's level over its first second is about −24 dBFS, the room's noise −44 dBFS.
  it('60 seeded plucks at 20 dB signal to noise: no wrong octave, median error below 0.5 cent', () => {
    const errors: number[] = [];
    let refused = 0;
    let within = 0;
    let withinTwo = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const { sound, exact } = pluck(seed, -44);
      const outcomes = readPlucks(sound, RATE).map((heard) => heard.outcome);
      expect(outcomes.length, `plucks heard, seed ${seed}`).to.equal(1);
      const [outcome] = outcomes;
      if (outcome?.kind !== 'reading') {
        refused++;
        continue;
      }
      const error = Math.abs(cents(outcome.hz, exact));
      expect(error, `seed ${seed}`).to.be.below(50);
      errors.push(error);
      if (error <= outcome.errorCents) within++;
      if (error <= 2 * outcome.errorCents) withinTwo++;
    }
    errors.sort((a, b) => a - b);
    expect(refused).to.be.at.most(2);
    expect(errors[errors.length >> 1]).to.be.below(0.5);
    expect(errors[Math.floor(errors.length * 0.95)]).to.be.below(1.8);
    expect(within / errors.length).to.be.within(0.6, 0.86);
    expect(withinTwo / errors.length).to.be.within(0.9, 0.99);
  });
});
