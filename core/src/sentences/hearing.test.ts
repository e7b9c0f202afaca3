import { expect } from 'chai';
import { list, message, signed } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import {
  beatTaskInWords,
  beatToldInWords,
  cellInWords,
  evennessInWords,
  heardInWords,
  inShort,
  matchedInWords,
  nextInWords,
  noticedInWords,
  questionInWords,
  restoredInWords,
  restoringInWords,
  sungInWords,
  sungStringInWords,
  toldInWords,
  touchingInWords,
} from './index.ts';

describe('words of the ear', () => {
  it('figures have as many digits as can be told', () => {
    expect([1.04, 9.94, 9.96, 33.7].map(inShort)).to.deep.equal([
      message('parts.tenths', { cents: 1.04 }),
      message('parts.tenths', { cents: 9.94 }),
      message('parts.whole', { cents: 9.96 }),
      message('parts.whole', { cents: 33.7 }),
    ]);
    expect(noticedInWords({ cents: 12.3, low: 9.1, high: 17.2 })).to.deep.equal(
      message('ear.noticed', {
        cents: message('parts.whole', { cents: 12.3 }),
        low: message('parts.tenths', { cents: 9.1 }),
        high: message('parts.whole', { cents: 17.2 }),
      }),
    );
  });

  it('where it was heard is said as a teacher would', () => {
    expect(cellInWords('low pluck')).to.deep.equal(message('ear.cell', { cell: 'lowPluck' }));
    expect(cellInWords('high tone')).to.deep.equal(message('ear.cell', { cell: 'highTone' }));
    expect(cellInWords('fretted')).to.deep.equal(message('ear.cell', { cell: 'fretted' }));
    expect(cellInWords('string 3')).to.deep.equal(message('common.string', { string: 3 }));
    expect(cellInWords('string 3 at fret 5')).to.deep.equal(
      message('ear.stringAtFret', { string: 3, fret: 5 }),
    );
    expect(cellInWords('of another make')).to.equal('of another make');
  });

  it('a guesser gets no figure, nor does somebody with few answers', () => {
    const none = { noticed: null, cells: new Map(), answers: 30, guessing: 0 };
    expect(heardInWords({ ...none, without: 'guessing' })).to.deep.equal(message('ear.guessing'));
    expect(heardInWords({ ...none, without: 'too small' })).to.deep.equal(message('ear.tooSmall'));
    expect(heardInWords({ ...none, answers: 1, without: 'few' })).to.deep.equal(
      message('ear.tooFew', { answers: 1 }),
    );
    const noticed = { cents: 8, low: 5, high: 12 };
    expect(heardInWords({ ...none, noticed, without: null })).to.deep.equal(
      message('ear.notices', {
        noticed: message('ear.noticed', {
          cents: message('parts.tenths', { cents: 8 }),
          low: message('parts.tenths', { cents: 5 }),
          high: message('parts.whole', { cents: 12 }),
        }),
      }),
    );
  });

  it('a question is put only once it was heard', () => {
    const at = { picked: null, tooQuick: false };
    expect(questionInWords('direction', { ...at, heard: false }).say).to.deep.equal(
      message('ear.listen'),
    );
    expect(questionInWords('direction', { ...at, heard: false, tooQuick: true }).say).to.deep.equal(
      message('ear.hearFirst'),
    );
    expect(questionInWords('direction', { ...at, heard: true, tooQuick: true }).say).to.deep.equal(
      message('ear.lowerOrHigher'),
    );
    expect(questionInWords('string', { ...at, heard: true, picked: 4 }).say).to.deep.equal(
      message('ear.stringLowerOrHigher', { string: 4 }),
    );
  });

  it('the reply to an answer says what it was: "the same" is neither right nor wrong', () => {
    const told = (asked: number, answer: string) =>
      toldInWords('direction', { asked, answer, which: null }).say;
    expect(told(-12, 'lower')).to.deep.equal(
      message('ear.toldLower', { verdict: 'right', cents: message('parts.whole', { cents: 12 }) }),
    );
    expect(told(-12, 'higher')).to.deep.equal(
      message('ear.toldLower', { verdict: 'wrong', cents: message('parts.whole', { cents: 12 }) }),
    );
    expect(told(5, 'same')).to.deep.equal(
      message('ear.toldHigher', { verdict: 'open', cents: message('parts.tenths', { cents: 5 }) }),
    );
    expect(told(5, ''), 'a class').to.deep.equal(
      message('ear.toldHigher', { verdict: 'open', cents: message('parts.tenths', { cents: 5 }) }),
    );
    expect(toldInWords('string', { asked: -20, answer: 'wrong', which: 2 }).say).to.deep.equal(
      message('ear.toldStringLow', {
        verdict: 'wrong',
        string: 2,
        cents: message('parts.whole', { cents: 20 }),
      }),
    );
    expect(toldInWords('pure', { asked: 9, answer: 'right', which: 1 }).say).to.deep.equal(
      message('ear.toldFirstPure', {
        verdict: 'right',
        cents: message('parts.tenths', { cents: 9 }),
      }),
    );
  });

  it('what to do next has its reason', () => {
    expect(nextInWords({ exercise: 'beats', cell: null, why: 'due', days: 8.2 })).to.deep.equal({
      say: message('ear.next', { exercise: 'beats' }),
      more: message('ear.fades', { days: 8 }),
    });
    expect(
      nextInWords({ exercise: 'direction', cell: 'low pluck', why: 'gain', days: 0.3 }).say,
    ).to.deep.equal(
      message('ear.nextCell', {
        exercise: 'direction',
        cell: message('ear.cell', { cell: 'lowPluck' }),
      }),
    );
  });

  it('the reply to an exercise says what was left, and how', () => {
    expect(matchedInWords(-2.04, 31, 14.4, 1)).to.deep.equal({
      say: message('ear.matched', { side: 'low', cents: message('parts.tenths', { cents: 2.04 }) }),
      more: message('ear.matched.more', { from: signed(31), seconds: 14, turns: 1 }),
    });
    expect(beatTaskInWords('count', 2, null).more).to.deep.equal(
      message('ear.beatTap.more', { taps: 2 }),
    );
    expect(beatToldInWords('count', -8, 1, 2.3, 2).say).to.deep.equal(
      message('ear.beatCounted', { counted: 2.3, rate: 2 }),
    );
    expect(evennessInWords(1.24, 3.6).say).to.deep.equal(
      message('ear.evenness', {
        scatter: message('parts.tenths', { cents: 1.24 }),
        above: message('parts.tenths', { cents: 3.6 }),
      }),
    );
    const left = restoredInWords([1, -3, 2], 95_000, true);
    expect(left.say).to.deep.equal(
      message('ear.restored', {
        cents: message('parts.tenths', { cents: 3 }),
        time: message('common.duration', { unit: 'minute', count: 2 }),
      }),
    );
    expect(plainFigures(left.more ?? null)).to.deep.equal([
      message('ear.restored.more', { cents: message('parts.tenths', { cents: 2.160247 }) }),
      message('ear.firstTuning'),
      message('ear.putsOutAgain'),
    ]);
  });

  it('a voice is above, below or there, in whatever octave', () => {
    const sung = { octaves: 0, errorCents: 2, swing: 10 };
    expect(sungInWords({ ...sung, cents: -35 }).say).to.deep.equal(message('ear.singHigher'));
    expect(sungInWords({ ...sung, cents: 35 }).say).to.deep.equal(message('ear.singLower'));
    expect(sungInWords({ ...sung, cents: 4, octaves: -1 })).to.deep.equal({
      say: message('ear.sungThere'),
      more: [
        message('ear.sung.more', { cents: signed(4), error: 2 }),
        message('ear.sungOctave', { way: 'lower', octaves: 1 }),
      ],
    });
  });

  it('a string that was sung as it is names its way', () => {
    const sung = { octaves: 0, errorCents: 2, swing: 10 };
    expect(sungStringInWords({ ...sung, cents: -38 }, 4, -41)).to.deep.equal({
      say: message('ear.sungRight', { side: 'low', string: 4 }),
      more: message('ear.sungBelow', {
        side: 'low',
        sung: message('parts.whole', { cents: 38 }),
        out: message('parts.whole', { cents: 41 }),
      }),
    });
    expect(sungStringInWords({ ...sung, cents: 3 }, 4, -25).say).to.deep.equal(
      message('ear.sungString', { side: 'low', string: 4 }),
    );
  });

  it('what does not count says why', () => {
    const at = { course: 3, aid: 'oneTone', tones: [6] } as const;
    expect(restoringInWords({ ...at, phase: 'out', notice: 'too near' }).more).to.deep.equal(
      message('ear.notTaken', { why: 'near' }),
    );
    expect(restoringInWords({ ...at, phase: 'tuning', notice: null }).more).to.deep.equal([
      message('ear.toneByNumber', { strings: list([6]) }),
      message('ear.enterWhenDone'),
    ]);
    const display = { ...at, aid: 'display', phase: 'tuning', notice: null } as const;
    expect(restoringInWords(display).say).to.deep.equal(message('ear.bringBackShown'));
    expect(restoringInWords({ ...display, aid: 'memory' }).say).to.deep.equal(
      message('ear.bringBack'),
    );
    const touch = {
      phase: 'holding',
      place: message('ear.stringAtFret', { string: 3, fret: 3 }),
      left: 4,
    } as const;
    expect(touchingInWords({ ...touch, notice: 'another note' }).more).to.deep.equal(
      message('ear.anotherNote'),
    );
    expect(touchingInWords({ ...touch, notice: null }).say).to.deep.equal(
      message('ear.plucksLeft', { place: touch.place, left: 4 }),
    );
  });
});
