import { expect } from 'chai';
import { message } from '../message.ts';
import { TUNINGS } from '../music/index.ts';
import { inCourseInShort, inCourseInWords, stringInWords } from '../sentences/index.ts';
import {
  findModel,
  inCourse,
  possibleCounts,
  stringOfDigit,
  withoutString,
  withString,
} from './index.ts';

const twelve = findModel('twelve-guitar')!.build('t', 'T');
const guitar = findModel('steel-guitar')!.build('g', 'G');

describe('strings of a course', () => {
  it('are said by their place in it', () => {
    expect(inCourseInWords(inCourse(twelve, 8)!)).to.deep.equal(
      message('common.ofCourse', { which: 'higher', course: 4 }),
    );
    expect(inCourseInWords(inCourse(twelve, 1)!)).to.deep.equal(
      message('common.ofCourse', { which: 'first', course: 1 }),
    );
    expect(inCourseInShort(inCourse(twelve, 7)!)).to.deep.equal(
      message('common.ofCourseShort', { which: 'lower', course: 4 }),
    );
    expect(stringInWords(twelve, 8)).to.deep.equal(
      message('common.stringOfCourse', {
        string: 8,
        place: message('common.ofCourse', { which: 'higher', course: 4 }),
      }),
    );
    expect(stringInWords(guitar, 3)).to.deep.equal(message('common.string', { string: 3 }));
    expect(inCourse(guitar, 1)).to.equal(null);
    const six = findModel('ukulele-six')!.build('u', 'U');
    expect([1, 2, 3, 4, 5, 6].map((n) => inCourse(six, n)?.course ?? null)).to.deep.equal([
      1,
      1,
      null,
      3,
      3,
      null,
    ]);
  });

  it('a digit chooses a course, and its other string the second time', () => {
    expect(stringOfDigit(twelve, 4, null)).to.equal(7);
    expect(stringOfDigit(twelve, 4, 7)).to.equal(8);
    expect(stringOfDigit(twelve, 4, 8)).to.equal(7);
    expect(stringOfDigit(twelve, 7, null)).to.equal(null);
    expect(stringOfDigit(guitar, 4, 4)).to.equal(4);
    expect(stringOfDigit(guitar, 7, null)).to.equal(null);
  });
});

describe('strings that are added and taken away', () => {
  it('seven from six: a set for seven, pegs that can stand so, a tuning for so many', () => {
    const seven = withString(guitar, TUNINGS);
    expect(seven.courses.map(({ number }) => number)).to.deep.equal([1, 2, 3, 4, 5, 6, 7]);
    expect(seven.layout).to.equal('4+3');
    expect(seven.tuningId).to.equal('guitar-seven-standard');
    expect(seven.courses[6]!.strings[0]!.spec.diameterMm).to.be.above(1.4);
    const back = withoutString(seven, 7, TUNINGS);
    expect(back.tuningId).to.equal('guitar-standard');
    expect(back.layout).to.equal('3+3');
  });

  it('one from the middle: the others move up, and a peg that was tried keeps its direction', () => {
    const seven = withString(guitar, TUNINGS);
    const [first] = seven.courses;
    const tried = {
      ...seven,
      courses: seven.courses.map((course) =>
        course.number === 5
          ? {
              ...course,
              strings: course.strings.map(({ spec, peg }) => ({
                spec,
                peg: { ...peg, known: 'tested' as const, tighten: 'clockwise' as const },
              })),
            }
          : course,
      ),
    };
    const six = withoutString(tried, 4, TUNINGS);
    expect(six.courses[3]!.strings[0]!.peg.tighten).to.equal('clockwise');
    expect(six.courses[0]!.strings[0]!.spec).to.deep.equal(first!.strings[0]!.spec);
  });

  it('is offered where a tuning for so many is known', () => {
    expect(possibleCounts(guitar, TUNINGS)).to.deep.equal({ more: true, fewer: false });
    const eight = findModel('eight-guitar')!.build('e', 'E');
    expect(possibleCounts(eight, TUNINGS)).to.deep.equal({ more: false, fewer: true });
  });
});
