import { expect } from 'chai';
import {
  beatTaskInWords,
  beatToldInWords,
  cellInWords,
  EXERCISE_WORDS,
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
    expect([1.04, 9.94, 9.96, 33.7].map(inShort)).to.deep.equal(['1.0', '9.9', '10', '34']);
    expect(noticedInWords({ cents: 12.3, low: 9.1, high: 17.2 })).to.equal('12 cents (9.1 to 17)');
  });

  it('where it was heard is said as a teacher would', () => {
    expect(cellInWords('low pluck')).to.equal('low strings, plucked');
    expect(cellInWords('high tone')).to.equal('high tones');
    expect(cellInWords('fretted')).to.equal('fretted against open');
    expect(cellInWords('string 3')).to.equal('string 3');
  });

  it('a guesser gets no figure, nor does somebody with few answers', () => {
    const none = { noticed: null, cells: new Map(), answers: 30, guessing: 0 };
    expect(heardInWords({ ...none, without: 'guessing' })).to.contain('guessing, so no figure');
    expect(heardInWords({ ...none, without: 'too small' })).to.contain('too small to hear');
    expect(heardInWords({ ...none, answers: 1, without: 'few' })).to.equal(
      '1 answer so far: too few for a figure.',
    );
    const noticed = { cents: 8, low: 5, high: 12 };
    expect(heardInWords({ ...none, noticed, without: null })).to.equal(
      'Notices 8.0 cents (5.0 to 12), three times in four.',
    );
  });

  it('a question is put only once it was heard', () => {
    const at = { picked: null, tooQuick: false };
    expect(questionInWords('direction', { ...at, heard: false }).say).to.equal('Listen.');
    expect(questionInWords('direction', { ...at, heard: false, tooQuick: true }).say).to.contain(
      'Hear it out',
    );
    expect(questionInWords('direction', { ...at, heard: true, tooQuick: true }).say).to.contain(
      'lower or higher',
    );
    expect(questionInWords('string', { ...at, heard: true, picked: 4 }).say).to.equal(
      'String 4: lower or higher?',
    );
  });

  it('an answer is told by what was so: "the same" is neither right nor wrong', () => {
    const told = (asked: number, answer: string) =>
      toldInWords('direction', { asked, answer, which: null }).say;
    expect(told(-12, 'lower')).to.equal('Yes. It was 12 cents lower.');
    expect(told(-12, 'higher')).to.equal('No. It was 12 cents lower.');
    expect(told(5, 'same')).to.equal('It was 5.0 cents higher.');
    expect(told(5, ''), 'a class').to.equal('It was 5.0 cents higher.');
    expect(toldInWords('string', { asked: -20, answer: 'wrong', which: 2 }).say).to.equal(
      'No. String 2 was 20 cents low.',
    );
    expect(toldInWords('pure', { asked: 9, answer: 'right', which: 1 }).say).to.contain(
      'The first chord was pure',
    );
  });

  it('what to do next has its reason', () => {
    expect(nextInWords({ exercise: 'beats', cell: null, why: 'due', days: 8.2 })).to.deep.equal({
      say: 'Next: Beats.',
      more: 'It was done 8 days ago: by now it fades.',
    });
    expect(
      nextInWords({ exercise: 'direction', cell: 'low pluck', why: 'gain', days: 0.3 }).say,
    ).to.equal('Next: Higher or lower, low strings, plucked.');
  });

  it('deeds are told by what was left, and how', () => {
    expect(matchedInWords(-2.04, 31, 14.4, 1)).to.deep.equal({
      say: 'Left 2.0 cents low.',
      more: 'From +31.0 cents, in 14 seconds and 1 turn. Enter goes on.',
    });
    expect(beatTaskInWords('count', 2, null).more).to.contain('2 taps so far');
    expect(beatToldInWords('count', -8, 1, 2.3, 2).say).to.equal(
      'You counted 2.3 a second, it was 2.0.',
    );
    expect(evennessInWords(1.24, 3.6).say).to.equal('Even to 1.2 cents, 3.6 above the lightest.');
    const left = restoredInWords([1, -3, 2], 95_000, true);
    expect(left.say).to.contain('Back within 3.0 cents');
    expect(left.more).to.contain('quarter of an hour');
  });

  it('a voice is above, below or there, in whatever octave', () => {
    const sung = { octaves: 0, errorCents: 2, swing: 10 };
    expect(sungInWords({ ...sung, cents: -35 }).say).to.contain('sing higher');
    expect(sungInWords({ ...sung, cents: 35 }).say).to.contain('sing lower');
    expect(sungInWords({ ...sung, cents: 4, octaves: -1 })).to.deep.equal({
      say: 'There.',
      more: '+4.0 cents, ±2. 1 octave lower, which is as good.',
    });
  });

  it('a string that was sung as it is names its way', () => {
    const sung = { octaves: 0, errorCents: 2, swing: 10 };
    expect(sungStringInWords({ ...sung, cents: -38 }, 4, -41)).to.deep.equal({
      say: 'String 4 is low: your voice says so.',
      more: 'You sang it 38 cents below its note; it is 41 cents low.',
    });
    expect(sungStringInWords({ ...sung, cents: 3 }, 4, -25).say).to.equal('String 4 is low.');
  });

  it('what does not count says why', () => {
    const at = { course: 3, aid: 'one tone', tones: [6] } as const;
    expect(restoringInWords({ ...at, phase: 'out', notice: 'too near' }).more).to.contain(
      'too near',
    );
    expect(restoringInWords({ ...at, phase: 'tuning', notice: null }).more).to.contain('string 6');
    const display = { ...at, aid: 'display', phase: 'tuning', notice: null } as const;
    expect(restoringInWords(display).say).to.contain('Each pluck is shown');
    expect(restoringInWords({ ...display, aid: 'memory' }).say).to.contain('Nothing is shown');
    const touch = { phase: 'holding', place: 'string 3 at fret 3', left: 4 } as const;
    expect(touchingInWords({ ...touch, notice: 'another note' }).more).to.contain('not counted');
    expect(touchingInWords({ ...touch, notice: null }).say).to.equal(
      'String 3 at fret 3: 4 plucks more.',
    );
  });

  it('every exercise has its name and one sentence', () => {
    for (const { say, more } of Object.values(EXERCISE_WORDS)) {
      expect(say).to.match(/^[A-Z]/);
      expect(more).to.match(/^[A-Z].*\.$/);
    }
  });
});
