import { expect } from 'chai';
import fc from 'fast-check';
import { akaike, normal, seededRandom } from '../maths/index.ts';
import {
  type Creep,
  creepAt,
  FARTHEST,
  holdOf,
  holdTime,
  type Law,
  roundsLeft,
  type SettlingEvent,
  settle,
} from './index.ts';

const LOG: Creep = { law: 'logarithm', size: 20, scale: 300, jump: 1500 };
const EXP: Creep = { law: 'exponential', size: 60, scale: 4000, jump: 900 };

/** Rounds as a teacher makes them: found, stretched, dropped to, brought up; then some looks. */
function rounds(creep: Creep, count: number, looks: number, noise: number, seed = 1) {
  const random = seededRandom(seed);
  const events: SettlingEvent[] = [];
  let at = 30;
  let stretched = 0;
  let level = creepAt(creep, at);
  const read = () =>
    events.push({
      kind: 'reading',
      at,
      cents: level - creepAt(creep, at + stretched) + noise * normal(random),
      errorCents: Math.max(noise, 0.02),
    });
  const bringUp = () => {
    events.push({ kind: 'brought up', at });
    at += 10;
    level = creepAt(creep, at + stretched) + normal(random);
    read();
  };
  bringUp();
  for (let k = 0; k < count; k++) {
    at += 120;
    read();
    events.push({ kind: 'stretch', at });
    stretched += creep.jump;
    at += 20;
    read();
    bringUp();
  }
  for (let k = 0; k < looks; k++) {
    at += 700;
    read();
  }
  return { events, at, age: at + stretched };
}

describe('creep', () => {
  // 20 ln(1 + 600/300) = 20 ln 3; 60 (1 − e^−1) at one scale.
  it('follows its law', () => {
    expect(creepAt(LOG, 600)).to.be.closeTo(20 * Math.log(3), 1e-9);
    expect(creepAt(EXP, 4000)).to.be.closeTo(60 * (1 - Math.exp(-1)), 1e-9);
    expect(creepAt(LOG, 0)).to.equal(0);
  });

  it('holds until it has dropped by the way that is left', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Law>('logarithm', 'exponential'),
        fc.double({ min: 5, max: 80, noNaN: true }),
        fc.double({ min: 60, max: 9000, noNaN: true }),
        fc.double({ min: 0, max: 20_000, noNaN: true }),
        fc.double({ min: 0.5, max: 8, noNaN: true }),
        (law, size, scale, age, way) => {
          const creep = { law, size, scale, jump: 600 };
          const hold = holdTime(creep, age, way);
          if (!Number.isFinite(hold)) {
            expect(creepAt(creep, 1e12) - creepAt(creep, age)).to.be.at.most(way + 1e-6);
            return;
          }
          expect(creepAt(creep, age + hold) - creepAt(creep, age)).to.be.closeTo(way, 1e-5);
        },
      ),
      { seed: 2 },
    );
    expect(holdTime(LOG, 100, -1)).to.equal(0);
  });

  // Aged 1000 s, 5 cents away: 1300 (e^0.25 − 1) = 369 s; a lesson of 2700 s needs an age of
  // 2700/0.2840 − 300 = 9206 s, which is 5.5 rounds of 1500 s away: 6.
  it('counts the rounds until a lesson is held', () => {
    expect(holdTime(LOG, 1000, 5)).to.be.closeTo(369.2, 0.1);
    expect(roundsLeft(LOG, 1000, 5, 2700)).to.equal(6);
    expect(roundsLeft(LOG, 9300, 5, 2700)).to.equal(0);
    expect(roundsLeft({ ...LOG, jump: 1 }, 1000, 5, 2700)).to.equal(null);
  });
});

describe('settling', () => {
  it('says how many readings are wanted rather than a number', () => {
    const { events } = rounds(LOG, 1, 0, 0.1);
    const settling = settle(events);
    expect(settling).to.deep.equal({ kind: 'more readings', wanted: 3 });
    expect(settle([])).to.deep.equal({ kind: 'more readings', wanted: 5 });
  });

  for (const truth of [LOG, EXP])
    it(`recovers a ${truth.law} from clean readings, and knows it from the other law`, () => {
      const { events, at, age } = rounds(truth, 6, 6, 0.02);
      const settling = settle(events);
      if (settling.kind !== 'fitted') throw new Error('not fitted');
      expect(settling.decided).to.equal(true);
      const [{ creep }] = settling.fits;
      expect(creep.law).to.equal(truth.law);
      expect(creep.size / truth.size).to.be.closeTo(1, 0.08);
      const hold = holdOf(settling, { at, cents: 0, errorCents: 0 }, 5);
      const exact = Math.min(FARTHEST, holdTime(truth, age, 5));
      expect(hold.expected / exact).to.be.closeTo(1, 0.08);
      expect(hold.low).to.be.at.most(hold.high);
    });

  it('a string left high holds longer, one left low shorter', () => {
    const { events, at } = rounds(LOG, 6, 2, 0.25);
    const settling = settle(events);
    if (settling.kind !== 'fitted') throw new Error('not fitted');
    const from = (cents: number) => holdOf(settling, { at, cents, errorCents: 0.25 }, 5).expected;
    expect(from(2)).to.be.above(from(0));
    expect(from(-4)).to.be.below(from(0));
    expect(from(-6)).to.equal(0);
  });

  it('its interval of 80 % holds the truth in 65 to 95 of 100 seeded strings', () => {
    let held = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const truth = { ...LOG, size: 12 + (seed % 7) * 5, scale: 100 + 90 * (seed % 5) };
      const { events, at, age } = rounds(truth, 6, 3, 0.25, seed);
      const settling = settle(events);
      if (settling.kind !== 'fitted') continue;
      const hold = holdOf(settling, { at, cents: 0, errorCents: 0 }, 5);
      const exact = holdTime(truth, age, 5);
      if (exact >= hold.low && exact <= hold.high) held++;
    }
    expect(held / 60).to.be.within(0.65, 0.97);
  });

  // χ² 10 with 3 unknowns and 12 readings: 10 + 6 + 24/8, by hand.
  it('weighs unknowns against readings', () => {
    expect(akaike(10, 3, 12)).to.equal(19);
    expect(akaike(10, 3, 4)).to.equal(Number.POSITIVE_INFINITY);
    expect(akaike(10, 3, 1e9)).to.be.closeTo(16, 1e-6);
  });
});
