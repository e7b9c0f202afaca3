import { expect } from 'chai';
import { normal, seededRandom } from '../maths/index.ts';
import {
  DIRECTION,
  DIRECTIONS,
  type Direction,
  type EarTrial,
  findingOne,
  guessedWays,
  guessing,
  Hearing,
  heardIn,
  noticedBy,
  STAIRCASE,
  stepped,
} from './index.ts';

/** Somebody whose hearing scatters normally about what sounds, and who never says "same". */
const listener =
  (width: number, seed: number) =>
  (cents: number): Direction =>
    0 < cents + width * normal(random(seed)) ? 'higher' : 'lower';
const sources = new Map<number, () => number>();
const random = (seed: number) => {
  const known = sources.get(seed) ?? seededRandom(seed);
  sources.set(seed, known);
  return known;
};
const WIDTH_TO_JND = 0.6745;

describe('how answers come from hearing', () => {
  it('the chances of all answers add up to one, whatever the manner', () => {
    for (const manner of DIRECTION.manners)
      for (const cents of [-80, -5, 0.5, 30]) {
        const sum = DIRECTIONS.reduce(
          (all, answer) => all + DIRECTION.chance(answer, cents, 12, manner),
          0,
        );
        expect(sum).to.be.closeTo(1, 1e-6);
      }
    expect(DIRECTION.manners.reduce((sum, { weight }) => sum + weight, 0)).to.be.closeTo(1, 1e-9);
  });

  it('a just-noticeable difference is heard three times in four: z = 0.6745 (Abramowitz and Stegun, table 26.5)', () => {
    const plain = { weight: 1, lean: 0, caution: 0, lapses: 0 };
    expect(DIRECTION.chance('higher', 12 * DIRECTION.noticed, 12, plain)).to.be.closeTo(0.75, 1e-4);
    // Among six strings half way from one in six to always.
    expect(findingOne(6).chance('right', 12, 12, plain)).to.be.closeTo((1 + 1 / 6) / 2, 1e-9);
    expect(findingOne(6).chance('right', 0.001, 12, plain)).to.be.closeTo(1 / 6, 1e-3);
  });
});

describe('hearing', () => {
  const asked = (width: number, seed: number, trials: number, cells = ['low']) => {
    const hearing = new Hearing(DIRECTION);
    const chance = seededRandom(seed);
    const answer = listener(width, seed + 1000);
    for (let i = 0; i < trials; i++) {
      const cell = cells[i % cells.length] ?? '';
      const cents = hearing.next(cell, chance);
      hearing.add({ cell, cents, answer: answer(cents) });
    }
    return hearing;
  };

  it('comes to what a listener can hear, in sixty answers, fine ear or coarse', () => {
    for (const width of [3, 45]) {
      const all = [1, 2].map((seed) => asked(width, seed, 60).overall());
      const mean = Math.exp(all.reduce((sum, { cents }) => sum + Math.log(cents), 0) / all.length);
      expect(mean / (WIDTH_TO_JND * width), `${width}`).to.be.within(0.7, 1.4);
      for (const { cents, low, high } of all) {
        expect(low).to.be.lessThan(cents);
        expect((high - low) / 2 / cents).to.be.lessThan(0.6);
      }
    }
  });

  it('before anything was answered it holds what is published: from memory, musicians 2 to 5 cents and others 10 to 30 near 500 Hz (Moore 1973; Wier, Jesteadt and Green 1977; Micheyl et al. 2006)', () => {
    const { low, high } = new Hearing(DIRECTION).of('middle tone');
    expect(low).to.be.lessThan(3);
    expect(high).to.be.within(30, 150);
  });

  it('asks near what is just heard once that is known', () => {
    const hearing = asked(12, 3, 60);
    const chance = seededRandom(9);
    const next = Array.from({ length: 10 }, () => Math.abs(hearing.next('low', chance)));
    // Between one and two widths most is told of a width: García-Pérez 1998, from memory.
    for (const cents of next) expect(cents).to.be.within(5, 40);
  });

  it('registers lend each other what they share, and one that was never asked is open', () => {
    const hearing = asked(12, 4, 60, ['low', 'middle']);
    const [heard, never] = [hearing.of('low'), hearing.of('high')];
    expect(never.cents / heard.cents).to.be.within(0.6, 1.7);
    expect(never.high / never.low).to.be.greaterThan(heard.high / heard.low);
  });

  it('a lean to "lower" is no coarse ear', () => {
    const hearing = new Hearing(DIRECTION);
    const chance = seededRandom(5);
    for (let i = 0; i < 80; i++) {
      const cents = hearing.next('low', chance);
      const answer = 0 < cents - 8 + 12 * normal(chance) ? 'higher' : 'lower';
      hearing.add({ cell: 'low', cents, answer });
    }
    expect(hearing.overall().cents / (WIDTH_TO_JND * 12)).to.be.within(0.6, 1.6);
  });
});

