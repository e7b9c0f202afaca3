import { expect } from 'chai';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { Stage, StageFigure } from './index.ts';

function staged(change: object = {}) {
  return renderToStaticMarkup(
    createElement(Stage, {
      name: 'G3',
      under: ['string 3', 'tighten: towards you'],
      wire: null,
      figure: createElement(StageFigure, { figure: '−2.7', note: 'cents, low' }),
      sentence: { say: 'Tighten a hair.', more: 'Sound it, hear it, then turn.' },
      ...change,
    }),
  );
}

describe('the stage', () => {
  it('says string, figure and what to do', () => {
    const shown = staged();
    for (const words of ['G3', 'string 3', '−2.7', 'cents, low', 'Tighten a hair.', 'Sound it'])
      expect(shown).to.contain(words);
    expect(shown).to.match(/role="status"[^>]*><div><strong>Tighten a hair/);
  });

  it('leaves out why and how where that is wanted', () => {
    expect(staged({ short: true })).to.not.contain('Sound it, hear it');
  });

  it('gives the sentence’s place to what stands in the way, as an alert', () => {
    const shown = staged({
      problem: { message: 'No microphone was found.', wayOn: 'Plug one in.' },
    });
    expect(shown).to.match(/role="alert"[^>]*><div><strong>No microphone was found/);
    expect(shown).to.contain('Plug one in.');
    expect(shown).to.not.contain('Tighten a hair');
  });

  it('sets a long sentence smaller, and makes room for answers only where there are some', () => {
    const long =
      'String 3 is −12.3 cents from where you left it, so far as can be told. A string does not rise by itself.';
    expect(staged()).to.contain('data-long="false"').and.not.contain('data-aside');
    expect(staged({ sentence: { say: long, more: '' } })).to.contain('data-long="true"');
    expect(staged({ aside: 'It was string 4' })).to.contain('data-aside="true"');
  });

  it('marks a figure that is not on the disk yet, and keeps its size while it is short', () => {
    const figure = (props: object) =>
      renderToStaticMarkup(createElement(StageFigure, { figure: '–', note: '', ...props }));
    expect(figure({ stored: false })).to.contain('not stored yet');
    expect(figure({})).to.not.contain('not stored yet');
    expect(figure({})).to.contain('--characters:4');
    expect(figure({ figure: '−139.1' })).to.contain('--characters:6');
  });
});
