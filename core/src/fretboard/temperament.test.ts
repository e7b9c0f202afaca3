import { expect } from 'chai';
import { message, noteValue } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import { findTuning, pureOffsets } from '../music/index.ts';
import { neckCostInWords } from '../sentences/index.ts';
import { steelGuitar } from '../strings/index.ts';
import { byScale, costOf, EQUAL, fairestOpen, neckOf, pureIn, temperedNeck } from './index.ts';

const OPEN_D = findTuning('guitar-open-d')!;
const neck = neckOf(OPEN_D, steelGuitar('g', 'G'));
const open = OPEN_D.courses.map(([midi]) => midi!);
const D = 2;
const pureInD = pureIn(D);

describe('a temperament on straight frets', () => {
  it('equal costs nothing', () => {
    const cost = costOf(temperedNeck(neck, [], EQUAL, 12))!;
    expect(cost.near).to.equal(cost.places);
    expect(cost.places).to.equal(6 * 13);
    expect(neckCostInWords(cost).say).to.deep.equal(message('tunings.neckNear', { cents: 5 }));
  });

  // Pure intervals: 5/4 is 13.686 cents below four semitones, 3/2 1.955 above seven (Ellis in Helmholtz, 1885).
  it('pure in D: open strings and octaves are right, F♯ on a D string stands 13.7 cents sharp', () => {
    const places = temperedNeck(neck, pureOffsets(open, D, 1), pureInD, 12);
    const at = (course: number, fret: number) =>
      places.find((one) => one.course === course && one.fret === fret)!.cents;
    for (let course = 1; course <= 6; course++) {
      expect(at(course, 0)).to.be.closeTo(0, 1e-9);
      expect(at(course, 12)).to.be.closeTo(0, 1e-9);
    }
    expect(at(1, 4)).to.be.closeTo(13.686, 1e-3);
    expect(at(1, 7)).to.be.closeTo(-1.955, 1e-3);
    // The F♯ string is set 13.7 low, and takes its fifth, C♯ (15/8), down with it: 11.731 below, so 1.955 off.
    expect(at(3, 7)).to.be.closeTo(-1.955, 1e-3);
    const cost = costOf(places)!;
    expect(Math.abs(cost.worst.cents)).to.be.above(13);
    expect(plainFigures(neckCostInWords(cost).more)).to.deep.equal([
      message('tunings.neckCost.more', {
        fret: 6,
        side: 'flat',
        string: 3,
        note: noteValue(60),
        cents: 31.282574,
      }),
      message('tunings.straightFrets'),
    ]);
  });

  it('the fairest open strings halve the distance between the extremes, and nothing is nearer', () => {
    const fair = fairestOpen(neck, pureInD, 5);
    const worst = (offsets: readonly number[], course: number) =>
      Math.max(
        ...temperedNeck(neck, offsets, pureInD, 5)
          .filter((one) => one.course === course)
          .map(({ cents }) => Math.abs(cents)),
      );
    for (let course = 1; course <= 6; course++)
      for (const by of [-1, 1])
        expect(worst(fair, course)).to.be.below(
          worst(
            fair.map((cents, i) => (i === course - 1 ? cents + by : cents)),
            course,
          ),
        );
  });

  // Quarter-comma meantone: fifths of 696.578 cents, major thirds pure (Barbour, Tuning and Temperament, 1951).
  it('meantone of a scale file: E on the C string of a ukulele is 13.7 cents sharp', () => {
    const fifth = 696.578;
    const steps = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]
      .map((k) => ((k * fifth) % 1200) as number)
      .sort((a, b) => a - b)
      .map((cents) => ({ kind: 'cents' as const, cents }));
    const scale = {
      description: 'meantone',
      steps: [...steps, { kind: 'ratio' as const, over: 2, under: 1 }],
    };
    const wanted = byScale(scale, 60);
    const ukulele = { ...steelGuitar('u', 'U'), kind: 'ukulele' as const };
    const places = temperedNeck(neckOf(findTuning('ukulele-standard')!, ukulele), [], wanted, 4);
    const e = places.find(({ course, fret }) => course === 3 && fret === 4)!;
    expect(e.cents).to.be.closeTo(13.69, 0.02);
  });

  it('a scale that lacks a note says which', () => {
    const five = {
      description: 'five even steps',
      steps: [240, 480, 720, 960, 1200].map((cents) => ({ kind: 'cents' as const, cents })),
    };
    expect(() => byScale(five, 60)(66)).to.throw('problems.scaleFar');
  });
});
