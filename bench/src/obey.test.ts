import { turnInWords } from '@rosefinch/core/sentences';
import { inEnglish } from '@rosefinch/words/english';
import { expect } from 'chai';
import { askedBy, LEAST, turnsIn } from './obey.ts';

describe('a player who does what is said', () => {
  it('turns by what the words of a size come to, within what words leave open', () => {
    for (let degrees = 1; degrees <= 900; degrees++) {
      const told =
        360 * turnsIn(`Low. Tighten, clockwise, ${inEnglish(turnInWords(degrees / 360))}.`);
      // Without a size it is the least; else within a third of an eighth, from a whole turn on within half of one.
      if (degrees < 3.5) expect(told).to.equal(360 * LEAST);
      else
        expect(Math.abs(told - degrees), `${degrees}°: ${told}`).to.be.below(
          degrees < 337 ? 15 : 23,
        );
    }
  });

  const SENTENCES: readonly (readonly [say: string, asked: object])[] = [
    [
      'Far above. Loosen, counter-clockwise, 2⅛ turns, at a guess.',
      { do: 'turn', way: 'loosen', turns: 2.125 },
    ],
    [
      'High. In one move: loosen, towards you, half a turn.',
      { do: 'turn', way: 'loosen', turns: 0.5 },
    ],
    ['It is right: leave it alone. Now string 4, D3.', { do: 'pluck', course: 4 }],
    ['Pluck string 6, E2.', { do: 'pluck', course: 6 }],
    ['It does not move. Press it gently behind the nut, then pluck.', { do: 'press' }],
    ['In tune. Nothing had to move.', { do: 'over' }],
    ['At rest. Pluck it once more to be sure.', { do: 'again' }],
  ];
  for (const [say, asked] of SENTENCES)
    it(say, () => expect(askedBy({ say, more: '' })).to.deep.equal(asked));
});
