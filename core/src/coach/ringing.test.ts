import { expect } from 'chai';
import { ringingOf } from './ringing.ts';

describe('what rings', () => {
  const track = (hz: (t: number) => number) =>
    Array.from({ length: 60 }, (_, i) => 0.08 + 0.02 * i).flatMap((t) => [t, hz(t)]);

  it('a steady note neither begins sharp nor moves', () => {
    const ringing = ringingOf(track(() => 196))!;
    expect(ringing.attackCents).to.be.closeTo(0, 1e-9);
    expect(ringing.fastest).to.be.closeTo(0, 1e-6);
    expect(ringing.endHz).to.equal(196);
  });

  it('tells a sharp start and a turn with its speed and direction', () => {
    const hard = ringingOf(track((t) => 196 * 2 ** ((14 * Math.exp(-t / 0.09)) / 1200)))!;
    expect(hard.attackCents).to.be.within(3, 7);
    const turned = ringingOf(
      track((t) => 196 * 2 ** ((-100 * Math.min(1, Math.max(0, t - 0.5))) / 1200)),
    )!;
    expect(turned.fastest).to.be.closeTo(-100, 3);
    expect(ringingOf([0.1, 196])).to.equal(null);
  });

  it('says nothing of the start of a note that is turned while it rings', () => {
    // Let down by 15 cents a second from early on: the middle lies lower by the hand, not by the pluck.
    const down = (perSecond: number) =>
      ringingOf(track((t) => 196 * 2 ** ((-perSecond * Math.max(0, t - 0.1)) / 1200)))!;
    expect(down(15).attackCents).to.equal(0);
    expect(down(11).attackCents).to.be.above(4);
  });
});
