import { expect } from 'chai';
import { between, normal, seededRandom } from '../maths/index.ts';
import { drawTimbre, Voice } from '../practice/index.ts';
import { type BeatOutcome, beatOf } from './index.ts';

const RATE = 24_000;

/** Two strings of one note, so many cents apart, sounded together; or one alone. */
function together(hz: number, apart: number | null, seed: number): BeatOutcome {
  const random = seededRandom(seed);
  const sound = new Float64Array(2.5 * RATE);
  const block = new Float64Array(32);
  const voices = (apart === null ? [0] : [0, apart]).map((cents) => ({
    f0: hz * 2 ** (cents / 1200),
    voice: new Voice(
      RATE,
      drawTimbre(random, between(random, 2e-5, 9e-5), 1.8, 1.5),
      hz,
      { strength: between(random, 0.4, 0.7), position: between(random, 0.1, 0.3) },
      random,
    ),
  }));
  for (let at = 0; at < sound.length; at += 32) {
    block.fill(0);
    for (const { voice, f0 } of voices) voice.render(block, 32, f0);
    for (let k = 0; k < 32 && at + k < sound.length; k++)
      sound[at + k] = block[k]! + 2e-4 * normal(random);
  }
  return beatOf(sound, RATE, hz);
}

const NOTES = [110, 147, 196, 247, 330];
const at = (sorted: readonly number[], share: number) =>
  sorted[Math.floor(share * (sorted.length - 1))]!;

describe('the beat of two strings', () => {
  // Two nearly equal tones beat at |f1 − f2|. The strings' partials depart by 1.5 cents rms each
  // and now and then by 10, so that no beat tells more than about that.
  for (const cents of [8, 16, 30])
    it(`tells ${cents} cents apart, half of the time within 2.5, nine times of ten within 7`, () => {
      const errors = NOTES.flatMap((hz) =>
        Array.from({ length: 2 }, (_, k) => {
          const outcome = together(hz, cents, 100 * (k + 1) + hz);
          if (outcome.kind !== 'beat') return 99;
          expect(outcome.hz).to.be.closeTo(hz * (2 ** (outcome.cents / 1200) - 1), 1e-9);
          return Math.abs(outcome.cents - cents);
        }),
      ).sort((a, b) => a - b);
      expect(at(errors, 0.5)).to.be.below(2.5);
      expect(at(errors, 0.9)).to.be.below(7);
    });

  it('two strings that agree are seldom said to be more than 7 cents apart', () => {
    const said = NOTES.flatMap((hz) =>
      Array.from({ length: 2 }, (_, k) => {
        const outcome = together(hz, 0, 100 * (k + 1) + hz);
        return outcome.kind === 'beat' ? outcome.cents : 0;
      }),
    ).sort((a, b) => a - b);
    expect(at(said, 0.5)).to.be.below(4);
    expect(at(said, 0.9)).to.be.below(7);
  });

  it('one string alone does not beat', () => {
    for (let seed = 1; seed <= 5; seed++)
      expect(together(196, null, seed).kind).to.equal('no beat');
  });

  it('silence, a moment and hiss are not taken for two strings', () => {
    expect(beatOf(new Float64Array(2.5 * RATE), RATE, 196).kind).to.equal('not heard');
    expect(beatOf(new Float64Array(0.4 * RATE).fill(0.1), RATE, 196).kind).to.equal('not heard');
    const random = seededRandom(3);
    const hiss = Float64Array.from({ length: 2.5 * RATE }, () => 0.1 * normal(random));
    expect(beatOf(hiss, RATE, 196).kind).to.equal('not heard');
  });
});
