import { type Message, message, noteValue } from '@rosefinch/core/message';
import { turnInWords } from '@rosefinch/core/sentences';
import { expect } from 'chai';
import { type Asked, askedBy, LEAST, turnsOf } from './obey.ts';

const string = message('common.stringAndNote', { string: 4, note: noteValue(50, 'sharp') });
const way = message('common.direction', { way: 'counter' });
const eighth = message('common.turnEighths', { eighths: 1 });

describe('a player who does what is said', () => {
  it('turns by the size that is named, within what words leave open', () => {
    for (let degrees = 1; degrees <= 900; degrees++) {
      const told = 360 * turnsOf(turnInWords(degrees / 360));
      // Without a size it is the least; else within a third of an eighth, from a whole turn on within half of one.
      if (degrees < 3.5) expect(told).to.equal(360 * LEAST);
      else
        expect(Math.abs(told - degrees), `${degrees}°: ${told}`).to.be.below(
          degrees < 337 ? 15 : 23,
        );
    }
  });

  const SENTENCES: readonly (readonly [say: Message, asked: Asked])[] = [
    [
      message('bench.farOff', {
        side: 'high',
        way,
        turn: message('common.turnGuessed', {
          size: message('common.turnWhole', { whole: 2, part: 1 }),
        }),
      }),
      { do: 'turn', way: 'loosen', turns: 2.125 },
    ],
    [
      message('bench.turnBold', { side: 'low', way, turn: eighth }),
      { do: 'turn', way: 'tighten', turns: 0.125 },
    ],
    [message('bench.goOn', { done: 'untouched', next: string }), { do: 'pluck', course: 4 }],
    [message('bench.pluck', { string }), { do: 'pluck', course: 4 }],
    [message('advice.doesNotMove'), { do: 'press' }],
    [message('bench.inTune'), { do: 'over' }],
    [message('bench.onceMore'), { do: 'again' }],
  ];
  for (const [say, asked] of SENTENCES)
    it(`${say.id}: ${asked.do}`, () => expect(askedBy({ say, more: null })).to.deep.equal(asked));

  it('comes back from too far by what the line below names, and a little more', () => {
    const more = message('bench.tooFar.more', { way, turn: eighth });
    expect(askedBy({ say: [message('bench.tooFar')], more: [more] })).to.deep.equal({
      do: 'turn',
      way: 'loosen',
      turns: 0.125 + LEAST,
    });
  });
});
