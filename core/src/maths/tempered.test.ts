import { expect } from 'chai';
import { seededRandom, temperedDraws } from './index.ts';

const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
const spread = (list: readonly number[]) => {
  const middle = mean(list);
  return Math.sqrt(mean(list.map((x) => (x - middle) ** 2)));
};

describe('draws from a posterior', () => {
  it('of a normal that was read with a normal error are as the textbook has them', () => {
    // Prior N(0, 1), reading 2.4 ± 0.5: mean 2.4 / 1.25 = 1.92, variance 0.25 / 1.25 = 0.2 (Gelman et al., Bayesian Data Analysis, § 2.5).
    const logLikelihood = (z: Float64Array) => -0.5 * ((2.4 - z[0]!) / 0.5) ** 2;
    const draws = temperedDraws({ count: 2, logLikelihood }, 4000, seededRandom(1));
    const [read, unread] = [draws.map((z) => z[0]!), draws.map((z) => z[1]!)];
    expect(mean(read)).to.be.closeTo(1.92, 0.05);
    expect(spread(read)).to.be.closeTo(Math.sqrt(0.2), 0.04);
    expect(mean(unread)).to.be.closeTo(0, 0.1);
    expect(spread(unread)).to.be.closeTo(1, 0.1);
  });

  it('find a reading far out in the prior, and keep what it leaves open', () => {
    // The sum of two is read sharply: each keeps a variance of a half, they are opposed.
    const logLikelihood = (z: Float64Array) => -0.5 * ((6 - z[0]! - z[1]!) / 0.05) ** 2;
    const draws = temperedDraws({ count: 2, logLikelihood }, 2000, seededRandom(2));
    expect(mean(draws.map((z) => z[0]! + z[1]!))).to.be.closeTo(6, 0.02);
    expect(mean(draws.map((z) => z[0]!))).to.be.closeTo(3, 0.25);
    expect(spread(draws.map((z) => z[0]! - z[1]!))).to.be.within(1, 1.8);
  });

  it('are the prior where nothing was read, and the same for the same seed', () => {
    const nothing = { count: 1, logLikelihood: () => 0 };
    const draws = temperedDraws(nothing, 2000, seededRandom(3)).map((z) => z[0]!);
    expect(mean(draws)).to.be.closeTo(0, 0.08);
    expect(spread(draws)).to.be.closeTo(1, 0.06);
    const again = temperedDraws(nothing, 2000, seededRandom(3)).map((z) => z[0]!);
    expect(again).to.deep.equal(draws);
  });
});
