import { expect } from 'chai';
import { message } from '../message.ts';
import { distanceInWords, durationInWords, minutesInShort, shortDuration } from './figures.ts';

const MINUTE = 60;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

describe('lengths of time in words', () => {
  for (const [seconds, words, short] of [
    [
      0,
      message('common.duration', { unit: 'less', count: 0 }),
      message('common.durationShort', { unit: 'less', count: 0 }),
    ],
    [
      59,
      message('common.duration', { unit: 'less', count: 0 }),
      message('common.durationShort', { unit: 'less', count: 0 }),
    ],
    [
      60,
      message('common.duration', { unit: 'minute', count: 1 }),
      message('common.durationShort', { unit: 'minute', count: 1 }),
    ],
    [
      17.6 * MINUTE,
      message('common.duration', { unit: 'minute', count: 18 }),
      message('common.durationShort', { unit: 'minute', count: 18 }),
    ],
    [
      HOUR,
      message('common.duration', { unit: 'hour', count: 1 }),
      message('common.durationShort', { unit: 'hour', count: 1 }),
    ],
    [
      1.5 * HOUR,
      message('common.duration', { unit: 'hour', count: 1.5 }),
      message('common.durationShort', { unit: 'hour', count: 1.5 }),
    ],
    [
      2.4 * HOUR,
      message('common.duration', { unit: 'hour', count: 2.5 }),
      message('common.durationShort', { unit: 'hour', count: 2.5 }),
    ],
    [
      9.6 * HOUR,
      message('common.duration', { unit: 'hour', count: 10 }),
      message('common.durationShort', { unit: 'hour', count: 10 }),
    ],
    [
      DAY,
      message('common.duration', { unit: 'day', count: 1 }),
      message('common.durationShort', { unit: 'day', count: 1 }),
    ],
    [
      14 * DAY,
      message('common.duration', { unit: 'day', count: 14 }),
      message('common.durationShort', { unit: 'day', count: 14 }),
    ],
  ] as const)
    it(`of ${seconds} s`, () => {
      expect(durationInWords(seconds)).to.deep.equal(words);
      expect(shortDuration(seconds)).to.deep.equal(short);
    });
});

describe('other words', () => {
  it('count and measure', () => {
    expect(distanceInWords(-200)).to.deep.equal(message('common.semitones', { semitones: 2 }));
    expect(distanceInWords(77.4)).to.deep.equal(message('common.aboutASemitone'));
    expect(distanceInWords(198.3)).to.deep.equal(message('common.semitones', { semitones: 2 }));
    expect(distanceInWords(-49.6)).to.deep.equal(message('common.cents', { cents: 49.6 }));
    expect(distanceInWords(0)).to.deep.equal(message('common.cents', { cents: 0 }));
  });
});

describe('minutes of work in short', () => {
  for (const [minutes, short] of [
    [0, message('common.secondsShort', { seconds: 10 })],
    [0.3, message('common.secondsShort', { seconds: 20 })],
    [0.74, message('common.secondsShort', { seconds: 40 })],
    [0.75, message('common.minutesShort', { minutes: 1 })],
    [2.4, message('common.minutesShort', { minutes: 2 })],
    [41, message('common.minutesShort', { minutes: 41 })],
  ] as const)
    it(`of ${minutes} minutes`, () => {
      expect(minutesInShort(minutes)).to.deep.equal(short);
    });
});
