import { expect } from 'chai';
import fc from 'fast-check';
import type { SettlingEvent } from './history.ts';
import { watchedHold, watchOf } from './watch.ts';
import { type Fall, LAWS } from './worldFixture.ts';

const EXACT = 1e-6;
const reading = (at: number, cents: number, errorCents = EXACT): SettlingEvent => ({
  kind: 'reading',
  at,
  cents,
  errorCents,
});
const turned = (at: number): SettlingEvent => ({ kind: 'brought up', at });

describe('how long a string holds by its watch alone', () => {
  it('is never longer than any creep that only slows holds', () => {
    const arbitrary = fc.record({
      law: fc.constantFrom(...Object.values(LAWS)),
      cents: fc.double({ min: 0.5, max: 200, noNaN: true }),
      from: fc.double({ min: 60, max: 50_000, noNaN: true }),
      watch: fc.double({ min: 20, max: 40_000, noNaN: true }),
    });
    fc.assert(
      fc.property(arbitrary, ({ law, cents, from, watch }) => {
        const fall: Fall = law(cents);
        const fell = (at: number) => fall(from) - fall(at);
        const events = [reading(from, 0), reading(from + watch, fell(from + watch))];
        const hold = watchedHold(events, 'steel', 5)!.hold;
        const end = from + watch;
        expect(fall(end + hold) - fall(end)).to.be.at.most(5 + 1e-6);
      }),
      { seed: 11 },
    );
  });

  it('is d·T/w by hand, with what errors and the room may take of it', () => {
    // A cent in 100 s; five more take 500 s, less the room's share.
    const events = [reading(100, 0), reading(200, -1)];
    expect(watchedHold(events, 'steel', 5)?.hold).to.be.within(450, 500);
    expect(watchedHold(events, 'steel', 5, -1)?.hold).to.be.within(350, 400);
    const rough = [reading(100, 0, 0.5), reading(200, -1, 0.5)];
    // 5 − T/100 − 1.645 √((0.707 T/100)² + 0.5²) = 0 at T = 225 s, the room aside.
    expect(watchedHold(rough, 'steel', 5)?.hold).to.be.within(215, 225.3);
  });

  it('begins anew with every turn; of a string that is to be brought up the watch before counts', () => {
    const events = [reading(100, 0), reading(300, -1), turned(310), reading(310, 0)];
    expect(watchOf(events)).to.equal(null);
    expect(watchedHold(events, 'nylon', 5, 0)).to.equal(null);
    expect(watchedHold(events, 'nylon', 5)?.hold).to.be.above(300);
    const watched = [...events, reading(400, -0.2)];
    expect(watchOf(watched)).to.deep.equal({ seconds: 90, fell: 0.2 });
  });

  it('is nothing for two plucks of one moment, and does not hold for what sticks and slips', () => {
    expect(watchedHold([reading(100, 0), reading(105, 0)], 'nylon', 5)).to.equal(null);
    // Still for ten minutes; then it lets go by 7 cents. No watch can tell: the draws keep a margin for that.
    expect(watchedHold([reading(0, 0), reading(600, 0)], 'nylon', 5)?.hold).to.be.above(600);
  });
});
