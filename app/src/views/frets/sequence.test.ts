import type { FretPlace, FretReading } from '@rosefinch/core/intonation';
import {
  bridgeEndsOf,
  commonShapes,
  errorOf,
  nextAsked,
  openOf,
  outerCourses,
  placeKey,
  shareDone,
} from '@rosefinch/core/intonation';
import { message, sentencesOf } from '@rosefinch/core/message';
import type { FretCheck } from '@rosefinch/core/records';
import { bridgeInWords, placeInWords } from '@rosefinch/core/sentences';
import { findModel } from '@rosefinch/core/strings';
import { expect } from 'chai';
import Papa from 'papaparse';
import { fretsCsv } from './exports.ts';

const at = (fret: number, pressure: 'soft' | 'normal' | 'hard' = 'normal'): FretPlace => ({
  kind: 'fret',
  fret,
  pressure,
});
const OPEN: FretPlace = { kind: 'open' };
const reading = (course: number, place: FretPlace, cents: number): FretReading => ({
  course,
  place,
  cents,
  errorCents: 0.5,
  at: 1_764_000_000_000,
});
const check = (readings: readonly FretReading[], change: Partial<FretCheck> = {}): FretCheck => ({
  id: 'f',
  instrumentId: 'lapwing',
  tuningId: 'banjo-open-g',
  a4: 440,
  source: 'practice',
  startedAt: 1_764_000_000_000,
  zone: 'Europe/London',
  courses: [4, 1],
  frets: [12, 1],
  pressures: ['normal'],
  readings,
  doneAt: null,
  ...change,
});
const four = (course: number, cents: number) =>
  [-0.3, 0.3, 0.1, -0.1].map((off) => reading(course, OPEN, cents + off));

describe('the sequence of a fret check', () => {
  it('asks for the open string four times, the harmonic, then fret by fret, string by string', () => {
    const asked: string[] = [];
    let now = check([]);
    for (let next = nextAsked(now, new Set()); next; next = nextAsked(now, new Set())) {
      asked.push(`${next.course} ${placeKey(next.place)}`);
      now = check([...now.readings, reading(next.course, next.place, 0)]);
    }
    expect(asked).to.deep.equal([
      ...Array.from({ length: 4 }, () => '4 open'),
      '4 harmonic',
      '4 12 normal',
      '4 1 normal',
      '4 open',
      ...Array.from({ length: 4 }, () => '1 open'),
      '1 harmonic',
      '1 12 normal',
      '1 1 normal',
      '1 open',
    ]);
    expect(shareDone(now)).to.equal(1);
    expect(shareDone(check([]))).to.equal(0);
  });

  it('asks again for what was struck out, and not for what was left out', () => {
    const struck = four(4, 0).map((r, i) => (i === 2 ? { ...r, struckOut: true as const } : r));
    expect(nextAsked(check(struck), new Set())).to.deep.equal({ course: 4, place: OPEN });
    const skipped = new Set(['4 harmonic', '4 12 normal']);
    expect(nextAsked(check(four(4, 0)), skipped)).to.deep.equal({ course: 4, place: at(1) });
  });

  it('measures against the mean of the open string, wherever that lies', () => {
    const fretted = reading(4, at(5), 500 - 40 + 3);
    const now = check([...four(4, -40), fretted]);
    expect(openOf(now, 4)).to.be.closeTo(-40, 1e-9);
    expect(errorOf(now, fretted)).to.be.closeTo(3, 1e-9);
    expect(openOf(now, 1)).to.equal(null);
    expect(errorOf(check([fretted]), fretted)).to.equal(null);
  });

  it('takes out what the string drifted until it was read open again', () => {
    const later = (r: FretReading, ms: number) => ({ ...r, at: r.at + ms });
    const fretted = later(reading(4, at(5), 500 - 2), 50_000);
    const now = check([...four(4, 0), fretted, later(reading(4, OPEN, -4), 100_000)]);
    expect(errorOf(now, fretted)).to.be.closeTo(0, 1e-9);
  });

  it('counts the frets of a short string from the nut of the neck', () => {
    expect(placeInWords(at(1), 5)).to.deep.equal(
      message('frets.placeFret', { pressure: 'normal', fret: 6 }),
    );
    expect(placeInWords({ kind: 'harmonic' }, 5)).to.deep.equal(
      message('frets.placeHarmonic', { fret: 17 }),
    );
    expect(placeInWords(at(3, 'hard'), 0)).to.deep.equal(
      message('frets.placeFret', { pressure: 'hard', fret: 3 }),
    );
    expect(placeInWords(OPEN, 0)).to.deep.equal(message('frets.placeOpen'));
  });
});

describe('a loose bridge', () => {
  const banjo = findModel('banjo-five')!.build('lapwing', 'Lapwing');

  it('is judged by the outer strings that run the whole neck', () => {
    expect(outerCourses(banjo)).to.deep.equal([4, 1]);
    expect(outerCourses(findModel('banjo-tenor')!.build('a', 'A'))).to.deep.equal([4, 1]);
  });

  it('is moved away from the nut where the octaves are sharp', () => {
    const octave = (course: number, off: number) => [
      ...four(course, 0),
      ...[0, 1, 2].map(() => reading(course, at(12), 1200 + off)),
    ];
    const [last, first] = bridgeEndsOf(banjo, check([...octave(4, 10), ...octave(1, 0)]))!;
    expect(last).to.include({ course: 4, right: false });
    expect(last!.mm).to.be.within(3.5, 4.5);
    expect(first).to.include({ course: 1, right: true });
    expect(sentencesOf(bridgeInWords([last!, first!])).map(({ id }) => id)).to.deep.equal([
      'frets.endMoves',
      'frets.endStays',
    ]);
    expect(bridgeInWords([first!])).to.deep.equal(message('frets.bridgeRight'));
    expect(bridgeEndsOf(banjo, check(octave(4, 10)))).to.equal(null);
  });
});

describe('a fret check as CSV', () => {
  it('has a line for every reading, struck out or not, with units in its heading', () => {
    const banjo = findModel('banjo-five')!.build('lapwing', 'Lapwing, "old"');
    const struck = { ...reading(5, at(2, 'soft'), 207), struckOut: true as const };
    const text = fretsCsv(banjo, check([...four(5, 0), struck]), 'en-GB');
    const { data, errors } = Papa.parse<Record<string, string>>(text, {
      header: true,
      skipEmptyLines: true,
    });
    expect(errors).to.deep.equal([]);
    expect(data).to.have.length(5);
    expect(data[4]).to.include({
      instrument: 'Lapwing, "old"',
      string: '5',
      place: 'fret',
      // The second fret of the short string is the seventh of the neck.
      fret: '7',
      pressure: 'soft',
      error_cents: '7',
      struck_out: 'yes',
    });
  });
});

describe('common chords', () => {
  it('have a fret for every string of their tuning', () => {
    for (const [tuning, strings] of [
      ['guitar-standard', 6],
      ['ukulele-standard', 4],
      ['ukulele-baritone', 4],
      ['banjo-open-g', 5],
    ] as const) {
      expect(commonShapes(tuning).length).to.be.above(3);
      for (const { frets } of commonShapes(tuning)) expect(frets).to.have.length(strings);
    }
    expect(commonShapes('own')).to.deep.equal([]);
  });
});
