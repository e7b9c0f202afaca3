import { message } from '@rosefinch/core/message';
import { MICROPHONE_TROUBLES } from '@rosefinch/core/sentences';
import { en, inTestLanguage } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { createElement } from 'react';
import { drawnInWords } from '../words/inWordsFixture.ts';
import { Stage, StageFigure } from './index.ts';

const SAY = message('bench.onceMore');
const MORE = message('bench.onceMore.more');

function staged(change: object = {}) {
  return drawnInWords(
    createElement(Stage, {
      name: 'G3',
      under: ['string 3', 'tighten: towards you'],
      wire: null,
      figure: createElement(StageFigure, { figure: '−2.7', note: 'cents, low' }),
      sentence: { say: SAY, more: MORE },
      ...change,
    }),
  );
}

describe('the stage', () => {
  it('says string, figure and what to do', () => {
    const shown = staged();
    for (const words of [
      'G3',
      'string 3',
      '−2.7',
      'cents, low',
      inTestLanguage(SAY),
      inTestLanguage(MORE),
    ])
      expect(shown).to.contain(words);
    expect(shown).to.contain(`<div><strong>${inTestLanguage(SAY)}`);
  });

  it('leaves out why and how where that is wanted', () => {
    expect(staged({ short: true })).to.not.contain(inTestLanguage(MORE));
  });

  it('gives the sentence’s place to what stands in the way, as an alert', () => {
    const shown = staged({
      problem: MICROPHONE_TROUBLES['not found'],
    });
    expect(shown).to.match(/role="alert"[^>]*><div><strong>/);
    expect(shown).to.contain(inTestLanguage(MICROPHONE_TROUBLES['not found'].more));
    expect(shown).to.not.contain(inTestLanguage(SAY));
  });

  it('sets a long sentence smaller, and makes room for answers only where there are some', () => {
    const long = Array.from({ length: 4 }, () => SAY);
    expect(staged()).to.contain('data-long="false"').and.not.contain('data-aside');
    expect(staged({ sentence: { say: long, more: null } })).to.contain('data-long="true"');
    expect(staged({ aside: 'It was string 4' })).to.contain('data-aside="true"');
  });

  it('marks a figure that is not on the disk yet, and keeps its size while it is short', () => {
    const figure = (props: object) =>
      drawnInWords(createElement(StageFigure, { figure: '–', note: '', ...props }));
    expect(figure({ stored: false })).to.contain(en('common.notStoredYet'));
    expect(figure({})).to.not.contain(en('common.notStoredYet'));
    expect(figure({})).to.contain('--characters:4');
    expect(figure({ figure: '−139.1' })).to.contain('--characters:6');
  });
});
