import { expect } from 'chai';
import { counted, distanceInWords, durationInWords, shortDuration, whenInWords } from './words.ts';

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

describe('moments in words', () => {
  // 25 October 2026: the clocks go back in London at 02:00, so this day has 25 hours.
  const now = Date.UTC(2026, 9, 24, 16, 5);
  const at = (day: number, hour: number, minute = 0) => Date.UTC(2026, 9, day, hour, minute);

  it('tell the wall clock of the zone', () => {
    expect(whenInWords(at(24, 20, 30), 'Europe/London', now)).to.equal('today 21:30');
    expect(whenInWords(at(25, 7), 'Europe/London', now)).to.equal('tomorrow 07:00');
    expect(whenInWords(at(23, 8), 'Europe/London', now)).to.equal('yesterday 09:00');
    expect(whenInWords(at(26, 7), 'Europe/London', now)).to.equal('Mon 26 Oct 07:00');
  });

  it('depend on where one is', () => {
    expect(whenInWords(at(24, 20, 30), 'Asia/Tokyo', now)).to.equal('today 05:30');
    expect(whenInWords(at(24, 14), 'Asia/Tokyo', now)).to.equal('yesterday 23:00');
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