describe('guessing', () => {
  const evidence = (answers: readonly Direction[], cents: (i: number) => number) => {
    const trials = answers.map((answer, i) => ({ cell: 'low', cents: cents(i), answer }));
    return new Hearing(DIRECTION, trials).evidence;
  };
  const trial = (i: number, answer: string): EarTrial => ({
    at: i,
    cell: 'low',
    asked: signed(i),
    answer,
  });
  const signed = (i: number) => (seededRandom(i + 40)() < 0.5 ? -300 : 300);

  it('is told where answers do not depend on what sounded', () => {
    const chance = seededRandom(8);
    const answers = Array.from(
      { length: 40 },
      () => (chance() < 0.5 ? 'lower' : 'higher') as Direction,
    );
    expect(guessing(guessedWays(answers), evidence(answers, signed))).to.be.greaterThan(0.9);
    const turns = answers.map((_, i): Direction => (i % 2 ? 'lower' : 'higher'));
    expect(guessing(guessedWays(turns), evidence(turns, signed))).to.be.greaterThan(0.9);
  });

  it('is not told of somebody who hears, nor of few answers', () => {
    const right = Array.from(
      { length: 40 },
      (_, i): Direction => (signed(i) < 0 ? 'lower' : 'higher'),
    );
    expect(guessing(guessedWays(right), evidence(right, signed))).to.be.lessThan(0.01);
    const few = right.slice(0, 5).map((answer, i) => trial(i, answer));
    expect(heardIn('direction', few, 3).guessing).to.equal(0);
  });
});

describe('finding one of several', () => {
  const found = (rights: readonly boolean[], among: number, scale = 1): EarTrial[] =>
    rights.map((right, i) => ({
      at: i,
      cell: 'string 1',
      asked: scale * (i % 5 === 0 ? 35 : 20),
      among,
      answer: right ? 'right' : 'wrong',
    }));
  const mostly = Array.from({ length: 40 }, (_, i) => i % 4 > 0);

  it('somebody who is right three times in four is no guesser, whatever there was to choose from', () => {
    for (const among of [2, 8, 12]) {
      const { guessing: guesses, noticed } = heardIn('string', found(mostly, among), among);
      expect(guesses, `${among}`).to.be.lessThan(0.3);
      expect(noticed?.cents, `${among}`).to.be.within(8, 30);
    }
  });

  it('one in twelve is what chance finds among twelve', () => {
    const seldom = Array.from({ length: 48 }, (_, i) => i % 12 === 0);
    expect(heardIn('string', found(seldom, 12, 3), 12).guessing).to.be.greaterThan(0.9);
  });

  it('half right is a good ear among twelve, and too small a difference among two', () => {
    const half = Array.from({ length: 40 }, (_, i) => i % 2 === 0);
    expect(heardIn('string', found(half, 12), 12).noticed?.cents).to.be.within(15, 40);
    const chords = heardIn('pure', found(half, 2), 2);
    // Nothing larger was asked: a figure would be the prior's.
    expect(chords.noticed).to.equal(null);
    expect(chords.without).to.equal('too small');
  });

  it('what was found on an instrument with other strings tells nothing here', () => {
    const { answers } = heardIn(
      'string',
      [...found(mostly, 8), ...found(mostly.slice(0, 5), 12)],
      12,
    );
    expect(answers).to.equal(5);
  });
});

describe('the staircase', () => {
  it('two down, one up settles where 70.7 % are right (Levitt 1971)', () => {
    const chance = seededRandom(12);
    let [right, asked] = [0, 0];
    for (let run = 0; run < 60; run++) {
      let at = STAIRCASE;
      for (let i = 0; i < 120; i++) {
        const yes = 0 < at.cents + 20 * normal(chance);
        // What it did on its way down does not count.
        if (at.turns.length > 4) {
          asked++;
          if (yes) right++;
        }
        at = stepped(at, yes);
      }
    }
    expect(right / asked).to.be.closeTo(Math.SQRT1_2, 0.02);
  });

  it('gives no figure before it has turned often enough, then one near what is heard', () => {
    expect(noticedBy(STAIRCASE)).to.equal(null);
    const chance = seededRandom(3);
    const all = Array.from({ length: 40 }, () => {
      let at = STAIRCASE;
      while (noticedBy(at) === null) at = stepped(at, 0 < at.cents + 20 * normal(chance));
      return Math.log(noticedBy(at) ?? 1);
    });
    const mean = Math.exp(all.reduce((sum, one) => sum + one, 0) / all.length);
    expect(mean / (WIDTH_TO_JND * 20)).to.be.within(0.7, 1.3);
  });
});
