import { expect } from 'chai';
import fc from 'fast-check';
import type { StringReading } from '../sitting/index.ts';
import { heardOfRound } from './standing.ts';

const ORDER = [4, 3, 2, 1];
const TOLERANCE = 2;
/** From this many cents turned in all, the other strings have to be checked again. */
const MUCH = 60;

const read = (course: number, cents: number, more: Partial<StringReading> = {}): StringReading => ({
  course,
  cents,
  errorCents: 0.4,
  moving: false,
  hz: 300,
  ...more,
});
/** All strings heard once, one of them out of tune by so many cents. */
const strummed = (course: number, cents: number) =>
  ORDER.map((one) => read(one, one === course ? cents : 0.3));
const heard = (readings: readonly StringReading[], tolerance = TOLERANCE) =>
  heardOfRound(readings, ORDER, tolerance);

describe('how an instrument of a round stands', () => {
  // However many steps a hand takes to turn the peg.
  it('counts what was turned, not where a string stood meanwhile', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 6, max: 150, noNaN: true }),
        fc.boolean(),
        fc.integer({ min: 1, max: 6 }),
        fc.constantFrom(...ORDER),
        (far, below, steps, course) => {
          fc.pre(Math.abs(far - MUCH) > 2);
          const from = below ? -far : far;
          const way = Array.from({ length: steps }, (_, i) => from * (1 - (i + 1) / steps));
          const readings = [...strummed(course, from), ...way.map((cents) => read(course, cents))];
          const { kind } = heard([...readings, read(course, 0)]);
          expect(kind, `${from} in ${steps} steps`).to.equal(far > MUCH ? 'once more' : 'done');
        },
      ),
      { seed: 38, numRuns: 400 },
    );
  });

  it('adds up what several strings were turned', () => {
    const each = (cents: number) => [
      ...ORDER.map((course) => read(course, cents)),
      ...ORDER.flatMap((course) => [read(course, 0), read(course, 0)]),
    ];
    // The last of the four was heard after the other three were turned.
    expect(heard(each(-15)).kind).to.equal('done');
    expect(heard(each(-25)).kind).to.equal('once more');
  });

  it('is the same whichever way all strings are off, and whatever order they are heard in', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -12, max: 12, noNaN: true }), { minLength: 4, maxLength: 4 }),
        fc.shuffledSubarray(ORDER, { minLength: 4 }),
        (cents, order) => {
          const readings = ORDER.map((course) => read(course, cents[course - 1]!));
          const mirrored = readings.map((one) => ({ ...one, cents: -one.cents }));
          const shuffled = order.map((course) => read(course, cents[course - 1]!));
          expect(heard(mirrored)).to.deep.equal(heard(readings));
          expect(heard(shuffled)).to.deep.equal(heard(readings));
        },
      ),
      { seed: 38, numRuns: 200 },
    );
  });

  it('lets pass what lies within the tolerance and the doubt of the reading, and no more than a cent beyond', () => {
    const off = (cents: number, errorCents: number) =>
      heard(ORDER.map((course) => read(course, course === 2 ? cents : 0, { errorCents }))).kind;
    expect(off(2.7, 0.4)).to.equal('right');
    expect(off(2.9, 0.4)).to.equal('off');
    expect(off(2.9, 5)).to.equal('right');
    expect(off(3.1, 5)).to.equal('off');
    expect(off(-3.1, 5)).to.equal('off');
  });

  it('measures from the aim, not from the note', () => {
    const aimed = (cents: number, aim: number) =>
      heard(ORDER.map((course) => read(course, cents, { aim }))).kind;
    expect(aimed(6, 5)).to.equal('right');
    expect(aimed(0, 5)).to.equal('off');
  });

  it('takes a string as tuned after two plucks in a row that agree, or one strum', () => {
    const first = strummed(3, -20);
    expect(heard([...first, read(3, 0.5)]).kind).to.equal('off');
    expect(heard([...first, read(3, 0.5, { strummed: true })]).kind).to.equal('done');
    expect(heard([...first, read(3, 0.5), read(3, -9)]).kind).to.equal('off');
    expect(heard([...first, read(3, 0.5), read(3, 0.4)]).kind).to.equal('done');
    expect(heard([...first, read(3, 0.5), read(3, 0.4, { moving: true })]).kind).to.equal('off');
  });
});
