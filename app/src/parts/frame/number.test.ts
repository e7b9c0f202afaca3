import { inEnglish } from '@rosefinch/words/english';
import { expect } from 'chai';
import { judgedNumber } from './CheckedNumber.tsx';

const A4 = { name: 'parts.ruleA4', low: 400, high: 480, unit: 'Hz' } as const;
const FRETS = { name: 'parts.ruleFrets', low: 0, high: 40, unit: 'none', whole: true } as const;

describe('a number in a field', () => {
  for (const [typed, says] of [
    [440, 440],
    [400, 400],
    [480, 480],
    ['442.5', 442.5],
    [1000, 'A4: 1000 Hz is too much; 400 to 480 Hz'],
    [480.1, 'A4: 480.1 Hz is too much; 400 to 480 Hz'],
    [13, 'A4: 13 Hz is too little; 400 to 480 Hz'],
    [-440, 'A4: -440 Hz is too little; 400 to 480 Hz'],
    [399.9, 'A4: 399.9 Hz is too little; 400 to 480 Hz'],
    ['', 'A4: a number from 400 to 480 Hz'],
    ['-', 'A4: a number from 400 to 480 Hz'],
    ['high', 'A4: a number from 400 to 480 Hz'],
  ] as const)
    it(`${JSON.stringify(typed)} is ${says}`, () =>
      expect(judgedNumber(typed, A4, inEnglish)).to.equal(says));

  it('may have to be whole', () => {
    expect(judgedNumber(20, FRETS, inEnglish)).to.equal(20);
    expect(judgedNumber(20.5, FRETS, inEnglish)).to.equal('Frets: a whole number; 0 to 40');
  });
});
