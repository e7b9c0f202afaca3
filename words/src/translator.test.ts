import { parse } from '@formatjs/icu-messageformat-parser';
import {
  forceValue,
  lengthValue,
  list,
  message,
  moment,
  noteValue,
  signed,
} from '@rosefinch/core/message';
import { expect } from 'chai';
import { type Reader, translator, USUAL_READER } from './index.ts';
import { stretched } from './stretched.ts';

const TEXTS = {
  common: {
    plain: "It's plain.",
    count: '{count, plural, one {# string} other {# strings}} of {count}',
    fallen:
      '{cents, plural, one {{cents, number, whole} cent} other {{cents, number, whole} cents}} flat',
    turn: '{way, select, up {Tighten} other {Loosen}} by {cents, number, tenths} cents.',
    around: 'Before: {what}, after.',
    firstThen: '{first}, then {then}',
    nearDay: '{day, select, today {today} yesterday {yesterday} other {tomorrow}}',
    nearDayAt: '{day, select, today {today} yesterday {yesterday} other {tomorrow}} {time}',
  },
};

/** The texts above are not of the catalogue: their ids are made up here. */
const saying =
  (reader: Partial<Reader> = {}, texts: Readonly<Record<string, Record<string, string>>> = TEXTS) =>
  (id: string, args: Record<string, unknown> = {}) =>
    translator(texts, { ...USUAL_READER, ...reader })({ id, args } as never);

describe('the translator', () => {
  it('counts by the rules of the language', () => {
    expect(saying()('common.count', { count: 1 })).to.equal('1 string of 1');
    expect(saying()('common.count', { count: 0 })).to.equal('0 strings of 0');
    expect(saying()('common.count', { count: 1.5 })).to.equal('1.5 strings of 1.5');
    // The form goes with the number that is shown.
    expect(saying()('common.fallen', { cents: 0.8 })).to.equal('1 cent flat');
    expect(saying()('common.fallen', { cents: 1.6 })).to.equal('2 cents flat');
    // Polish has three forms: 1, 2 to 4, 5 and more (CLDR 48, plural rules).
    const polish = {
      common: { count: '{count, plural, one {struna} few {struny} many {strun} other {struny}}' },
    };
    const say = saying({ language: 'pl' }, polish);
    expect([1, 2, 5].map((count) => say('common.count', { count }))).to.deep.equal([
      'struna',
      'struny',
      'strun',
    ]);
  });

  it('chooses, and writes numbers as the reader does', () => {
    expect(saying()('common.turn', { way: 'up', cents: 2.04 })).to.equal('Tighten by 2.0 cents.');
    const comma = saying({ decimal: ',' });
    expect(comma('common.turn', { way: 'down', cents: 2.06 })).to.equal('Loosen by 2,1 cents.');
    expect(comma('common.around', { what: 1234.5 })).to.equal('Before: 1234,5, after.');
  });

  it('writes out what has a way of its own to be written', () => {
    const around = (what: unknown, reader: Partial<Reader> = {}) =>
      saying(reader)('common.around', { what }).slice(8, -8);
    expect(around(noteValue(59))).to.equal('B3');
    expect(around(noteValue(59), { notes: 'german' })).to.equal('H3');
    expect(around(signed(-2.5))).to.equal('−2.5');
    expect(around(lengthValue(648, 0))).to.equal('648 mm');
    expect(around(lengthValue(648, 0), { length: 'inch' })).to.equal('25.5 in');
    expect(around(forceValue(98.0665), { force: 'kgf' })).to.equal('10.0 kgf');
    expect(around(list(['4', '2', '1'], 'and'))).to.equal('4, 2 and 1');
    expect(around(list(['4', '2'], 'and'), { language: 'de' })).to.equal('4 und 2');
    expect(around(list(['A', 'B', 'C'], 'then'))).to.equal('A, then B, then C');
    const now = Date.UTC(2026, 11, 1, 9);
    expect(around(moment(now, { now, zone: 'UTC' }, 'spoken moment'))).to.equal('today 09:00');
  });

  it('puts a message into a message, and sentences after one another', () => {
    const words = translator(TEXTS, USUAL_READER);
    const plain = { id: 'common.plain' } as never;
    expect(saying()('common.around', { what: plain })).to.equal("Before: It's plain., after.");
    expect(words([plain, plain] as never)).to.equal("It's plain. It's plain.");
    expect(words(null)).to.equal('');
  });

  it('asks for a module that is not loaded; a key that a loaded one lacks shows itself', () => {
    const words = translator(TEXTS, USUAL_READER);
    expect(() => words(message('bench.pluckAny'))).to.throw('“bench” are not loaded');
    const waiting = translator(TEXTS, USUAL_READER, (module) => {
      throw new RangeError(module);
    });
    expect(() => waiting.value(message('bench.pluckAny'))).to.throw(RangeError, 'bench');
    expect(words({ id: 'common.nowhere' } as never)).to.equal('common.nowhere');
  });
});

describe('stretched texts', () => {
  it('are a third longer, and say the same of the same arguments', () => {
    const texts = {
      plain: 'Pluck it once more.',
      count: '{count, plural, one {# string} other {# strings}}',
    };
    const parsed = {
      common: stretched({ ...texts, count: parse(texts.count, { ignoreTag: true }) }),
    };
    const words = translator(parsed, USUAL_READER);
    expect(words({ id: 'common.plain' } as never)).to.equal('Pluuck iit ooncee mooree.');
    expect(words({ id: 'common.count', args: { count: 2 } } as never)).to.equal('2 striings');
  });
});
