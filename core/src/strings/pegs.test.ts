import { expect } from 'chai';
import { type Message, message } from '../message.ts';
import { midiToHz } from '../music/index.ts';
import { pegInWords, turnInWords } from '../sentences/index.ts';
import {
  expectedTurns,
  findModel,
  layoutsFor,
  MODELS,
  type PegLayout,
  pegPlace,
  steelGuitar,
  stringLoad,
  withCapo,
} from './index.ts';

describe('pegs', () => {
  it('the outer strings’ pegs stand nearest the nut in rows of three', () => {
    const words = [1, 2, 3, 4, 5, 6].map((course) => pegInWords(pegPlace('3+3', course, 6)));
    expect(words[0]).to.deep.equal(message('common.pegPlace', { row: 'lower', place: 1 }));
    expect(words[2]).to.deep.equal(message('common.pegPlace', { row: 'lower', place: 3 }));
    expect(words[3]).to.deep.equal(message('common.pegPlace', { row: 'upper', place: 3 }));
    expect(words[5]).to.deep.equal(message('common.pegPlace', { row: 'upper', place: 1 }));
  });

  it('in line the thickest string is nearest the nut, reversed the thinnest', () => {
    expect(pegPlace('inLine', 6, 6)).to.deep.equal({ row: 'upper', fromNut: 1 });
    expect(pegPlace('inLineReversed', 6, 6)).to.deep.equal({ row: 'lower', fromNut: 6 });
  });

  it('a banjo’s fifth peg stands on the neck', () => {
    expect(pegInWords(pegPlace('2+2+side', 5, 5))).to.deep.equal(
      message('common.pegPlace', { row: 'side', place: 1 }),
    );
    expect(pegPlace('2+2+side', 4, 5)).to.deep.equal({ row: 'upper', fromNut: 1 });
  });

  it('no layout puts two pegs on one place', () => {
    for (const model of MODELS) {
      const { kind, courses } = model.build('x', 'X');
      for (const layout of layoutsFor(kind, courses.length)) {
        const places = courses.map(({ number }) => pegPlace(layout, number, courses.length));
        expect(new Set(places.map((place) => JSON.stringify(place))).size).to.equal(courses.length);
      }
    }
  });

  it('every model has a layout that is possible for it', () => {
    for (const model of MODELS) {
      const { kind, courses, layout } = model.build('x', 'X');
      expect(layoutsFor(kind, courses.length)).to.include(layout satisfies PegLayout);
    }
  });
});

describe('expected turns', () => {
  const guitar = steelGuitar('g', 'G');

  // ΔL = ΔT L / (E A), turns = ΔL / (π d) · ratio, by hand for this low E: μ 1.000e-2, T at E2 is
  // 114.1 N and 13.97 N more a semitone up; L 758 mm, A of 0.47 mm is 0.1735 mm²; 0.305 mm of
  // string, 0.243 turns of a 6 mm post at 15:1; a fifth more by what gives way, 0.29. That it
  // is a quarter to a third of a turn is common practice, no source.
  it('a semitone on a low E is a little over a quarter turn', () => {
    const turns = expectedTurns(guitar, 6, midiToHz(40, 440), midiToHz(41, 440))!;
    expect(turns).to.be.closeTo(1.2 * 0.243, 0.003);
  });

  it('there and back cancel, and down is negative', () => {
    for (const { number } of guitar.courses) {
      const up = expectedTurns(guitar, number, 100, 110)!;
      expect(up).to.be.greaterThan(0);
      expect(expectedTurns(guitar, number, 110, 100)).to.be.closeTo(-up, 1e-12);
    }
    expect(expectedTurns(guitar, 9, 100, 110)).to.equal(null);
  });

  it('a friction peg needs a fifteenth of a geared one’s turn', () => {
    const ukulele = findModel('ukulele-tenor')!.build('u', 'U');
    const geared = {
      ...ukulele,
      courses: ukulele.courses.map((course) => ({
        ...course,
        strings: course.strings.map(({ spec, peg }) => ({ spec, peg: { ...peg, ratio: 15 } })),
      })),
    };
    const ratio = expectedTurns(geared, 1, 430, 440)! / expectedTurns(ukulele, 1, 430, 440)!;
    expect(ratio).to.be.closeTo(15, 1e-9);
  });

  it('are said in words a hand understands', () => {
    const said: readonly (readonly [number, Message])[] = [
      [0.009, message('common.turnLeast')],
      [0.01, message('common.turnDegrees', { degrees: 5 })],
      [1 / 72, message('common.turnDegrees', { degrees: 5 })],
      [0.03, message('common.turnDegrees', { degrees: 10 })],
      [0.037, message('common.turnDegrees', { degrees: 15 })],
      [0.06, message('common.turnSixteenth')],
      [
        0.125,
        message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 1 }),
        }),
      ],
      [
        -0.22,
        message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 2 }),
        }),
      ],
      [
        0.21,
        message('common.turn', {
          about: 'nearly',
          size: message('common.turnEighths', { eighths: 2 }),
        }),
      ],
      [
        0.29,
        message('common.turn', {
          about: 'over',
          size: message('common.turnEighths', { eighths: 2 }),
        }),
      ],
      [
        0.5,
        message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 4 }),
        }),
      ],
      [
        1,
        message('common.turn', {
          about: 'exactly',
          size: message('common.turnWhole', { whole: 1, part: 0 }),
        }),
      ],
      [
        1.26,
        message('common.turn', {
          about: 'exactly',
          size: message('common.turnWhole', { whole: 1, part: 2 }),
        }),
      ],
      [
        2,
        message('common.turn', {
          about: 'exactly',
          size: message('common.turnWhole', { whole: 2, part: 0 }),
        }),
      ],
    ];
    for (const [turns, words] of said) expect(turnInWords(turns)).to.deep.equal(words);
  });
});

describe('a capo', () => {
  it('shortens the strings and leaves their tension', () => {
    const guitar = { ...steelGuitar('g', 'G'), capo: 3 };
    const open = stringLoad(guitar, 6, midiToHz(40, 440))!;
    const held = stringLoad(withCapo(guitar), 6, midiToHz(43, 440))!;
    expect(held.tension).to.be.closeTo(open.tension, 1e-9);
    expect(held.headroom).to.be.closeTo(open.headroom, 1e-9);
  });
});
