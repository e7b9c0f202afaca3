import { expect } from 'chai';
import { windingInWords } from './winding.ts';

const say = (task: Parameters<typeof windingInWords>[0]) => windingInWords(task).say;

describe('the words of winding up', () => {
  it('counts in words and says stop', () => {
    expect(say({ kind: 'go on', course: 5, semitones: 9 })).to.equal(
      'String 5: nine semitones to go.',
    );
    expect(say({ kind: 'go on', course: 5, semitones: 1 })).to.equal(
      'String 5: one semitone to go.',
    );
    expect(say({ kind: 'go on', course: 5, semitones: 19 })).to.equal(
      'String 5: 19 semitones to go.',
    );
    expect(windingInWords({ kind: 'go on', course: 5, semitones: 2 }).more).to.equal('Slowly now.');
    expect(say({ kind: 'stop', course: 2 })).to.equal('Stop: string 2 is near its note.');
    expect(say({ kind: 'above', course: 2, semitones: 1 })).to.equal(
      'Let string 2 down by one semitone.',
    );
  });

  it('warns before a string breaks, and says what was left', () => {
    expect(say({ kind: 'near breaking', course: 1 })).to.equal('Stop: string 1 may break.');
    expect(windingInWords({ kind: 'too high', course: 1 }).more).to.contain('thinner');
    expect(say({ kind: 'over', left: [] })).to.equal('All of them are near their notes.');
    expect(say({ kind: 'over', left: [3, 1] })).to.equal('Left as they are: string 3, 1.');
  });
});
