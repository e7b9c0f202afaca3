import { expect } from 'chai';
import { CholeskyDecomposition, determinant, Matrix } from 'ml-matrix';
import { normal, seededRandom } from '../maths/index.ts';
import { findTuning, targetsOf } from '../music/index.ts';
import { findModel, steelGuitar } from '../strings/index.ts';
import { Evidence } from './evidence.ts';
import {
  type FretAsked,
  type FretReading,
  type FretVerdict,
  judgementOf,
  judgeNeck,
  MOST_PLUCKS,
  neckOf,
  nextPlace,
  nextProof,
  type Ordered,
  partKey,
  placeKey,
  proofOf,
  saddleShift,
  semitonesOf,
  Unknowns,
} from './index.ts';
import { fretsHeard } from './map.ts';
import { pressedCents } from './neck.ts';

const hzOf = (tuning: string) => targetsOf(findTuning(tuning)!, 440).map(({ hz }) => hz);
const GUITAR = neckOf(steelGuitar('g', 'G'), hzOf('guitar-standard'));
const UKULELE = neckOf(findModel('ukulele-concert')!.build('u', 'U'), hzOf('ukulele-standard'));

type Off = (course: number, fret: number) => number;

/** A check as it is led, of a neck whose notes are off by a rule; a finger of half a cent, an ear of 0.3. */
function led(neck: typeof GUITAR, off: Off, seed = 1, most = MOST_PLUCKS) {
  const random = seededRandom(seed);
  const readings: FretReading[] = [];
  let judgement = judgeNeck(neck, readings);
  for (;;) {
    // The first places follow a list, whatever is read there.
    if (readings.length >= 4 * neck.strings.length) judgement = judgeNeck(neck, readings);
    const asked = nextPlace(neck, readings, judgement);
    if (!asked || readings.length >= most) return { readings, verdict: judgement.verdict };
    const { course, place } = asked;
    const fretted = place.kind === 'fret' ? off(course, place.fret) + 0.5 * normal(random) : 0;
    const cents = 7 + 100 * semitonesOf(place) + fretted + 0.3 * normal(random);
    readings.push({ course, place, cents, errorCents: 0.3, at: 8000 * readings.length });
  }
}

const faultsOf = (verdict: FretVerdict) =>
  verdict.kind === 'at fault' ? verdict.faults.map(({ part }) => partKey(part)) : verdict.kind;

describe('the evidence of columns', () => {
  // Against the density of a normal law written out with another library's inverse and determinant.
  it('is that of the normal law, to the last digits', () => {
    const random = seededRandom(3);
    const n = 7;
    const any = (rows: number, columns: number) =>
      new Matrix(
        Array.from({ length: rows }, () => Array.from({ length: columns }, () => normal(random))),
      );
    const [shared, columns] = [any(n, 3), any(n, 4)];
    const y = Array.from({ length: n }, () => 2 * normal(random));
    const noise = Array.from({ length: n }, () => 0.2 + random());
    const covariance = (set: readonly number[]) => {
      const own = columns.selection([...Array(n).keys()], [...set]);
      return Matrix.add(shared.mmul(shared.transpose()), Matrix.diag(noise)).add(
        own.mmul(own.transpose()),
      );
    };
    const logOf = (c: Matrix) => {
      const solved = new CholeskyDecomposition(c).solve(Matrix.columnVector(y));
      const square = Matrix.rowVector(y).mmul(solved).get(0, 0);
      return -0.5 * (square + Math.log(determinant(c)) + n * Math.log(2 * Math.PI));
    };
    const flat = (m: Matrix) => Float64Array.from(m.to1DArray());
    const evidence = new Evidence(
      Float64Array.from(y),
      Float64Array.from(noise),
      flat(shared.mmul(shared.transpose())),
      flat(columns),
      4,
    );
    const plain = Matrix.add(shared.mmul(shared.transpose()), Matrix.diag(noise));
    expect(evidence.log).to.be.closeTo(logOf(plain), 1e-9);
    for (const set of [[2], [0, 3], [3, 1, 0]]) {
      expect(evidence.log + evidence.gainOf(set).log).to.be.closeTo(logOf(covariance(set)), 1e-9);
      // Grown one by one it is the same.
      const [last, ...first] = [...set].reverse();
      const before = first.reverse();
      const grown =
        evidence.gainOf(before).log + evidence.oneMore(evidence.grownFrom(before), last!);
      expect(grown).to.be.closeTo(evidence.gainOf(set).log, 1e-9);
      // What a column comes to is its product with the weights of what is read.
      const alpha = evidence.weigh(Float64Array.from(y), set);
      const { amounts } = evidence.gainOf(set);
      for (const [k, column] of set.entries())
        expect(evidence.columnSum(alpha, column)).to.be.closeTo(amounts[k]!, 1e-9);
    }
  });
});

