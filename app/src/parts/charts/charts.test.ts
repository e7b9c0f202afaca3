import { message } from '@rosefinch/core/message';
import type { Comparison } from '@rosefinch/core/state';
import { en, saying } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { createElement } from 'react';
import { drawnInWords } from '../words/inWordsFixture.ts';
import { FretStrip } from './FretStrip.tsx';
import { ReferenceLine } from './ReferenceLine.tsx';

const comparison = (change: Partial<Comparison> = {}): Comparison => ({
  course: 4,
  held: { course: 4, fret: 4 },
  open: 3,
  octaves: 0,
  offsetCents: 0.4,
  errorCents: 0.3,
  good: 'exact',
  ...change,
});
const line = (references: readonly Comparison[], drawn = true) =>
  drawnInWords(createElement(ReferenceLine, { references, drawn }));

describe('what to compare a string with', () => {
  it('is the best comparison, with the finger’s place', () => {
    const shown = line([comparison()]);
    expect(shown).to.match(
      saying('common.compareBest', {
        best: message('common.compareOther', {
          good: 'exact',
          string: 4,
          fret: 4,
          interval: message('common.interval', { distance: 'same' }),
        }),
      }),
    );
    expect(shown).to.match(/ 4<\/text>/);
  });

  it('says “about” of one to come near by, and asks for no difference to be heard', () => {
    const shown = line([comparison({ good: 'about', offsetCents: -8 })], false);
    expect(shown).to.match(saying('common.compareOther', { good: 'about' }));
    expect(shown).to.not.match(/8|cent/);
  });

  it('tells two others at most', () => {
    const others = [5, 7, 9, 12].map((fret) => comparison({ held: { course: 4, fret } }));
    const shown = line([comparison(), ...others]);
    const compared = [...shown.matchAll(new RegExp(saying('common.compareOther').source, 'g'))];
    expect(compared).to.have.length(3);
    expect(shown).to.match(saying('common.compareOther', { fret: 7 }));
    expect(shown).to.not.match(saying('common.compareOther', { fret: 9 }));
  });

  it('is the tone where no string serves', () => {
    expect(line([])).to.contain(en('common.compareTone'));
    expect(line([])).to.not.contain('<svg');
  });

  it('is drawn only where a picture is wanted', () => {
    expect(line([comparison()], false)).to.not.contain('<svg');
  });
});

describe('a short strip of the neck', () => {
  const strip = (change: object = {}) =>
    drawnInWords(createElement(FretStrip, { held: { course: 4, fret: 5 }, open: 3, ...change }));
  const places = (drawn: string) =>
    [...drawn.matchAll(/<rect class="(mark|open-bar)" x="([-\d.]+)" y="([\d.]+)"/g)].map(
      ([, kind, x, y]) => ({ kind, x: Number(x), y: Number(y) }),
    );

  it('has the held place between its fret and the one before, on the string that is held', () => {
    const [mark, bar] = places(strip());
    expect(mark!.kind).to.equal('mark');
    const frets = [...strip().matchAll(/<line x1="([-\d.]+)" x2="\1"/g)].map(([, x]) => Number(x));
    // The nut and five frets, the further up the closer.
    expect(frets).to.have.length(6);
    expect(frets[5]! - frets[4]!).to.be.below(frets[1]! - frets[0]!);
    expect(mark!.x + 11).to.be.within(frets[4]!, frets[5]!);
    // The higher number lies on top, as one looks down.
    expect(mark!.y).to.be.below(bar!.y);
  });

  it('changes the strings’ places where the lower number is held', () => {
    const [mark, bar] = places(strip({ held: { course: 2, fret: 3 }, open: 3 }));
    expect(mark!.y).to.be.above(bar!.y);
  });

  it('is turned round for the left hand', () => {
    const [right] = places(strip());
    const [left] = places(strip({ leftHanded: true }));
    expect(left!.x).to.not.equal(right!.x);
    const width = Number(/viewBox="0 0 (\d+)/.exec(strip())![1]);
    expect(left!.x + right!.x + 22).to.be.closeTo(width, 1e-6);
  });

  it('marks no finger where both are open', () => {
    expect(places(strip({ held: { course: 4, fret: 0 } })).map(({ kind }) => kind)).to.deep.equal([
      'open-bar',
    ]);
  });
});
