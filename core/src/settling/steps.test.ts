import { expect } from 'chai';
import fc from 'fast-check';
import type { Said } from '../sitting/index.ts';
import { historyOf, type Look, stepsOf, type Taken, withNeck } from './index.ts';

const AT = Date.UTC(2026, 10, 25, 9);
const C4 = 261.6256;
const look = (course: number, seconds: number, cents: number, hz = C4 * 2 ** (cents / 1200)) =>
  ({ course, at: AT + 1000 * seconds, cents, errorCents: 0.3, hz }) satisfies Look;
const told = (looks: readonly Look[], said: readonly Said[] = []) =>
  (stepsOf(looks, said, 2).get(3) ?? []).map(({ step, doubt }) => doubt?.kind ?? step);

/** Two rounds as a teacher makes them, and a look next morning. */
const TWO_ROUNDS = [
  look(3, 0, -20),
  look(3, 20, -0.5),
  look(3, 24, -0.8),
  look(3, 120, -6),
  look(3, 135, -31),
  look(3, 160, 0.4),
  look(3, 260, -1.2),
  look(3, 275, -14),
  look(3, 300, 6),
  look(3, 310, 0.1),
  look(3, 36_000, -12),
];

describe('steps of settling, told from the sound', () => {
  it('are found, pulled, brought up, let down and left alone', () => {
    expect(told(TWO_ROUNDS)).to.deep.equal([
      'first',
      'brought up',
      'again',
      'waited',
      'stretched',
      'brought up',
      'waited',
      'stretched',
      'brought up',
      'let down',
      'waited',
    ]);
  });

  it('make the rounds, the drops and the events of the fit', () => {
    const taken = stepsOf(TWO_ROUNDS, [], 2).get(3)!;
    const history = historyOf(3, AT - 60_000, taken, 'nylon');
    expect(history.rounds).to.deep.equal([
      { found: -6, dropped: -31, left: 0.4 },
      { found: -1.2, dropped: -14, left: 6 },
    ]);
    // 0.3 + 5.2 + 25 + 1.6 + 12.8 + 12.1, by hand.
    expect(history.droppedSoFar).to.be.closeTo(57, 1e-9);
    expect(history.events[0]).to.deep.equal({
      kind: 'reading',
      at: 60,
      cents: -20,
      errorCents: 0.3,
    });
    expect(history.events.filter(({ kind }) => kind === 'stretch')).to.have.length(2);
    expect(history.events.filter(({ kind }) => kind === 'brought up')).to.have.length(4);
  });

  it('a rise after an absence is asked about, and does not count meanwhile', () => {
    const looks = [look(3, 0, -1), look(3, 30, -1.5), look(3, 7200, 9)];
    expect(told(looks)).to.deep.equal(['first', 'waited', 'rose']);
    const history = historyOf(3, AT, stepsOf(looks, [], 2).get(3)!, 'nylon');
    expect(history.last?.cents).to.equal(-1.5);
    expect(history.taken).to.have.length(3);
    const said: Said = { course: 3, of: AT + 7_200_000, step: 'retuned' };
    expect(told(looks, [said])).to.deep.equal(['first', 'waited', 'retuned']);
    expect(historyOf(3, AT, stepsOf(looks, [said], 2).get(3)!, 'nylon').last?.cents).to.equal(9);
  });

  it('a fall beyond what a string can do by itself is asked about: creep only slows down', () => {
    // It fell by 1 cent in 200 s; in two hours it cannot fall by more than 36 and a half.
    const slow = [look(3, 0, 0), look(3, 200, -1)];
    expect(told([...slow, look(3, 7400, -30)])[2]).to.equal('waited');
    expect(told([...slow, look(3, 7400, -150)])[2]).to.equal('fell');
  });

  it('what was asked for before a pluck tells a pull from a fall', () => {
    const slow = [look(3, 0, 0), look(3, 60, -1)];
    const small = { ...look(3, 70, -2.5), asked: 'pull' } as const;
    expect(told([...slow, small])[2]).to.equal('stretched');
    expect(told([...slow, look(3, 70, -12)])[2]).to.equal('stretched');
    // It was to be left alone: nobody is taken to have pulled it.
    expect(told([...slow, { ...look(3, 70, -12), asked: 'leave' }])[2]).to.equal('fell');
    expect(told([...slow, { ...look(3, 120, -2), asked: 'leave' }])[2]).to.equal('waited');
  });

  it('a string that sounds like another one is asked about', () => {
    const e4 = 329.6276;
    const looks = [look(2, 0, -1, e4), look(3, 5, -1), look(3, 60, 395, e4 * 1.001)];
    expect(told(looks)).to.deep.equal(['first', 'another string']);
  });

  it('a string changed in the middle begins anew', () => {
    const said: Said = { course: 3, of: AT + 7_200_000, step: 'new string' };
    const looks = [...TWO_ROUNDS.slice(0, 6), look(3, 7200, -45), look(3, 7300, -60)];
    const history = historyOf(3, AT - 60_000, stepsOf(looks, [said], 2).get(3)!, 'nylon');
    expect(history.fittedAt).to.equal(AT + 7_200_000);
    expect(history.rounds).to.deep.equal([]);
    expect(history.taken).to.have.length(8);
  });

  it('a clock set back is asked about, and put right from there on', () => {
    const looks = [look(3, 0, -1), look(3, 600, -2), look(3, -3000, -3), look(3, -2900, -3.2)];
    expect(told(looks)).to.deep.equal(['first', 'waited', 'clock back', 'clock back']);
    const said: Said = { course: 3, of: AT - 3_000_000, step: 'waited', elapsed: 120_000 };
    const taken = stepsOf(looks, [said], 2).get(3)!;
    expect(taken.map(({ really }) => (really - AT) / 1000)).to.deep.equal([0, 600, 720, 820]);
    expect(taken.every(({ doubt }) => doubt === null)).to.equal(true);
  });

  it('whatever comes, no reading is lost', () => {
    const any = fc.record({
      course: fc.integer({ min: 1, max: 4 }),
      at: fc.integer({ min: AT - 100_000, max: AT + 1e8 }),
      cents: fc.double({ min: -900, max: 900, noNaN: true }),
      errorCents: fc.double({ min: 0.05, max: 5, noNaN: true }),
      hz: fc.double({ min: 60, max: 900, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 40 }), (looks) => {
        const taken = stepsOf(looks, [], 2);
        const count = [...taken.values()].reduce((sum, list) => sum + list.length, 0);
        expect(count).to.equal(looks.length);
        for (const list of taken.values())
          for (const { doubt, step } of list)
            expect(doubt === null || step === 'left out').to.equal(true);
      }),
      { seed: 5 },
    );
  });
});

