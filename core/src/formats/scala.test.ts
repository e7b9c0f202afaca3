import { expect } from 'chai';
import fc from 'fast-check';
import { FormatError } from '../errors.ts';
import { centsOfStep, type Scale, scaleOf, scaleOffsets } from '../music/index.ts';
import { readScale, writeScale } from './index.ts';

/** Worked example of the format's public description (from memory): quarter-comma meantone. */
const MEANTONE = `! meanquar.scl
!
1/4-comma meantone scale
 12
!
 76.04900
 193.15686
 310.26471
 5/4
 503.42157
 579.47057
 696.57843
 25/16
 889.73529
 1006.84314
 1082.89214
 2/1
`;

describe('scales as files', () => {
  it('reads comments, cents, ratios and the period', () => {
    const scale = readScale(MEANTONE);
    expect(scale.description).to.contain('meantone');
    expect(scale.steps).to.have.length(12);
    const cents = scale.steps.map(centsOfStep);
    // A pure third, four fifths less two octaves: 5/4 is 386.314 cents.
    expect(cents[3]).to.be.closeTo(386.314, 1e-3);
    expect(cents[6]).to.be.closeTo(696.578, 1e-3);
    expect(cents[11]).to.equal(1200);
  });

  it('takes what the description of the format allows: spaces, words behind a note, whole numbers, an empty description', () => {
    const { description, steps } = readScale(
      '! a\n\n  4 notes\r\n 81/64  third\n 408.\n  .5\n 2 octave',
    );
    expect(description).to.equal('');
    expect(steps).to.deep.equal([
      { kind: 'ratio', over: 81, under: 64 },
      { kind: 'cents', cents: 408 },
      { kind: 'cents', cents: 0.5 },
      { kind: 'ratio', over: 2, under: 1 },
    ]);
  });

  for (const [what, text, says] of [
    ['nothing', '', 'problems.scaleHead'],
    ['no number', 'a scale\n twelve\n 2/1', 'problems.scaleCount","args":{"line":2'],
    ['too few notes', 'a\n 3\n 3/2\n 2/1', 'problems.scaleShort","args":{"line":2'],
    ['a word for a note', 'a\n 2\n 3/2\n octave', 'problems.scaleNote","args":{"line":4'],
    ['a negative ratio', 'a\n 1\n -3/2', 'problems.scaleRatio","args":{"line":3'],
    ['division by nothing', 'a\n 1\n 3/0', 'problems.scaleRatio","args":{"line":3'],
    ['hundreds of digits', `a\n 1\n ${'9'.repeat(400)}.0`, 'problems.scaleNote","args":{"line":3'],
    ['a comma for a point', 'a\n 1\n 701,955', 'problems.scaleNote","args":{"line":3'],
  ] as const)
    it(`${what} is refused, and the line is named`, () => {
      expect(() => readScale(text)).to.throw(FormatError, says);
    });

  it('what is written reads the same, whatever the scale', () => {
    const step = fc.oneof(
      fc
        .tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 1, max: 9999 }))
        .map(([over, under]) => ({ kind: 'ratio', over, under }) as const),
      fc
        .integer({ min: -2_000_000, max: 4_000_000 })
        .map((millis) => ({ kind: 'cents', cents: millis / 1000 }) as const),
    );
    fc.assert(
      fc.property(
        fc.array(step, { minLength: 1, maxLength: 40 }),
        fc.string({ maxLength: 60 }),
        (steps, description) => {
          const again = readScale(writeScale({ description, steps }, 'x'));
          expect(again.steps.map(centsOfStep)).to.deep.equal(steps.map(centsOfStep));
        },
      ),
      { seed: 31, numRuns: 300 },
    );
  });
});

describe('a scale on strings', () => {
  // Open G of a banjo, course 1 first: D B G D g.
  const BANJO = [62, 59, 55, 50, 67];

  it('lays every string where the scale has it: meantone on G', () => {
    const offsets = scaleOffsets(readScale(MEANTONE), BANJO, 7);
    // The fifth D lies 3.42 cents low, the third B 13.69: meantone's own figures.
    expect(offsets.map((cents) => Math.round(100 * cents) / 100)).to.deep.equal([
      -3.42, -13.69, 0, -3.42, 0,
    ]);
  });

  it('a note that is none of its steps is refused', () => {
    const pentatonic: Scale = readScale('five\n 5\n 240.\n 480.\n 720.\n 960.\n 2/1');
    expect(() => scaleOffsets(pentatonic, [56], 7)).to.throw(FormatError, 'problems.scaleFar');
  });

  it('strings and their offsets go out as a scale that brings them back', () => {
    const offsets = [2, -14, 0, 2, 0];
    const scale = scaleOf('Open G', BANJO, offsets, 7);
    expect(scale.steps.map((one) => Math.round(centsOfStep(one)))).to.deep.equal([386, 702, 1200]);
    expect(scaleOffsets(scale, BANJO, 7)).to.deep.equal(offsets);
  });
});
