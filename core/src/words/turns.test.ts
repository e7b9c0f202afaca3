import { expect } from 'chai';
import { saidTurns, turnInWords } from './index.ts';
import { sizeInWords } from './turns.ts';

describe('turns of a button in words', () => {
  const SIZES: readonly (readonly [degrees: number, words: string, said: number])[] = [
    [3, 'as little as you can', 3],
    [4, '5° on the button', 5],
    [12, '10° on the button', 10],
    [18, '20° on the button', 20],
    [19, 'a sixteenth of a turn', 22.5],
    [27, 'a sixteenth of a turn', 22.5],
    [30, 'nearly an eighth of a turn', 30],
    [45, 'an eighth of a turn', 45],
    [60, 'a little over an eighth of a turn', 60],
    [360, 'a whole turn', 360],
    [500, '1⅜ turns', 500],
  ];
  for (const [degrees, words, said] of SIZES)
    it(`${degrees}°: ${words}`, () => {
      expect(turnInWords(degrees / 360)).to.equal(words);
      expect(turnInWords(-degrees / 360)).to.equal(words);
      expect(360 * saidTurns(degrees / 360)).to.be.closeTo(said, 1e-9);
      expect(360 * saidTurns(-degrees / 360)).to.be.closeTo(-said, 1e-9);
    });

  it('no size below what the hand can do is named', () => {
    const size = { turns: 12 / 360, guess: false };
    expect(sizeInWords(size)).to.equal('10° on the button');
    expect(sizeInWords({ ...size, least: 13 / 360 })).to.equal('as little as you can');
    expect(sizeInWords({ ...size, guess: true })).to.equal('10° on the button, at a guess');
  });
});
