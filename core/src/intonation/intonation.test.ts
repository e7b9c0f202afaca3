import { expect } from 'chai';
import fc from 'fast-check';
import solver from 'javascript-lp-solver';
import { fretPlace } from '../fretboard/index.ts';
import { frettedCents, GOOD_NECK } from '../practice/index.ts';
import {
  CENTS_PER_E,
  compromiseOf,
  FIFTEEN_FRETS,
  nutShift,
  otherFret,
  outcomeOf,
  parseShape,
  saddleShift,
  USEFUL_FRETS,
} from './index.ts';

describe('the frets that are asked for', () => {
  it('are seven that tell most, or each of the first fifteen once', () => {
    expect(USEFUL_FRETS).to.deep.equal([12, 1, 2, 3, 5, 7, 9]);
    expect([...FIFTEEN_FRETS].sort((a, b) => a - b)).to.deep.equal(
      Array.from({ length: 15 }, (_, i) => i + 1),
    );
  });

  it('go up and down the neck by turns, so that a drift is no cause', () => {
    const halves = [FIFTEEN_FRETS.slice(0, 8), FIFTEEN_FRETS.slice(7)].map(
      (half) => half.reduce((sum, fret) => sum + fret, 0) / half.length,
    );
    expect(Math.abs(halves[0]! - halves[1]!)).to.be.below(2);
  });
});

describe('amounts for the repairer', () => {
  // (648 + δ)/(324 + δ) = 2 · 2^(−10/1200), solved by hand: 3.776 mm; to first order 648 · 10/1731.23 = 3.743.
  it('saddle: +10 cents at 648 mm is 3.776 mm', () => {
    expect(saddleShift(648, 10)).to.be.closeTo(3.776, 0.0005);
    expect((648 * 10) / CENTS_PER_E).to.be.closeTo(3.743, 0.0005);
    expect(saddleShift(648, 0)).to.equal(0);
    expect(saddleShift(648, -10)).to.be.below(0);
  });

  it('a saddle that was moved so makes the octave right, whatever it was', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: 40, noNaN: true }), (cents) => {
        const shift = saddleShift(500, cents);
        // Before: open L, fretted L/2, sharp by `cents` from anything else than length.
        const octave = 1200 * Math.log2((500 + shift) / (250 + shift)) + cents;
        expect(octave).to.be.closeTo(1200, 1e-6);
      }),
      { seed: 6 },
    );
  });

  it('nut: every fretted note sharp by a cent is 0.374 mm at 648 mm', () => {
    expect(nutShift(648, 1)).to.be.closeTo(0.374, 0.001);
  });
});

describe('a pitch at another fret', () => {
  it('is noticed', () => {
    expect(otherFret({ kind: 'fret', fret: 5, pressure: 'hard' }, 549)).to.equal(null);
    expect(otherFret({ kind: 'fret', fret: 5, pressure: 'normal' }, 605)).to.equal(6);
    expect(otherFret({ kind: 'harmonic' }, 1190)).to.equal(null);
  });
});

describe('the practice neck', () => {
  const string = { scaleMm: 648, totalMm: 760, tension: 72, stiffness: 10_000 };
  const still = { ...GOOD_NECK, firstMm: 0.02, twelfthMm: 0.02 };

  it('with no height and no finger gives the length alone', () => {
    const moved = { ...still, saddleMm: -saddleShift(648, 10) };
    // 644.224 mm over 320.224 mm is 1210.18 cents.
    expect(frettedCents(string, moved, 12, 0)).to.be.closeTo(10.18, 0.01);
    expect(frettedCents(string, { ...still, frets: { 5: 1 } }, 5, 0)).to.be.closeTo(
      1200 * Math.log2((648 - fretPlace(648, 5)) / (647 - fretPlace(648, 5))),
      0.02,
    );
  });

  it('a harder finger and a higher action are sharper', () => {
    const soft = frettedCents(string, GOOD_NECK, 3, 0.2);
    expect(frettedCents(string, GOOD_NECK, 3, 0.8)).to.be.above(soft);
    expect(frettedCents(string, { ...GOOD_NECK, twelfthMm: 3.5 }, 12, 0.2)).to.be.above(
      frettedCents(string, GOOD_NECK, 12, 0.2),
    );
  });
});

describe('the compromise of the open strings', () => {
  // A ukulele whose second fret is 8 cents sharp on every string; C 0003, F 2010, G 0232, Am 2000.
  // String 4 plays 0 2 0 2: errors 0 8 0 8, mean 4. String 3: 0 0 2 0 → 2. String 2: 0 1 3 0 → 0.
  // String 1: 3 0 2 0 → 2. By hand.
  const errors = [1, 2, 3, 4].map(() => (fret: number) => (fret === 2 ? 8 : 0));
  const shapes = ['0003', '2010', '0232', '2000'].map((text) => parseShape(text, 4)!);

  it('by least squares is the mean taken away', () => {
    const offsets = compromiseOf(shapes, errors, 'least squares');
    expect(offsets.map((cents) => cents + 0)).to.deep.equal([-2, 0, -2, -4]);
    const am = outcomeOf(shapes[3]!, errors, offsets);
    expect(am.worstBefore).to.equal(8);
    expect(am.worstAfter).to.equal(6);
  });

  it('by minimax is the middle', () => {
    const offsets = compromiseOf(shapes, errors, 'minimax');
    expect(offsets.map((cents) => cents + 0)).to.deep.equal([-4, 0, -4, -4]);
  });

  it('minimax equals a linear programme of a general-purpose package', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (cents) => {
          const own = parseShape('1', 1)!;
          const list = cents.map((_, i) => ({ ...own, frets: [i + 1] }));
          const [offset = 0] = compromiseOf(list, [(fret) => cents[fret - 1]!], 'minimax');
          // Least t with |e + x| ≤ t; x = up − down, all variables at least 0.
          const constraints: Record<string, { min: number }> = {};
          const up: Record<string, number> = {};
          const down: Record<string, number> = {};
          const t: Record<string, number> = { t: 1 };
          cents.forEach((e, i) => {
            constraints[`a${i}`] = { min: e };
            constraints[`b${i}`] = { min: -e };
            [up[`a${i}`], down[`a${i}`], t[`a${i}`]] = [-1, 1, 1];
            [up[`b${i}`], down[`b${i}`], t[`b${i}`]] = [1, -1, 1];
          });
          const answer = solver.Solve({
            optimize: 't',
            opType: 'min',
            constraints,
            variables: { up, down, t },
          }) as { result: number };
          const worst = Math.max(...cents.map((e) => Math.abs(e + offset)));
          expect(worst).to.be.closeTo(answer.result, 1e-6);
        },
      ),
      { seed: 8, numRuns: 60 },
    );
  });

  it('reads chords as they are written, and no others', () => {
    expect(parseShape('x32010', 6)?.frets).to.deep.equal([0, 1, 0, 2, 3, null]);
    expect(parseShape('10 12 12 11', 4)?.frets).to.deep.equal([11, 12, 12, 10]);
    expect(parseShape('x3201', 6)).to.equal(null);
    expect(parseShape('abcd', 4)).to.equal(null);
  });
});
