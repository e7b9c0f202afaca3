import { expect } from 'chai';
import { list, message } from '../message.ts';
import { windingInWords } from './winding.ts';

const say = (task: Parameters<typeof windingInWords>[0]) => windingInWords(task).say;

describe('the words of winding up', () => {
  it('counts in words and says stop', () => {
    expect(say({ kind: 'go on', course: 5, semitones: 9 })).to.deep.equal(
      message('advice.windToGo', { string: 5, semitones: 9 }),
    );
    expect(say({ kind: 'go on', course: 5, semitones: 1 })).to.deep.equal(
      message('advice.windToGo', { string: 5, semitones: 1 }),
    );
    expect(say({ kind: 'go on', course: 5, semitones: 19 })).to.deep.equal(
      message('advice.windToGo', { string: 5, semitones: 19 }),
    );
    expect(windingInWords({ kind: 'go on', course: 5, semitones: 2 }).more).to.deep.equal(
      message('advice.windSlowly'),
    );
    expect(say({ kind: 'stop', course: 2, last: false })).to.deep.equal(
      message('advice.windStop', { string: 2 }),
    );
    expect(say({ kind: 'above', course: 2, semitones: 1 })).to.deep.equal(
      message('advice.windAbove', { string: 2, semitones: 1 }),
    );
  });

  it('warns before a string breaks, and says what was left', () => {
    expect(say({ kind: 'near breaking', course: 1 })).to.deep.equal(
      message('advice.windNearBreaking', { string: 1 }),
    );
    expect(windingInWords({ kind: 'too high', course: 1 }).more).to.deep.equal(
      message('advice.windTooHigh.more'),
    );
    expect(say({ kind: 'over', left: [] })).to.deep.equal(message('advice.windOver'));
    expect(say({ kind: 'over', left: [3, 1] })).to.deep.equal(
      message('advice.windLeft', { strings: list([3, 1]) }),
    );
  });
});
