import { expect } from 'chai';
import { midiToHz, shiftHz } from '../music/index.ts';
import { type Peg, steelGuitar, withPeg } from '../strings/index.ts';
import { type HeardPluck, pegStand, reversalOf, turnsToSay } from './index.ts';

const E2 = midiToHz(40);

const pluck = (cents: number, told?: number, course = 6): HeardPluck => ({
  reading: { course, cents, errorCents: 0.3, moving: false, hz: shiftHz(E2, cents) },
  refusal: null,
  chosen: null,
  ringing: null,
  levelDbfs: -20,
  clipped: false,
  ...(told !== undefined && { told }),
});

const GUITAR = steelGuitar('g', 'G');
const bare = GUITAR.courses[5]!.strings[0]!.peg;
const peg = (measured: NonNullable<Peg['measured']>) => withPeg(GUITAR, 6, { ...bare, measured });
const PLAY = { turns: 0.03, error: 0.005 };
const KNOWN = peg({ factor: 1, error: 0.1, turns: 6, play: PLAY });
const UP = { fromHz: shiftHz(E2, -10), toHz: E2 };

describe('how a button stands', () => {
  it('goes by what moved last, and by what was told since without moving', () => {
    expect(pegStand([], 6)).to.deep.equal({ way: 0, taken: 0, idle: 0 });
    expect(pegStand([pluck(-20), pluck(-10, 0.03)], 6)).to.deep.equal({
      way: 1,
      taken: 0,
      idle: 0,
    });
    const down = [pluck(20), pluck(4, -0.04)];
    expect(pegStand(down, 6).way).to.equal(-1);
    expect(pegStand([...down, pluck(4, -0.01), pluck(3.9, -0.02)], 6)).to.deep.equal({
      way: -1,
      taken: -0.03,
      idle: 2,
    });
    // Told the other way it begins anew; a pluck without a turn takes nothing; other strings are others.
    expect(pegStand([...down, pluck(4, -0.01), pluck(4, 0.02)], 6).taken).to.equal(0.02);
    expect(pegStand([...down, pluck(4, -0.01), pluck(4)], 6).taken).to.equal(-0.01);
    expect(pegStand([...down, pluck(40, 0.1, 5), pluck(60, 0.1, 5)], 6).way).to.equal(-1);
  });

  it('says whether a turn goes against it', () => {
    expect(reversalOf({ way: 0, taken: 0, idle: 0 }, 0.1)).to.equal('unknown');
    expect(reversalOf({ way: 1, taken: 0, idle: 0 }, 0.1)).to.equal('onward');
    expect(reversalOf({ way: 1, taken: 0, idle: 0 }, -0.1)).to.equal('reversed');
  });
});

describe('the size of a turn that is said', () => {
  const size = (way: -1 | 0 | 1, taken = 0, idle = 2) =>
    turnsToSay(KNOWN, 6, { way, taken, idle }, UP)!.turns;

  it('has the play in it when the button last went the other way, less what was taken up', () => {
    expect(size(-1) - size(1)).to.be.closeTo(0.03, 1e-9);
    expect(size(-1, 0.02) - size(1)).to.be.closeTo(0.01, 1e-9);
    expect(size(0)).to.equal(size(1));
  });

  it('grows where the string does not follow', () => {
    expect(size(1, 0.02)).to.be.greaterThan(size(1));
    expect(size(-1, 0.06)).to.be.greaterThan(size(1));
    // One turn without a move may not have been made at all.
    expect(size(1, 0.02, 1)).to.equal(size(1));
    // What was taken up the other way is nothing of it.
    expect(size(1, -0.02)).to.equal(size(1));
  });

  it('stops short upwards by half of what the figure leaves open, and not downwards', () => {
    const sharp = peg({ factor: 1, error: 0.1, turns: 6 });
    const blunt = peg({ factor: 1, error: 0.3, turns: 2 });
    const onward = { way: 1, taken: 0, idle: 0 } as const;
    const of = (guitar: typeof GUITAR, way = UP) => turnsToSay(guitar, 6, onward, way)!.turns;
    expect(of(blunt) / of(sharp)).to.be.closeTo(0.85 / 0.95, 1e-9);
    const down = { fromHz: shiftHz(E2, 10), toHz: E2 };
    expect(of(blunt, down)).to.equal(of(sharp, down));
    expect(turnsToSay(GUITAR, 9, onward, UP)).to.equal(null);
  });
});
