import { expect } from 'chai';
import { DAY_MS } from '../units.ts';
import { type EarRun, type EarTrial, leftIn, nextPractice, progressOf } from './index.ts';

const NOW = Date.UTC(2026, 2, 10, 9);

const deeds = (off: readonly number[], at = NOW): EarTrial[] =>
  off.map((one, i) => ({ at: at + i, cell: 'unison', asked: 30, off: one }));
const run = (exercise: EarRun['exercise'], ago: number, trials: readonly EarTrial[]): EarRun => ({
  id: `${exercise} ${ago}`,
  learnerId: null,
  exercise,
  startedAt: NOW - ago * DAY_MS,
  zone: 'Europe/Berlin',
  doneAt: NOW - ago * DAY_MS + 1,
  trials: trials.map((one, i) => ({ ...one, at: NOW - ago * DAY_MS + i })),
});

describe('what is left', () => {
  it('is a root mean square with the interval of ten readings: χ² 18.307 and 3.940 (Abramowitz and Stegun, table 26.8)', () => {
    const off = Array.from({ length: 10 }, (_, i) => (i % 2 ? 2 : -2));
    const left = leftIn(deeds(off));
    expect(left?.cents).to.be.closeTo(2, 1e-9);
    expect(left?.low).to.be.closeTo(2 * Math.sqrt(10 / 18.307), 0.01);
    expect(left?.high).to.be.closeTo(2 * Math.sqrt(10 / 3.94), 0.02);
  });

  it('one slip does not tell for twenty, and few tell nothing', () => {
    expect(leftIn(deeds([1, -1, 1, -1, 1, 80]))?.cents).to.be.lessThan(2);
    expect(leftIn(deeds([1, -1, 1]))).to.equal(null);
  });
});

describe('progress', () => {
  const answers = (cell: string, right: boolean, count: number): EarTrial[] =>
    Array.from({ length: count }, (_, i) => ({
      at: i,
      cell,
      asked: i % 2 ? 40 : -40,
      answer: (i % 2 === 0) === right ? 'lower' : 'higher',
    }));

  it('tells each exercise apart, run by run, and says who guesses', () => {
    const all = progressOf([
      run('match', 9, deeds([4, -4, 4, -4])),
      run('match', 2, deeds([1, -1, 1, -1])),
      run('direction', 1, answers('low pluck', true, 14)),
    ]);
    const of = (exercise: string) => all.find((one) => one.exercise === exercise);
    expect(of('match')?.points.map(({ cents }) => Math.round(cents))).to.deep.equal([4, 3]);
    expect(of('match')?.days).to.equal(2);
    expect(of('direction')?.heard?.noticed?.cents).to.be.lessThan(25);
    expect(of('beats')?.lastAt).to.equal(null);
    const [wrong] = progressOf([run('direction', 1, answers('low pluck', false, 30))]);
    expect(wrong?.heard?.noticed ?? null).to.equal(null);
    expect(wrong?.heard?.guessing).to.be.greaterThan(0.5);
  });

  it('minutes of a whole instrument are those that it took', () => {
    const trials = deeds([2, 3, 1, 2]).map((one) => ({ ...one, tookMs: 120_000 }));
    const whole = progressOf([run('whole', 3, trials)]).find((one) => one.exercise === 'whole');
    expect(whole?.minutes.map(({ minutes }) => minutes)).to.deep.equal([2]);
  });

  it('hands of a class count one by one', () => {
    const hands = { lower: 2, same: 1, higher: 17 };
    const trials = Array.from({ length: 4 }, (_, i) => ({
      at: i,
      cell: 'low tone',
      asked: 30,
      hands,
    }));
    const heard = progressOf([run('class', 1, trials)]).find(
      (one) => one.exercise === 'class',
    )?.heard;
    expect(heard?.answers).to.equal(80);
    const few = progressOf([run('class', 1, trials.slice(0, 3))]);
    expect(few.find((one) => one.exercise === 'class')?.heard?.noticed, 'three questions').to.equal(
      null,
    );
    expect(heard?.noticed?.cents).to.be.within(8, 30);
  });
});

describe('what is next', () => {
  const done = (exercise: EarRun['exercise'], ago: number, off: number) =>
    run(exercise, ago, deeds([off, -off, off, -off, off]));

  it('what was never done, until something fades', () => {
    const next = nextPractice(progressOf([done('match', 0.2, 3)]), NOW);
    expect(next).to.deep.include({ exercise: 'direction', why: 'new' });
    expect(nextPractice(progressOf([done('match', 3, 3)]), NOW)).to.deep.include({
      exercise: 'match',
      why: 'due',
    });
  });

  it('each day of practice lets it keep twice as long', () => {
    const often = [40, 30, 20, 10, 3].map((ago) => done('match', ago, 3));
    // Five days: it keeps sixteen.
    expect(nextPractice(progressOf(often), NOW)?.why).to.equal('new');
  });

  it('of several that fade the one with most to gain', () => {
    const next = nextPractice(progressOf([done('match', 5, 2), done('beats', 5, 9)]), NOW);
    expect(next?.exercise).to.equal('beats');
  });
});
