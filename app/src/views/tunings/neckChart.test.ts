import { crossChecks, neckOf } from '@rosefinch/core/fretboard';
import { findTuning } from '@rosefinch/core/music';
import { findModel } from '@rosefinch/core/strings';
import { en } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { createElement } from 'react';
import { drawnInWords } from '../../parts/words/inWordsFixture.ts';
import { NeckChart } from './NeckChart.tsx';

function drawn(tuning: string, model: string, frets: number, leftHanded = false) {
  const neck = neckOf(findTuning(tuning)!, findModel(model)!.build('x', 'X'));
  const checks = crossChecks(neck, frets).filter(({ octaves }) => octaves === 0);
  const svg = drawnInWords(createElement(NeckChart, { neck, checks, frets, leftHanded }));
  return { svg: svg, checks };
}

const frets = (svg: string) =>
  [...svg.matchAll(/<line x1="([\d.]+)" x2="\1" y1="12"/g)].map(([, x]) => Number(x));
const ties = (svg: string) =>
  [
    ...svg.matchAll(/<line x1="([\d.]+)" y1="([\d.]+)" x2="\1" y2="([\d.]+)" stroke="var\(--soft/g),
  ].map(([, x, held, open]) => ({ x: Number(x), held: Number(held), open: Number(open) }));

describe('the neck of a tuning', () => {
  it('has a line a fret at its true place, and its number under each', () => {
    const { svg } = drawn('guitar-standard', 'steel-guitar', 7);
    const lines = frets(svg);
    expect(lines).to.have.length(8);
    // Each space is the one before it by 2^(−1/12): equal temperament.
    const spaces = lines.slice(1).map((x, i) => x - lines[i]!);
    for (const [i, space] of spaces.slice(1).entries())
      expect(space / spaces[i]!).to.be.closeTo(2 ** (-1 / 12), 1e-6);
    for (const number of [1, 4, 7]) expect(svg).to.contain(`text-anchor="middle">${number}</text>`);
  });

  it('ties each held place to the open string that sounds like it', () => {
    const { svg, checks } = drawn('guitar-standard', 'steel-guitar', 5);
    const held = checks.filter((check) => check.held.fret > 0);
    // 5, 5, 5, 4, 5 from string 6 upward: common practice, no source.
    expect(held.map((check) => check.held.fret).sort()).to.deep.equal([4, 5, 5, 5, 5]);
    expect(ties(svg)).to.have.length(held.length);
    for (const { held: from, open } of ties(svg)) expect(Math.abs(from - open)).to.equal(30);
    expect(svg).to.contain(
      `aria-label="${en('tunings.lengthPlacesWhereAHeld', { length: checks.length })}`,
    );
  });

  it('lets a banjo’s short string begin at the fifth fret', () => {
    const { svg } = drawn('banjo-open-g', 'banjo-five', 7);
    const fifth = frets(svg)[5]!;
    const strings = [...svg.matchAll(/<line x1="([\d.]+)" x2="760"/g)].map(([, x]) => Number(x));
    expect(strings.filter((x) => Math.abs(x - fifth) < 0.01)).to.have.length(1);
  });

  it('has its nut on the right for the left hand', () => {
    const [right] = frets(drawn('ukulele-standard', 'ukulele-concert', 5).svg);
    const [left] = frets(drawn('ukulele-standard', 'ukulele-concert', 5, true).svg);
    expect(right! + left!).to.be.closeTo(760, 1e-6);
  });
});
