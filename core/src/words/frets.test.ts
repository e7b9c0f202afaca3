import { expect } from 'chai';
import type { Finding, FretPlace } from '../intonation/index.ts';
import {
  bridgeInWords,
  findingInWords,
  fretNoticeInWords,
  fretTaskInWords,
  howInWords,
  otherPlaceInWords,
  placeInWords,
} from './frets.ts';

const fret = (number: number, pressure: 'soft' | 'normal' | 'hard' = 'normal'): FretPlace => ({
  kind: 'fret',
  fret: number,
  pressure,
});
const finding = (cause: Finding['cause'], cents: number, change: Partial<Finding> = {}) => ({
  cause,
  courses: [3],
  cents,
  errorCents: 0.44,
  amounts: [],
  ...change,
});

describe('places on the neck in words', () => {
  const PLACES: readonly (readonly [FretPlace, number, string, RegExp])[] = [
    [{ kind: 'open' }, 0, 'open', /^Nothing held/],
    [{ kind: 'harmonic' }, 0, 'touched over fret 12', /do not press/],
    // A banjo's fifth string begins at the fifth fret; its middle lies over the seventeenth.
    [{ kind: 'harmonic' }, 5, 'touched over fret 17', /do not press/],
    [fret(7), 0, 'fret 7', /^Held as in playing/],
    [fret(7, 'soft'), 0, 'fret 7, soft', /^As lightly/],
    [fret(2, 'hard'), 5, 'fret 7, hard', /^Pressed as hard/],
  ];
  for (const [place, start, words, how] of PLACES)
    it(words, () => {
      expect(placeInWords(place, start)).to.equal(words);
      expect(howInWords(place)).to.match(how);
    });

  it('asks for one, and says when none is left', () => {
    const asked = { course: 4, place: fret(3) };
    expect(fretTaskInWords(asked, 0, false).say).to.equal('String 4, fret 3: pluck it.');
    expect(fretTaskInWords(null, 0, false).say).to.equal('Every place is read.');
    expect(fretTaskInWords(null, 0, true)).to.deep.equal({
      say: 'This check is done.',
      more: 'W shows what it comes to.',
    });
  });

  it('asks about a note that fits another place', () => {
    const asked = { course: 4, place: fret(12) };
    const say = (heard: number, string: number | null) =>
      otherPlaceInWords({ asked, heard, string }).say;
    expect(say(5, null)).to.equal('That sounded like fret 5, not fret 12.');
    expect(say(5, 3)).to.equal('That sounded like fret 5, or string 3 open, not fret 12.');
    expect(say(0, null)).to.equal('That sounded like the open string, not fret 12.');
  });
});

describe('what the frets show, in words', () => {
  const FINDINGS: readonly (readonly [Finding, string, string])[] = [
    [
      finding('fret', 7.26, { fret: 7 }),
      'Fret 7 is out of its place on string 3.',
      'It alone is +7.3 ± 0.4 cents off; its neighbours are not.',
    ],
    [
      finding('light touch', -4, { courses: [1, 3] }),
      'A lighter touch helps on strings 1, 3.',
      'Fret 12 is −4.0 ± 0.4 cents by it.',
    ],
    [
      finding('hard touch', 6),
      'A hard finger makes string 3 sharper.',
      'Fret 12 is +6.0 ± 0.4 cents by it.',
    ],
    [
      finding('saddle place', 5),
      'Sharper the further up the neck on string 3: the saddle stands too near, as it plays at your pressure.',
      'Fret 12 is +5.0 ± 0.4 cents off by it.',
    ],
    [
      finding('saddle place', -5),
      'Flatter the further up the neck on string 3: the saddle stands too far, as it plays at your pressure.',
      'Fret 12 is −5.0 ± 0.4 cents off by it.',
    ],
    [
      finding('nut place', 3),
      'Every fretted note alike is sharp on string 3: the nut stands too far back, or the open string was read off.',
      '+3.0 ± 0.4 cents at every fret.',
    ],
    [
      finding('nut place', -3),
      'Every fretted note alike is flat on string 3: the nut stands too near, or the open string was read off.',
      '−3.0 ± 0.4 cents at every fret.',
    ],
    [
      finding('nut height', 8),
      'The first frets are worst on string 3: the nut slots are high.',
      'Fret 1 is +8.0 ± 0.4 cents off by it, and less the further up.',
    ],
  ];
  for (const [found, say, why] of FINDINGS)
    it(say, () => expect(findingInWords(found)).to.deep.equal({ say, why }));

  it('says of a loose bridge how each end moves', () => {
    const end = (course: number, mm: number, right = false) => ({
      course,
      mm,
      errorMm: 0.26,
      right,
    });
    expect(bridgeInWords([end(4, 0.1, true), end(1, 0, true)])).to.equal(
      'The bridge stands right. Mark its place.',
    );
    expect(bridgeInWords([end(4, 3.44), end(1, 0, true)])).to.equal(
      'The end under string 4 moves 3.4 ± 0.3 mm away from the nut; the end under string 1 stays.',
    );
    expect(bridgeInWords([end(4, 0, true), end(1, -1.2)])).to.equal(
      'The end under string 4 stays; the end under string 1 moves 1.2 ± 0.3 mm towards the nut.',
    );
  });

  it('says why a pluck is no reading of its place', () => {
    const say = (notice: Parameters<typeof fretNoticeInWords>[0]) =>
      Object.values(fretNoticeInWords(notice)).join(' ');
    expect(say({ kind: 'refused', refusal: { kind: 'hum only', mainsHz: 50 } })).to.match(/50 Hz/);
    expect(say({ kind: 'other world', begun: 'real' })).to.match(/on the real instrument\./);
    expect(say({ kind: 'other world', begun: 'practice' })).to.match(/begun in practice\./);
    expect(say({ kind: 'another string', heard: 2, asked: 3 })).to.match(
      /like string 2\. String 3 open is asked for/,
    );
    expect(say({ kind: 'not open', asked: 3, cents: 41.6 })).to.match(
      /not string 3 open\. It lay 42 cents from its note/,
    );
  });
});