describe('a neck as a maker leaves it', () => {
  // Varieschi & Gower, Am. J. Phys. 78 (2010) 47: to the first order ΔL = h²/2 (1/x + 1/(L − x)), and f goes with √T.
  it('is sharp under a finger by what the string is stretched', () => {
    const string = { scaleMm: 648, give: 0.2 };
    const heights = { slotMm: 0.4, actionMm: 2 };
    const longer = Math.hypot(324, 2) - 324 + Math.hypot(324, 2) - 324;
    const exact = 1200 * Math.log2(Math.sqrt(1 + 0.2 * longer));
    expect(pressedCents(string, heights, 12, 0)).to.be.closeTo(exact, 0.01);
  });

  // Common practice, no source: makers set a steel guitar's saddle back by 1 to 4 mm, a ukulele's by 1 to 3.
  it('has its saddle back by what makers move it', () => {
    for (const { saddleMm } of GUITAR.strings) expect(saddleMm).to.be.within(0.8, 5);
    for (const { saddleMm } of UKULELE.strings) expect(saddleMm).to.be.within(0.4, 3.5);
  });
});

describe('the judge of a neck', () => {
  const SOUND: Off = (course, fret) => (0.6 + 0.1 * course) * 2 ** (-fret / 4);
  const octave = (fret: number) => 2 ** (fret / 12) - 1;

  it('lets a sound guitar go, each fret heard, and says so only when it is sure of all', () => {
    const { verdict, readings } = led(GUITAR, SOUND);
    expect(verdict.kind).to.equal('certified');
    const frets = new Set(
      readings.flatMap(({ place }) => (place.kind === 'fret' ? [place.fret] : [])),
    );
    expect(frets.size).to.equal(12);
    expect(readings.length).to.be.within(24, 45);
  });

  const FAULTS: readonly (readonly [string, typeof GUITAR, Off])[] = [
    ['saddle', GUITAR, (c, n) => SOUND(c, n) + 9 * octave(n)],
    ['saddle', UKULELE, (c, n) => SOUND(c, n) - 9 * octave(n)],
    ['slant', GUITAR, (c, n) => SOUND(c, n) + 9 * octave(n) * ((2 * (c - 1)) / 5 - 1)],
    ['nut', GUITAR, (c, n) => SOUND(c, n) + 8],
    ['fret 5', UKULELE, (c, n) => SOUND(c, n) + (n === 5 ? 9 : 0)],
    ['fret 8', GUITAR, (c, n) => SOUND(c, n) - (n === 8 ? 9 : 0)],
    ['string 3', GUITAR, (c, n) => SOUND(c, n) + (c === 3 ? 10 * octave(n) : 0)],
  ];
  for (const [part, neck, off] of FAULTS)
    it(`finds ${part} on ${neck.strings.length} strings, and nothing beside it`, () => {
      const { verdict, readings } = led(neck, off, 4);
      expect(faultsOf(verdict)).to.deep.equal([part]);
      expect(readings.length).to.be.at.least(4 * neck.strings.length);
    });

  it('says the amount with its interval: a saddle 3 mm too near', () => {
    // Nine cents at fret 12 by the exact rule of the saddle: 3.39 mm at 648 mm.
    const { verdict } = led(GUITAR, (c, n) => SOUND(c, n) + 9 * octave(n), 4);
    const [fault] = verdict.kind === 'at fault' ? verdict.faults : [];
    const exact = -saddleShift(648, 9);
    expect(fault!.mm!.low).to.be.below(exact);
    expect(fault!.mm!.high).to.be.above(exact);
    expect(fault!.mm!.middle).to.be.closeTo(exact, 0.8);
    expect(fault!.worst).to.be.above(5);
    expect(fault!.worstAfter).to.be.below(5);
  });

  it('orders nothing for one pluck that went astray', () => {
    const { verdict } = led(GUITAR, SOUND, 2);
    expect(verdict.kind).to.equal('certified');
    let plucks = 0;
    const astray = led(
      GUITAR,
      (c, n) => SOUND(c, n) + (c === 4 && n === 12 && plucks++ === 0 ? 7 : 0),
      2,
    );
    expect(astray.verdict.kind).to.be.oneOf(['certified', 'nothing to order']);
  });

  it('stops, whatever is read', () => {
    const { readings, verdict } = led(GUITAR, (c, n) => 9 * Math.sin(3 * n + 5 * c), 7);
    expect(readings.length).to.be.at.most(MOST_PLUCKS);
    expect(verdict.kind).to.not.equal('begun');
  });

  for (const [id, tuning] of [
    ['seven-guitar', 'guitar-seven-standard'],
    ['eight-guitar', 'guitar-eight-standard'],
    ['twelve-guitar', 'guitar-standard-strings-twelve'],
  ] as const)
    it(`takes every string by turns, ${id}`, () => {
      const model = findModel(id)!.build('m', 'M');
      const neck = neckOf(model, hzOf(tuning));
      const { readings } = led(neck, SOUND, 5, model.courses.length + 14);
      const fretted = readings.filter(({ place }) => place.kind === 'fret');
      const heard = new Set(fretted.map(({ course }) => course));
      expect(heard.size).to.equal(model.courses.length);
    });

  it('names the frets that nobody heard', () => {
    const { readings } = led(GUITAR, SOUND);
    const few = readings.filter(({ place }) => place.kind !== 'fret' || place.fret !== 6);
    const { verdict } = judgeNeck(GUITAR, few);
    expect(verdict).to.deep.include({ kind: 'undecided', unheard: [6] });
  });

  it('clears no string whose slot nobody heard', () => {
    const { readings } = led(GUITAR, SOUND);
    const near = new Set(
      readings.flatMap(({ course, place }) =>
        place.kind === 'fret' && place.fret < 3 && !place.capo ? [course] : [],
      ),
    );
    expect(near.size).to.equal(6);
    const far = readings.filter(
      ({ course, place }) => course !== 5 || place.kind !== 'fret' || place.fret > 2,
    );
    const { verdict } = judgeNeck(GUITAR, far);
    expect(verdict.kind === 'undecided' && verdict.farFromNut).to.deep.equal([5]);
  });

  it('tells nothing before a string was read open and fretted', () => {
    expect(judgeNeck(GUITAR, []).verdict).to.deep.equal({ kind: 'begun' });
    const fretted = { course: 1, place: { kind: 'fret', fret: 3, pressure: 'normal' } } as const;
    const alone = [{ ...fretted, cents: 300, errorCents: 0.3, at: 0 }];
    expect(judgeNeck(GUITAR, alone).verdict).to.deep.equal({ kind: 'begun' });
  });

  it('does not count what is struck out', () => {
    const { readings } = led(GUITAR, SOUND);
    const wild = { ...readings.at(-1)!, cents: 900, struckOut: true as const };
    expect(judgeNeck(GUITAR, [...readings, wild]).verdict).to.deep.equal(
      judgeNeck(GUITAR, readings).verdict,
    );
  });

  it('works the same readings out once', () => {
    const { readings } = led(UKULELE, SOUND);
    expect(judgementOf(UKULELE, { readings })).to.equal(judgementOf(UKULELE, { readings }));
    const again = judgementOf(UKULELE, { readings: [...readings] });
    expect(again).to.not.equal(judgementOf(UKULELE, { readings }));
  });

  it('certifies within the limit that is asked for', () => {
    const off: Off = (_, fret) => (fret < 4 ? 5.4 : 0.5);
    const { readings } = led(UKULELE, off);
    expect(judgeNeck(UKULELE, readings, 8).verdict.kind).to.equal('certified');
    expect(judgeNeck(UKULELE, readings, 4).verdict.kind).to.not.equal('certified');
  });

  it('judges only the strings that are looked at', () => {
    const two = neckOf(steelGuitar('g', 'G'), hzOf('guitar-standard'), { courses: [1, 2] });
    expect(two.strings.map(({ course }) => course)).to.deep.equal([1, 2]);
    const { readings } = led(GUITAR, SOUND);
    expect(judgeNeck(two, readings).verdict.kind).to.not.equal('begun');
  });

  it('asks for no slot under a capo', () => {
    const capoed = neckOf(steelGuitar('g', 'G'), hzOf('guitar-standard'), { capo: true });
    const { verdict } = led(capoed, (c, n) => SOUND(c, n) + 8, 3, 30);
    expect(JSON.stringify(verdict)).to.not.match(/"(slots|slot|nut)"/);
  });
});

