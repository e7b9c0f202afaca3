import { expect } from 'chai';
import { normal, seededRandom } from '../maths/index.ts';
import { type BridgeEnd, bridgeEnds, saddleShift } from './index.ts';

const SCALE = 670;

/** A check of both outer strings whose octaves are truly off by so much; readings scatter by a normal or a heavy-tailed law. */
function checked(seed: number, sharp: readonly number[], scatter: number, heavy: boolean) {
  const random = seededRandom(seed);
  const off = () => scatter * normal(random) * (heavy && random() < 0.1 ? 3 : 1);
  const tests = sharp.map((cents) => ({
    open: Array.from({ length: 5 }, off),
    fretted: Array.from({ length: 3 }, () => cents + off()),
  }));
  return bridgeEnds(SCALE, tests);
}

function share(count: number, holds: (seed: number) => boolean): number {
  let yes = 0;
  for (let seed = 1; seed <= count; seed++) yes += holds(seed) ? 1 : 0;
  return yes / count;
}

const moves = (ends: readonly BridgeEnd[]) => ends.some(({ right }) => !right);

describe('the ends of a loose bridge', () => {
  it('are each moved by what their own string says, by the exact rule of the saddle', () => {
    const octave = (sharp: number) => ({ open: [0, 0, 0, 0], fretted: [sharp, sharp, sharp] });
    const [last, first] = bridgeEnds(SCALE, [octave(10), octave(-4)]);
    expect(last).to.include({ right: false, mm: saddleShift(SCALE, 10) });
    expect(first).to.include({ right: false, mm: saddleShift(SCALE, -4) });
    expect(last!.mm).to.be.within(3.8, 4);
    expect(first!.mm).to.be.within(-1.6, -1.5);
  });

  it('that stand right are told to move in fewer than 3 of 100 checks at a cent of scatter', () => {
    for (const scatter of [0.5, 0.8, 1])
      expect(share(2000, (seed) => moves(checked(seed, [0, 0], scatter, false)))).to.be.below(0.03);
    expect(share(2000, (seed) => moves(checked(seed, [0, 0], 1, true)))).to.be.below(0.04);
    // Six saddles of their own, all together as seldom.
    expect(share(2000, (seed) => moves(checked(seed, [0, 0, 0, 0, 0, 0], 1, false)))).to.be.below(
      0.03,
    );
  });

  it('that stand 2 mm off are found all the same, and their error holds', () => {
    const sharp = 5.2;
    expect(share(500, (seed) => moves(checked(seed, [sharp, 0], 1, false)))).to.be.above(0.95);
    const within = (seed: number) => {
      const [end] = checked(seed, [sharp, 0], 1, false);
      return Math.abs(end!.mm - saddleShift(SCALE, sharp)) <= 2 * end!.errorMm;
    };
    expect(share(500, within)).to.be.within(0.88, 0.99);
  });
});
