import { expect } from 'chai';
import fc from 'fast-check';
import solver from 'javascript-lp-solver';
import { fretPlace } from '../fretboard/index.ts';
import { readPlucks } from '../listen/index.ts';
import { normal, seededRandom } from '../maths/index.ts';
import { findTuning, targetsOf } from '../music/index.ts';
import { frettedCents, GOOD_NECK, PracticeInstrument } from '../practice/index.ts';
import { findModel } from '../strings/index.ts';
import {
  amountOf,
  CENTS_PER_E,
  causesOf,
  compromiseOf,
  FIFTEEN_FRETS,
  type FretReading,
  findingsOf,
  nutShift,
  otherFret,
  outcomeOf,
  type Pressure,
  parseShape,
  saddleShift,
  semitonesOf,
  sequenceOf,
  USEFUL_FRETS,
} from './index.ts';

/** Readings of a string whose fretted notes are off by a rule, each with some noise. */
function readings(
  off: (fret: number, pressure: Pressure) => number,
  {
    noise = 0,
    pressures = ['normal'],
    seed = 1,
  }: { noise?: number; pressures?: readonly Pressure[]; seed?: number } = {},
): FretReading[] {
  const random = seededRandom(seed);
  return sequenceOf(USEFUL_FRETS, pressures).map((place, at) => ({
    course: 1,
    place,
    cents:
      -12 +
      100 * semitonesOf(place) +
      (place.kind === 'fret' ? off(place.fret, place.pressure) : 0) +
      noise * normal(random),
    errorCents: 0.5,
    at,
  }));
}

const fitted = (list: readonly FretReading[]) => {
  const causes = causesOf(list);
  if (causes.kind !== 'fitted') throw new Error(causes.say);
  return causes;
};
const saddle = (fret: number) => 2 ** (fret / 12) - 1;

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

