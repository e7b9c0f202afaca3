import { en, inTestLanguage } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { judgedNumber } from './CheckedNumber.tsx';

const A4 = { name: 'parts.ruleA4', low: 400, high: 480, unit: 'Hz' } as const;
const FRETS = { name: 'parts.ruleFrets', low: 0, high: 40, unit: 'none', whole: true } as const;

const NAMED = { name: en('parts.ruleA4'), low: 400, high: 480, unit: 'Hz' } as const;

describe('a number in a field', () => {
  for (const [typed, says] of [
    [440, 440],
    [400, 400],
    [480, 480],
    ['442.5', 442.5],
    [1000, en('parts.tooMuch', { ...NAMED, value: 1000 })],
    [480.1, en('parts.tooMuch', { ...NAMED, value: 480.1 })],
    [13, en('parts.tooLittle', { ...NAMED, value: 13 })],
    [-440, en('parts.tooLittle', { ...NAMED, value: '-440' })],
    [399.9, en('parts.tooLittle', { ...NAMED, value: 399.9 })],
    ['', en('parts.numberFrom', NAMED)],
    ['-', en('parts.numberFrom', NAMED)],
    ['high', en('parts.numberFrom', NAMED)],
  ] as const)
    it(`${JSON.stringify(typed)} is ${says}`, () =>
      expect(judgedNumber(typed, A4, inTestLanguage)).to.equal(says));

  it('may have to be whole', () => {
    expect(judgedNumber(20, FRETS, inTestLanguage)).to.equal(20);
    expect(judgedNumber(20.5, FRETS, inTestLanguage)).to.equal(
      en('parts.wholeNumber', { name: en('parts.ruleFrets'), low: 0, high: 40, unit: 'none' }),
    );
  });
});
