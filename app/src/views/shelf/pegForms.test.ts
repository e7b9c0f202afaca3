import { findModel, layoutsFor, steelGuitar } from '@rosefinch/core/strings';
import { expect } from 'chai';
import { LAYOUTS, withHand, withLayout, withPegKind } from './pegForms.ts';

const GUITAR = steelGuitar('g', 'G');
const pegs = (instrument: typeof GUITAR) =>
  instrument.courses.map(({ strings }) => strings[0]!.peg);

describe('pegs in the form', () => {
  it('every layout that pegs can have has words', () => {
    for (const [kind, courses] of [
      ['guitar', 6],
      ['guitar', 7],
      ['ukulele', 4],
      ['banjo', 5],
    ] as const)
      for (const layout of layoutsFor(kind, courses))
        expect(LAYOUTS.map(({ value }) => value)).to.include(layout);
  });

  it('another layout guesses directions anew, but for those that a test has shown', () => {
    const line = withLayout(GUITAR, 'inLine');
    expect(new Set(pegs(line).map(({ tighten }) => tighten))).to.deep.equal(
      new Set(['awayFromYou']),
    );
    const tested = {
      ...GUITAR,
      courses: GUITAR.courses.map((course) => ({
        ...course,
        strings: course.strings.map(({ spec, peg }) => ({
          spec,
          peg: { ...peg, known: 'tested' as const, tighten: 'clockwise' as const },
        })),
      })),
    };
    expect(pegs(withLayout(tested, 'inLine')).every((p) => p.tighten === 'clockwise')).to.equal(
      true,
    );
  });

  // The mirror image of a turn is the other turn; what goes away from the player still does.
  it('the other way round buttons at the back turn the other way, those at the side do not', () => {
    const direct = withPegKind(GUITAR, 'direct');
    const mirrored = withHand(direct, true);
    for (const [i, { tighten }] of pegs(mirrored).entries())
      expect(tighten).to.not.equal(pegs(direct)[i]!.tighten);
    expect(pegs(withHand(mirrored, false))).to.deep.equal(pegs(direct));
    expect(pegs(withHand(GUITAR, true))).to.deep.equal(pegs(GUITAR));
    expect(withHand(GUITAR, true).leftHanded).to.equal(true);
  });

  it('another kind of peg has its usual ratio', () => {
    expect(pegs(withPegKind(GUITAR, 'planetary')).every(({ ratio }) => ratio === 4)).to.equal(true);
    expect(pegs(withPegKind(GUITAR, 'direct')).every(({ kind }) => kind === 'direct')).to.equal(
      true,
    );
  });

  it('a banjo’s side peg stays as it is', () => {
    const banjo = findModel('banjo-five')!.build('b', 'B');
    const before = pegs(banjo)[4];
    expect(pegs(withPegKind(banjo, 'direct'))[4]).to.deep.equal(before);
    expect(pegs(withPegKind(banjo, 'direct'))[0]?.kind).to.equal('direct');
  });
});