describe('the next place', () => {
  it('is an open string first, the highest number first, then spread over the strings', () => {
    const { readings } = led(UKULELE, () => 0);
    const keys = readings.map(({ course, place }) => `${course} ${placeKey(place)}`);
    expect(keys.slice(0, 4)).to.deep.equal(['4 open', '3 open', '2 open', '1 open']);
    const strings = keys.slice(4, 16).map((key) => key[0]);
    for (const course of '1234')
      expect(strings.filter((one) => one === course).length).to.be.above(1);
  });

  it('of five strings reaches each of them, and all frets', () => {
    const banjo = neckOf(findModel('banjo-five')!.build('b', 'B'), hzOf('banjo-open-g'));
    const { readings } = led(banjo, () => 0);
    expect(new Set(readings.map(({ course }) => course)).size).to.equal(5);
  });

  it('asks for no fret of a string whose open note is left out', () => {
    const skip = ({ course, place }: FretAsked) => course === 4 && place.kind === 'open';
    const readings: FretReading[] = [];
    let judgement = judgeNeck(UKULELE, readings);
    for (let asked = nextPlace(UKULELE, readings, judgement, skip); asked; ) {
      const { course, place } = asked;
      expect(course).to.not.equal(4);
      const cents = 100 * semitonesOf(place);
      readings.push({ course, place, cents, errorCents: 0.3, at: 8000 * readings.length });
      if (readings.length >= 16) judgement = judgeNeck(UKULELE, readings);
      asked = nextPlace(UKULELE, readings, judgement, skip);
    }
    // It is cleared by the strings that were heard.
    expect(judgement.verdict.kind).to.be.oneOf(['certified', 'nothing to order']);
  });

  it('is none that is left out', () => {
    const judgement = judgeNeck(UKULELE, []);
    const asked = nextPlace(UKULELE, [], judgement, ({ course }) => course > 2);
    expect(asked?.course).to.equal(2);
  });
});

