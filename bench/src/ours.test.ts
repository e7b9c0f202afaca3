import { expect } from 'chai';
import { OURS_ROWS, oursSession } from './ours.ts';

describe('another instrument in a classroom', () => {
  it('is mostly not counted, and ours is', () => {
    // Seeds 9001–9003 of the shoebox rooms; more of them by `npm run bench -- ours`.
    const all = [9001, 9002, 9003].map((seed) => oursSession(seed, OURS_ROWS[0]!));
    const sum = (of: (one: (typeof all)[number]) => number) =>
      all.reduce((total, one) => total + of(one), 0);
    expect(sum(({ own }) => own)).to.be.above(25);
    expect(sum(({ ownLeftOut }) => ownLeftOut)).to.be.at.most(2);
    expect(sum(({ booked }) => booked.reduce((a, b) => a + b))).to.be.at.most(6);
  }).timeout(120_000);
});
