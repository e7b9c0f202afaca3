import { expect } from 'chai';
import {
  counted,
  distanceInWords,
  durationInWords,
  minutesInShort,
  shortDuration,
} from './figures.ts';

const MINUTE = 60;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

describe('lengths of time in words', () => {
  for (const [seconds, words, short] of [
    [0, 'under a minute', '< 1 min'],
    [59, 'under a minute', '< 1 min'],
    [60, '1 minute', '1 min'],
    [17.6 * MINUTE, '18 minutes', '18 min'],
    [HOUR, '1 hour', '1 h'],
    [1.5 * HOUR, '1.5 hours', '1.5 h'],
    [2.4 * HOUR, '2.5 hours', '2.5 h'],
    [9.6 * HOUR, '10 hours', '10 h'],
    [DAY, '1 day', '1 day'],
    [14 * DAY, '14 days', '14 days'],
  ] as const)
    it(`${seconds} s is ${words}`, () => {
      expect(durationInWords(seconds)).to.equal(words);
      expect(shortDuration(seconds)).to.equal(short);
    });
});

describe('other words', () => {
  it('count and measure', () => {
    expect(counted(1, 'round')).to.equal('1 round');
    expect(counted(2, 'pass', 'passes')).to.equal('2 passes');
    expect(distanceInWords(-200)).to.equal('2 semitones');
    expect(distanceInWords(77.4)).to.equal('77.4 cents');
    expect(distanceInWords(0)).to.equal('0.0 cents');
  });
});

describe('minutes of work in short', () => {
  for (const [minutes, short] of [
    [0, '10 s'],
    [0.3, '20 s'],
    [0.74, '40 s'],
    [0.75, '1 min'],
    [2.4, '2 min'],
    [41, '41 min'],
  ] as const)
    it(`${minutes} is ${short}`, () => {
      expect(minutesInShort(minutes)).to.equal(short);
    });
});