describe('what the neck does to a reading', () => {
  it('is a share of where the others stood then', () => {
    const looks = [look(3, 0, 0), look(2, 1, -10), look(2, 100, 0), look(3, 101, 1)];
    const matrix = [
      [0, 0, 0],
      [0, 0, 0],
      [0, -0.1, 0],
    ];
    const [before, after] = withNeck(stepsOf(looks, [], 2), matrix).get(3)!;
    // String 2 stood 10 low before it was brought up: the neck held string 3 a cent high.
    expect(before!.neck).to.be.closeTo(1, 1e-9);
    expect(after!.neck).to.be.closeTo(0, 1e-9);
  });
});

describe('rounds of a string', () => {
  const taken = (steps: readonly (readonly [Taken['step'], number])[]): Taken[] =>
    steps.map(([step, cents], i) => ({
      at: 1000 * i,
      really: 1000 * i,
      course: 1,
      cents,
      errorCents: 0.3,
      hz: 200,
      step,
      byHand: false,
      doubt: null,
    }));

  it('several plucks of the dropped string are one drop: the last of them', () => {
    const { rounds } = historyOf(
      1,
      0,
      taken([
        ['first', 0],
        ['stretched', -12],
        ['again', -12.4],
        ['again', -12.6],
        ['brought up', 0.2],
      ]),
      'nylon',
    );
    expect(rounds).to.deep.equal([{ found: 0, dropped: -12.6, left: 0.2 }]);
  });

  it('pulled again before it was brought up, it was left nowhere', () => {
    const { rounds } = historyOf(
      1,
      0,
      taken([
        ['first', 0],
        ['stretched', -12],
        ['stretched', -18],
      ]),
      'nylon',
    );
    expect(rounds).to.deep.equal([
      { found: 0, dropped: -12, left: null },
      { found: -12, dropped: -18, left: null },
    ]);
  });
});
