import { expect } from 'chai';
import { neckOf, soundAt } from '../fretboard/index.ts';
import type { Message } from '../message.ts';
import { findTuning } from '../music/index.ts';
import { steelGuitar } from '../strings/index.ts';
import { GUIDE, guidePageOf, searchGuide } from './index.ts';

describe('the guide', () => {
  it('is twenty short pages of few lines, each with a name of its own', () => {
    expect(GUIDE.length).to.equal(20);
    expect(new Set(GUIDE.map(({ id }) => id)).size).to.equal(20);
    for (const { id, lines } of GUIDE) {
      expect(lines.length, id).to.be.within(4, 6);
    }
  });

  it('draws tunings that are there', () => {
    for (const { drawing } of GUIDE)
      if ('tuning' in drawing) expect(findTuning(drawing.tuning)).to.not.equal(undefined);
  });

  it('what is compared in a drawing sounds the same on a guitar, or octaves apart', () => {
    const neck = neckOf(findTuning('guitar-standard')!, steelGuitar('g', 'G'));
    for (const { id, drawing } of GUIDE)
      if (drawing.kind === 'compare') {
        const sound = soundAt(neck[drawing.held - 1]!, drawing.fret)!;
        expect((sound - neck[drawing.open - 1]!.midi) % 12, id).to.equal(0);
      }
  });

  // Pure fourths are 1.955 cents narrow; from string 3 to 2 fret 4 is used, which is a unison.
  it('a chain of fourths falls as it is drawn', () => {
    const { drawing } = GUIDE.find(({ id }) => id === 'chains')!;
    expect(drawing.kind === 'strings' && drawing.left).to.deep.equal([
      -7.8, -5.9, -5.9, -3.9, -2, 0,
    ]);
  });

  it('every view leads to a page', () => {
    for (const path of ['/', '/retune', '/settle', '/frets', '/log', '/shelf/heron', '/ear/beats'])
      expect(GUIDE.map(({ id }) => id)).to.include(guidePageOf(path));
    expect(guidePageOf('/settle')).to.equal('new-strings');
    expect(guidePageOf('/nowhere')).to.equal('one-string');
  });

  it('is searched by any words of a page, in any order', () => {
    const read = ({ id }: Message) => id.replaceAll('.', ' ');
    expect(searchGuide('TITLE fromBelow', read).map(({ id }) => id)).to.deep.equal(['from-below']);
    expect(searchGuide('', read).length).to.equal(20);
    expect(searchGuide('zither', read)).to.deep.equal([]);
  });
});
