import { findModel } from '@rosefinch/core/strings';
import { en, inTestLanguage } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { groupsOf, isFound } from './found.ts';
import { numberedNames } from './names.ts';

const ENGLISH = new Intl.Collator('en', { numeric: true });

describe('names of many instruments', () => {
  it('are numbered on from those that are there, whatever their case', () => {
    expect(numberedNames('Uke', 3, [])).to.deep.equal(['Uke 1', 'Uke 2', 'Uke 3']);
    expect(numberedNames(' Uke ', 2, ['uke 7', 'Uke 2', 'Ukelele 30', 'Lute 9'])).to.deep.equal([
      'Uke 8',
      'Uke 9',
    ]);
  });

  it('one alone keeps the name that was typed', () => {
    expect(numberedNames('Uke 4', 1, ['Uke 4'])).to.deep.equal(['Uke 4']);
  });
});

describe('looking for an instrument on the shelf', () => {
  const made = findModel('ukulele-soprano')!.build('u', 'Stonechat');
  const entry = {
    instrument: { ...made, note: 'lent to the school', groups: ['Class 10', 'Class 2'] },
    tuning: { name: 'Standard, re-entrant' },
  };

  it('finds it by any words of its name, kind, note, tuning or groups', () => {
    for (const typed of [
      '',
      'stone',
      `${en('common.kind', { kind: 'ukulele' }).toUpperCase()} school`,
      'class 2',
      're-entrant',
    ])
      expect(isFound(entry, typed, inTestLanguage.value), typed).to.equal(true);
    for (const typed of ['banjo', 'stone banjo'])
      expect(isFound(entry, typed, inTestLanguage.value)).to.equal(false);
  });

  it('names each group once, in the order in which people count', () => {
    const other = { ...entry, instrument: { ...made, groups: ['Class 2'] } };
    expect(groupsOf([entry, other, { ...entry, instrument: made }], ENGLISH)).to.deep.equal([
      'Class 2',
      'Class 10',
    ]);
  });
});