describe('an order that was carried out or not', () => {
  const SOUND: Off = (course, fret) => (0.6 + 0.1 * course) * 2 ** (-fret / 4);
  const unknowns = new Unknowns(GUITAR);
  const octave = (fret: number) => 2 ** (fret / 12) - 1;

  function proved(ordered: Ordered, off: Off) {
    const random = seededRandom(11);
    const readings: FretReading[] = [];
    for (;;) {
      const asked = nextProof(GUITAR, readings, ordered);
      if (!asked) return { readings, proof: proofOf(unknowns, readings, ordered) };
      const { course, place } = asked;
      const fretted = place.kind === 'fret' ? off(course, place.fret) + 0.4 * normal(random) : 0;
      const cents = 100 * semitonesOf(place) + fretted + 0.2 * normal(random);
      readings.push({ course, place, cents, errorCents: 0.2, at: 8000 * readings.length });
    }
  }

  const SADDLE: Ordered = { part: { kind: 'saddle' }, cents: 10, at: { course: 2, fret: 12 } };
  for (const [left, kind] of [
    [0, 'done'],
    [0.5, 'half done'],
    [1, 'not done'],
    [-0.6, 'too much'],
  ] as const)
    it(`of a saddle, ${left} of it left, in about ten plucks: ${kind}`, () => {
      const { readings, proof } = proved(SADDLE, (c, n) => SOUND(c, n) + 10 * left * octave(n));
      expect(proof).to.include({ kind, moved: null });
      expect(proof.cents).to.be.closeTo(10 * left, 2.5);
      expect(readings.length).to.equal(10);
    });

  it('asks for the string and the fret that the order was about', () => {
    const fret: Ordered = { part: { kind: 'fret', fret: 7 }, cents: 8, at: { course: 3, fret: 7 } };
    const { readings, proof } = proved(fret, (c, n) => SOUND(c, n) + (n === 7 ? 8 : 0));
    expect(proof.kind).to.equal('not done');
    const places = readings.map(({ course, place }) => `${course} ${placeKey(place)}`);
    expect(places).to.include('3 7 normal').and.include('3 8 normal');
    const slot: Ordered = {
      part: { kind: 'slot', course: 6 },
      cents: 8,
      at: { course: 6, fret: 1 },
    };
    expect(proved(slot, SOUND).proof.kind).to.equal('done');
  });

  it('goes on past a place that is left out, and says nothing where too many were', () => {
    const skip = ({ course }: { readonly course: number }) => course === 2;
    expect(nextProof(GUITAR, [], SADDLE)?.course).to.equal(2);
    expect(nextProof(GUITAR, [], SADDLE, skip)?.course).to.not.equal(2);
    const { readings } = proved(SADDLE, SOUND);
    expect(proofOf(unknowns, readings.slice(0, -1), SADDLE).kind).to.equal('done');
    expect(proofOf(unknowns, readings.slice(0, -4), SADDLE).kind).to.equal('more plucks');
  });

  it('notices what moved beside it', () => {
    const { proof } = proved(SADDLE, (c, n) => SOUND(c, n) + 9);
    expect(proof.moved).to.deep.equal({ kind: 'nut' });
  });

  it('says nothing before its plucks are read', () => {
    expect(proofOf(unknowns, [], SADDLE).kind).to.equal('more plucks');
  });
});

