import { expect } from 'chai';
import type { StringReading } from '../sitting/index.ts';
import { GUESSED, KNOWN } from './neckFixture.ts';
import { stateOf } from './strings.ts';

const NOTHING = [null, null, null];

const reading = (course: number, cents: number, errorCents = 0.3): StringReading => ({
  course,
  cents,
  errorCents,
  moving: false,
  hz: 200 * 2 ** (cents / 1200),
});
const after = (
  readings: readonly StringReading[],
  { before = NOTHING as readonly (number | null)[], coupling = KNOWN } = {},
) => stateOf({ readings, before, coupling });

describe('the state of the strings now', () => {
  it('is what was read, and what turns since did to it', () => {
    // String 3 up by 40 takes the others down by 2; string 2 read afterwards is as it was found.
    const now = after([reading(1, -10), reading(3, -40), reading(3, 0), reading(2, -20)]);
    expect(now[0]!.cents).to.be.closeTo(-12, 0.1);
    expect(now[0]!.drift).to.be.closeTo(-2, 0.1);
    expect(now[1]).to.include({ cents: -20, drift: 0, from: 'this sitting' });
    expect(now[2]).to.include({ cents: 0, from: 'this sitting' });
  });

  it('knows nothing of a string that was not heard', () => {
    const [first] = after([reading(3, -40), reading(3, 0)]);
    expect(first).to.include({ cents: null, from: 'nothing' });
  });

  it('keeps the strings of a pair apart, and lets a turn of one move the other as it moves a neighbour', () => {
    const second = { ...reading(1, -6), member: 2 };
    const now = after([reading(1, -10), second, reading(3, -40), reading(3, 0)]);
    expect(now.map(({ course, member }) => [course, member])).to.deep.equal([
      [1, 1],
      [2, 1],
      [3, 1],
      [1, 2],
    ]);
    expect(now[0]!.cents).to.be.closeTo(-12, 0.1);
    expect(now[3]!.cents).to.be.closeTo(-8, 0.1);
    // The second string is turned: the first one of its course follows, about a twentieth.
    const turned = after([reading(1, 0), second, { ...reading(1, 14), member: 2 }]);
    expect(turned[0]!.drift).to.be.closeTo(-1, 0.05);
    expect(turned[3]).to.include({ cents: 14, drift: 0 });
  });

  it('is less sure of what drifted, by what the coupling leaves open', () => {
    const readings = [reading(1, 0), reading(3, -100), reading(3, 0)];
    const [learned] = after(readings);
    // In tension 100 cents up to the note are 865.6 (1 − e^(−100/865.6)) = 94.4: 4.72 cents of drift, known to 15 %.
    expect(learned!.errorCents).to.be.closeTo(Math.hypot(0.3, 0.15 * 4.72), 0.01);
    const [guessed] = after(readings, { coupling: GUESSED });
    expect(guessed!.errorCents).to.be.closeTo(Math.hypot(0.3, 4.72), 0.02);
  });

  it('takes a string that was left somewhere in an earlier sitting for no more than that', () => {
    const [first] = after([], { before: [-3, null, null] });
    expect(first).to.include({ cents: -3, from: 'earlier' });
    expect(first!.errorCents).to.be.above(10);
  });

  it('a string brought over from another tuning was turned though it was heard once alone', () => {
    const before = [0, 0, -200];
    const [first] = after([reading(1, 4), reading(3, -1)], { before });
    // From −200 to −1: 865.6 (e^(−1/865.6) − e^(−200/865.6)) = 177.6 in tension, of which a twentieth.
    expect(first!.drift).to.be.closeTo(-8.88, 0.02);
    // Nearer than that it may have moved since the session before: nothing follows.
    const near = after([reading(1, 4), reading(3, -150)], { before });
    expect(near[0]!.drift).to.equal(0);
  });

  /** Readings of string 3 before and after, with another one between or not; whether string 1 followed. */
  const TURNS: readonly (readonly [string, number, boolean, boolean])[] = [
    ['a change of a cent in a row is none', 0.9, true, false],
    ['one within three errors is none', 1.2, true, false],
    ['one beyond them is a turn', 1.4, true, true],
    ['with others between, one cent more is wanted', 2.2, false, false],
    ['and found', 2.4, false, true],
  ];
  for (const [name, change, inARow, turned] of TURNS)
    it(name, () => {
      const between = inARow ? [] : [reading(2, 7)];
      const now = after([reading(1, 0), reading(3, -20), ...between, reading(3, -20 + change)]);
      expect(now[0]!.drift !== 0).to.equal(turned);
    });

  it('a pitch that still moved is known less well', () => {
    const [first] = after([{ ...reading(1, 0), moving: true }]);
    expect(first!.errorCents).to.be.closeTo(Math.hypot(0.3, 1.5), 1e-9);
  });

  it('leaves the second string of a course alone', () => {
    expect(after([{ ...reading(1, 5), member: 2 }])[0]!.cents).to.equal(null);
  });

  describe('with time', () => {
    const MINUTE = 60_000;
    const read = (course: number, minutes: number, cents = 0) => ({
      ...reading(course, cents),
      at: minutes * MINUTE,
    });

    it('doubt grows as a walk: a cent in half an hour', () => {
      const [first] = after([read(1, 0), read(2, 30), read(3, 60)]);
      expect(first!.errorCents).to.be.closeTo(Math.hypot(0.3, Math.SQRT2), 1e-9);
      expect(first).to.include({ cents: 0, drift: 0 });
    });

    it('of a new string it grows with its age: most in the first minutes, little after days', () => {
      const since = (age: number, material: 'nylon' | 'steel') =>
        stateOf({
          readings: [read(1, 0), read(2, 5)],
          before: NOTHING,
          coupling: KNOWN,
          fitted: [{ at: -age * MINUTE, material }, null, null],
        })[0]!.errorCents;
      const walk = Math.hypot(0.3, Math.sqrt(5 / 30));
      // 12 ln((5 + 5) / 5) = 8.32 cents.
      expect(since(5, 'nylon')).to.be.closeTo(Math.hypot(walk, 8.32), 0.01);
      expect(since(5, 'steel')).to.be.closeTo(Math.hypot(walk, 2.77), 0.01);
      expect(since(3 * 24 * 60, 'nylon')).to.be.closeTo(walk, 0.01);
    });

    it('a string read anew is as sure as its reading, and one without a moment does not age', () => {
      expect(after([read(1, 0), read(1, 600)])[0]!.errorCents).to.be.closeTo(0.3, 1e-9);
      expect(after([reading(1, 0), read(2, 600)])[0]!.errorCents).to.be.closeTo(0.3, 1e-9);
      const [first] = after([read(2, 0), read(3, 600)], { before: [-3, null, null] });
      expect(first!.errorCents).to.equal(12);
    });
  });
});
