import { expect } from 'chai';
import { REWORDED, readCatalogue } from './english.ts';
import { patternOf, toldIn } from './pattern.ts';
import { USUAL_READER } from './reader.ts';
import { translator } from './translator.ts';

const TEXTS = {
  room: {
    plain: 'Is it loud? (A little.)',
    pluck: 'Pluck string {string}.',
    count: '{count, plural, one {# string} other {# strings}} of {all}',
    side: '{side, select, low {{cents, number, tenths} cents low} high {{cents, number, tenths} cents high} other {}}',
  },
};
const words = translator(TEXTS, USUAL_READER);
const pattern = (key: keyof typeof TEXTS.room, known = {}, named = false) =>
  patternOf(TEXTS, words, `room.${key}` as never, known, named);
const fits = (source: string, text: string) => new RegExp(`^${source}$`).test(text);

describe('the pattern of a message', () => {
  it('takes its signs as they are, and any white space', () => {
    expect(fits(pattern('plain'), 'Is it  loud?\n(A little.)')).to.equal(true);
    expect(fits(pattern('plain'), 'Is it loud (A little.)')).to.equal(false);
  });

  it('writes out what is known and lets the rest be anything', () => {
    expect(fits(pattern('pluck', { string: 3 }), 'Pluck string 3.')).to.equal(true);
    expect(fits(pattern('pluck', { string: 3 }), 'Pluck string 4.')).to.equal(false);
    expect(fits(pattern('pluck'), 'Pluck string 3, G3.')).to.equal(true);
    expect(fits(pattern('side', { side: 'low' }), '2.5 cents high')).to.equal(false);
    expect(fits(pattern('side', { side: 'low', cents: 2.46 }), '2.5 cents low')).to.equal(true);
    expect(fits(pattern('side', { cents: 2.46 }), '2.5 cents high')).to.equal(true);
    expect(fits(pattern('count', { count: 1 }), '1 string of 6')).to.equal(true);
    expect(fits(pattern('count', { count: 2 }), '2 string of 6')).to.equal(false);
  });

  it('never fits nothing', () => {
    expect(fits(pattern('side'), '')).to.equal(false);
  });

  it('reads what a text says of its arguments', () => {
    const read = (text: string) => toldIn(text, pattern('count', {}, true));
    expect(read('1 string of 6')).to.deep.equal({ count: '1', all: '6' });
    expect(read('see: 12 strings of 13')).to.deep.equal({ count: '12', all: '13' });
    expect(read('no string')).to.deep.equal({});
  });

  it('is another one for every text of the language that is reworded throughout', () => {
    const [english, reworded] = ['en', REWORDED].map(readCatalogue);
    const same = Object.entries(english!).flatMap(([module, texts]) =>
      Object.keys(texts).filter(
        (key) =>
          /[aeiou]/i.test(JSON.stringify(texts[key])) &&
          JSON.stringify(reworded![module]![key]) === JSON.stringify(texts[key]),
      ),
    );
    expect(same).to.deep.equal([]);
  });
});
