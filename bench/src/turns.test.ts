import { expect } from 'chai';
import { notTurned, turnedThenStill, turnedToTheEnd } from './foreign/turners.ts';
import { countTurns } from './turns.ts';

const SEED = 40_001;

describe('strings that are turned while they ring', () => {
  it('are read where they stand afterwards', () => {
    const n = 24;
    const { errors } = countTurns(SEED, n, turnedThenStill);
    expect(errors.filter((error) => error <= 1.5).length).to.be.at.least(0.85 * n);
    expect(Math.max(...errors)).to.be.at.most(6);
  }).timeout(60_000);

  it('are asked for once more where they do not stand still, and read as ever where nobody turned', () => {
    const moving = countTurns(SEED, 16, turnedToTheEnd);
    expect(moving.kinds.get('turned') ?? 0).to.be.at.least(8);
    expect(moving.errors.filter((error) => error > 5)).to.deep.equal([]);
    const still = countTurns(SEED, 10, notTurned);
    expect([...still.kinds.keys()]).to.deep.equal(['read']);
  }).timeout(60_000);
});