describe('a place under a capo', () => {
  const CAPO_ON = (fret: number) =>
    ({ kind: 'fret', fret, pressure: 'normal', capo: true }) as const;

  it('is another place than the same fret without', () => {
    expect(placeKey(CAPO_ON(5))).to.not.equal(
      placeKey({ kind: 'fret', fret: 5, pressure: 'normal' }),
    );
  });

  it('tells high slots from what stands above them: they are not in it', () => {
    const unknowns = new Unknowns(GUITAR);
    const { columns } = unknowns.rowOf({ kind: 'slots' });
    const [column = 0] = columns;
    const at = (capo: boolean) =>
      unknowns.at({ course: 1, fret: 5, pressure: 'normal', ...(capo && { capo: true as const }) });
    expect(at(false).faults[column]).to.be.above(0.5);
    expect(at(true).faults[column]).to.equal(0);
    const [action = 0] = unknowns.rowOf({ kind: 'action' }).columns;
    expect(at(true).faults[action]).to.be.above(0.5);
  });

  it('behind the capo no finger is in, and fret 1 is not heard by it', () => {
    const unknowns = new Unknowns(GUITAR);
    const [hand = 0] = unknowns.rowOf({ kind: 'hand' }).columns;
    const behind = { course: 1, fret: 1, pressure: 'normal', capo: true } as const;
    expect(unknowns.at(behind).faults[hand]).to.equal(0);
    const read = { course: 1, cents: 0, errorCents: 0.3, at: 0 };
    expect([
      ...fretsHeard([
        { ...read, place: CAPO_ON(1) },
        { ...read, place: CAPO_ON(9) },
      ]),
    ]).to.deep.equal([9]);
  });
});