describe('causes', () => {
  it('of a perfect string: none', () => {
    expect(fitted(readings(() => 0)).causes).to.deep.equal([]);
    let named = 0;
    for (let seed = 1; seed <= 40; seed++)
      named += fitted(readings(() => 0, { noise: 0.5, seed })).causes.length > 0 ? 1 : 0;
    expect(named).to.be.at.most(3);
  });

  // With B of 1e-4 the reported pitch would be four cents sharp at the twelfth fret: f0 is not.
  it('of a perfect guitar with stiff strings, played and heard: none', () => {
    const instrument = findModel('steel-guitar')!.build('g', 'G');
    const targets = targetsOf(findTuning('guitar-standard')!, 440).map(({ hz }) => hz);
    const rate = 24_000;
    const heard = sequenceOf(USEFUL_FRETS, ['soft']).map((place, at): FretReading => {
      const guitar = new PracticeInstrument({
        instrument,
        targets,
        detune: targets.map(() => 0),
        seed: 5,
        sampleRate: rate,
        coupling: 0,
        neck: { ...GOOD_NECK, firstMm: 0.02, twelfthMm: 0.02 },
      });
      const sound = new Float32Array(1.6 * rate);
      guitar.render(sound.subarray(0, rate / 2));
      if (place.kind === 'open') guitar.pluck(3);
      else if (place.kind === 'harmonic') guitar.pluckFretted(3, 12, null);
      else guitar.pluckFretted(3, place.fret, place.pressure);
      guitar.render(sound.subarray(rate / 2));
      const outcome = readPlucks(sound, rate)[0]?.outcome;
      if (outcome?.kind !== 'reading') throw new Error(outcome?.kind);
      const cents = 1200 * Math.log2(outcome.f0Hz / targets[2]!);
      return { course: 3, place, cents, errorCents: Math.hypot(outcome.errorCents, 0.5), at };
    });
    expect(fitted(heard).causes).to.deep.equal([]);
  });

  it('saddle and nut are told apart with their amounts', () => {
    const { causes, at } = fitted(readings((n) => 6 + 11 * saddle(n)));
    expect(causes.map(({ cause }) => cause)).to.deep.equal(['nut place', 'saddle place']);
    expect(causes[0]!.cents).to.be.closeTo(6, 1e-6);
    expect(causes[1]!.cents).to.be.closeTo(11, 1e-6);
    expect(at(12, 'normal')).to.be.closeTo(17, 1e-6);
    expect(amountOf(causes[1]!, 648)!.mm).to.be.closeTo(saddleShift(648, 11), 1e-6);
  });

  it('a string that drifts between its open readings does not look like a cause', () => {
    const drifting = readings((n) => 8 * saddle(n)).map((r) => ({
      ...r,
      cents: r.cents - 0.4 * r.at,
    }));
    const { causes } = fitted(drifting);
    expect(causes.map(({ cause }) => cause)).to.deep.equal(['saddle place']);
    expect(causes[0]!.cents).to.be.closeTo(8, 0.6);
  });

  it('a fret out of its place is a lone outlier', () => {
    const list = readings((n) => 4 * saddle(n) + (n === 2 ? 9 : 0), { noise: 0.4 });
    const bad = fitted(list).causes.find(({ cause }) => cause === 'fret');
    expect(bad?.fret).to.equal(2);
    expect(bad?.cents).to.be.closeTo(9, 1.5);
  });

  it('the finger shows where more than one pressure was read', () => {
    // A hard finger does more than a light one undoes.
    const step = { soft: -1, normal: 0, hard: 3 };
    const off = (n: number, p: Pressure) => 5 + 4 * step[p] * 2 ** (n / 12);
    const { causes } = fitted(readings(off, { pressures: ['soft', 'normal', 'hard'] }));
    expect(causes.map(({ cause }) => cause)).to.deep.equal([
      'nut place',
      'light touch',
      'hard touch',
    ]);
    expect(causes[1]!.cents).to.be.closeTo(-8, 1e-6);
    expect(causes[2]!.cents).to.be.closeTo(24, 1e-6);
  });

  it('six cents of one pressure pass for nut and saddle: both are named effective', () => {
    const { causes } = fitted(readings((n) => 3 * 2 ** (n / 12)));
    expect(causes.map(({ cents }) => Math.round(cents))).to.deep.equal([3, 3]);
  });

  it('too few or contradictory readings promise nothing', () => {
    const few = readings(() => 0).filter(({ place }) => place.kind !== 'fret' || place.fret > 9);
    expect(causesOf(few)).to.deep.equal({
      kind: 'more readings',
      say: 'Not enough to tell: read fret 1 as well.',
    });
    expect(causesOf([])).to.deep.equal({ kind: 'more readings', say: 'Read the open string.' });
    const wild = fitted(readings((n) => (n % 2 === 0 ? 9 : -9)));
    expect(wild.strange).to.equal(true);
  });

  it('a reading that is struck out does not count', () => {
    const list = readings((n) => (n === 5 ? 30 : 0));
    const struck = list.map((r) =>
      r.place.kind === 'fret' && r.place.fret === 5 ? { ...r, struckOut: true as const } : r,
    );
    expect(fitted(list).causes.length).to.be.above(0);
    expect(fitted(struck).causes).to.deep.equal([]);
  });

  it('strings that share a cause are told together, what nobody hears is left out', () => {
    const ukulele = findModel('ukulele-concert')!.build('u', 'U');
    const of = (course: number, cents: number) =>
      [course, fitted(readings((n) => cents * saddle(n)))] as const;
    const found = findingsOf(ukulele, new Map([of(1, 8), of(2, 9), of(3, 7), of(4, 1.5)]));
    expect(found).to.have.length(1);
    expect(found[0]!.courses).to.deep.equal([1, 2, 3]);
    expect(found[0]!.cents).to.be.closeTo(8, 1e-6);
    expect(found[0]!.amounts).to.have.length(3);
  });

  it('a pitch at another fret is noticed', () => {
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
