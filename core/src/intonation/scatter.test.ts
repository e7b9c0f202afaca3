import { expect } from 'chai';
import { normal, seededRandom } from '../maths/index.ts';
import { type FretReading, scatteringStrings } from './index.ts';

/** A sheet of twelve frets, whose errors are given by course and fret. */
const sheet = (courses: number, error: (course: number, fret: number) => number): FretReading[] =>
  Array.from({ length: 12 * courses }, (_, i) => {
    const [course, fret] = [1 + Math.floor(i / 12), 1 + (i % 12)];
    return {
      course,
      place: { kind: 'fret', fret, pressure: 'normal' },
      cents: 100 * fret + error(course, fret),
      errorCents: 0.5,
      at: i,
    };
  });

describe('strings whose fretted notes lie about', () => {
  const random = seededRandom(7);
  const chance = Array.from({ length: 100 }, () => normal(random));
  const by = (course: number, fret: number) => chance[course * 13 + fret] ?? 0;

  it('one that does so alone is named, with how far', () => {
    const [named, ...others] = scatteringStrings(
      sheet(4, (course, fret) => (course === 3 ? 6 : 0.5) * by(course, fret)),
    );
    expect(others).to.be.empty;
    expect(named?.course).to.equal(3);
    expect(named?.cents).to.be.within(3, 9);
  });

  it('a smooth neck, a high fret, and frets that scatter on every string name none', () => {
    expect(scatteringStrings(sheet(4, (_, fret) => 0.1 * (fret - 6) ** 2))).to.be.empty;
    expect(scatteringStrings(sheet(4, (_, fret) => (fret === 5 ? 12 : 0)))).to.be.empty;
    expect(scatteringStrings(sheet(4, (_, fret) => 5 * by(0, fret)))).to.be.empty;
  });

  it('with few frets, or few strings, nothing is said', () => {
    const wild = sheet(4, (course, fret) => (course === 3 ? 9 : 0) * by(course, fret));
    expect(scatteringStrings(wild.filter(({ place }) => place.kind === 'fret' && place.fret < 7)))
      .to.be.empty;
    expect(scatteringStrings(wild.filter(({ course }) => course > 2))).to.be.empty;
  });
});
