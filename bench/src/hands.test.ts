import { expect } from 'chai';
import { sceneOf } from './foreign/hands.ts';
import { gridTally, handTallies, mistakenChoices, playLiteral } from './hands.ts';

// Hands that know nothing of how strings are told apart; many more scenes: `npm run bench -- hands --long`.
describe('which string sounded, over a session', () => {
  it('strings far from their notes are put to the right string, or to none yet', () => {
    const all = handTallies(1, 60).get('all')!;
    expect(all.far).to.be.greaterThan(150);
    expect(all.wrong / all.far).to.be.lessThan(0.05);
    expect(all.right / all.far).to.be.greaterThan(0.7);
    expect(all.endRight / all.far).to.be.greaterThan(0.95);
    expect(all.nearWrong / all.near).to.be.lessThan(0.005);
    expect(all.questions / all.scenes).to.be.lessThan(0.7);
  });

  it('a string that is chosen by its number is always believed', () => {
    const { chosen, believed } = handTallies(101, 40).get('digit')!;
    expect(chosen).to.be.greaterThan(100);
    expect(believed).to.equal(chosen);
  });

  it('a string that is asked for and far off is never put to another one by its first pluck', () => {
    const { plucks, wrong, right } = gridTally();
    expect(wrong / plucks).to.be.lessThan(0.01);
    expect(right / plucks).to.be.greaterThan(0.5);
  });

  it('another string than the chosen one is noticed where both are known', () => {
    const { tried, noticed } = mistakenChoices(1, 40);
    expect(noticed / tried).to.be.at.least(0.9);
  });

  it('who chooses each string and does what is said turns no wrong peg', () => {
    for (let seed = 201; seed < 221; seed++) {
      const { wrongPegs, finished } = playLiteral(sceneOf(seed, undefined, 'digit'));
      expect({ seed, wrongPegs, finished }).to.deep.equal({ seed, wrongPegs: 0, finished: true });
    }
  });
});
