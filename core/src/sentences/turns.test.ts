import { expect } from 'chai';
import { type Message, message } from '../message.ts';
import { roundTurns } from '../strings/index.ts';
import { turnInWords } from './index.ts';
import { sizeInWords } from './turns.ts';

describe('turns of a button in words', () => {
  const SIZES: readonly (readonly [degrees: number, words: Message, said: number])[] = [
    [3, message('common.turnLeast'), 3],
    [4, message('common.turnDegrees', { degrees: 5 }), 5],
    [12, message('common.turnDegrees', { degrees: 10 }), 10],
    [18, message('common.turnDegrees', { degrees: 20 }), 20],
    [19, message('common.turnSixteenth'), 22.5],
    [27, message('common.turnSixteenth'), 22.5],
    [
      30,
      message('common.turn', {
        about: 'nearly',
        size: message('common.turnEighths', { eighths: 1 }),
      }),
      30,
    ],
    [
      45,
      message('common.turn', {
        about: 'exactly',
        size: message('common.turnEighths', { eighths: 1 }),
      }),
      45,
    ],
    [
      60,
      message('common.turn', {
        about: 'over',
        size: message('common.turnEighths', { eighths: 1 }),
      }),
      60,
    ],
    [
      360,
      message('common.turn', {
        about: 'exactly',
        size: message('common.turnWhole', { whole: 1, part: 0 }),
      }),
      360,
    ],
    [
      500,
      message('common.turn', {
        about: 'exactly',
        size: message('common.turnWhole', { whole: 1, part: 3 }),
      }),
      500,
    ],
  ];
  for (const [degrees, words, said] of SIZES)
    it(`${degrees}°`, () => {
      expect(turnInWords(degrees / 360)).to.deep.equal(words);
      expect(turnInWords(-degrees / 360)).to.deep.equal(words);
      expect(360 * roundTurns(degrees / 360)).to.be.closeTo(said, 1e-9);
      expect(360 * roundTurns(-degrees / 360)).to.be.closeTo(-said, 1e-9);
    });

  it('no size below what the hand can do is named', () => {
    const size = { turns: 12 / 360, guess: false };
    expect(sizeInWords(size)).to.deep.equal(message('common.turnDegrees', { degrees: 10 }));
    expect(sizeInWords({ ...size, least: 13 / 360 })).to.deep.equal(message('common.turnLeast'));
    expect(sizeInWords({ ...size, guess: true })).to.deep.equal(
      message('common.turnGuessed', { size: message('common.turnDegrees', { degrees: 10 }) }),
    );
  });
});
