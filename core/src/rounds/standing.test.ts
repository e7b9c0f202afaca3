import { expect } from 'chai';
import fc from 'fast-check';
import {
  currentPass,
  replay,
  type Session,
  type StringReading,
  stringOf,
  summarise,
} from '../sitting/index.ts';
import { MODELS } from '../strings/index.ts';
import { heardOfRound } from './standing.ts';

const ORDER = [4, 3, 2, 1];
const TOLERANCE = 2;
const UKULELE = MODELS.map((model) => model.build('u', 'Uke')).find(
  ({ courses }) => courses.length === ORDER.length,
)!;
const SESSION: Session = {
  id: 's',
  instrumentId: UKULELE.id,
  tuningId: UKULELE.tuningId,
  a4: 440,
  tolerance: TOLERANCE,
  source: 'microphone',
  startedAt: 0,
  zone: 'UTC',
  endedAt: null,
};
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

  it('calls a string in tune just when Tune and the summary do', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -4, max: 4, noNaN: true }), { minLength: 1, maxLength: 4 }),
        fc.double({ min: 0.05, max: 2, noNaN: true }),
        fc.double({ min: -6, max: 6, noNaN: true }),
        (cents, errorCents, aim) => {
          const own = cents.map((off) => read(2, aim + off, { errorCents, aim }));
          const state = replay(
            { order: ORDER, tolerance: TOLERANCE },
            own.map((reading) => ({ type: 'reading', reading })),
          );
          const { standing } = stringOf(currentPass(state), 2)!;
          const others = ORDER.filter((course) => course !== 2).map((course) => read(course, 0));
          const round = heard([...others, ...own]);
          if (round.kind === 'right' || round.kind === 'done')
            expect(standing).not.to.be.oneOf(['low', 'high']);
          const isOut = standing === 'low' || standing === 'high';
          if (isOut) expect(round.kind).to.equal('off');
          const log = own.map((reading, number) => ({
            id: `${number}`,
            sessionId: SESSION.id,
            machine: 'm',
            number,
            event: { type: 'reading' as const, at: 0, reading },
          }));
          const { strings } = summarise(SESSION, log, UKULELE.courses);
          expect(strings.find(({ course }) => course === 2)?.inTune).to.equal(!isOut);
        },
      ),
      { seed: 9, numRuns: 2000 },
    );
  });

  it('calls a string tuned only where it was turned: a strum is not that sure', () => {
    const strum = strummed(3, -4.7).map((one) => ({ ...one, strummed: true }));
    expect(heard([...strum, read(3, 0.5), read(3, 0.4)]).kind).to.equal('right');
    const further = strummed(3, -9).map((one) => ({ ...one, strummed: true }));
    expect(heard([...further, read(3, 0.5), read(3, 0.4)]).kind).to.equal('done');
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
