import { expect } from 'chai';
import { pegTestInWords } from './pegTest.ts';
import { refusalInWords } from './refusal.ts';

describe('a round over the pegs in words', () => {
  const turn = { kind: 'turn', turns: 1 / 8, tighten: 'away from you' } as const;

  it('asks for a pluck, then for a turn the way that is thought to loosen', () => {
    expect(pegTestInWords({ kind: 'pluck', course: 4 }, null).say).to.equal('Pluck string 4.');
    expect(pegTestInWords(turn, null).say).to.match(
      /^Turn its button an eighth of a turn towards you, then pluck\.$/,
    );
  });

  it('asks for a second turn down and for one back, saying what the first showed', () => {
    const found = { kind: 'as thought', course: 4, cents: 33.4 } as const;
    expect(pegTestInWords({ ...turn, turns: -1 / 8 }, found).say).to.equal(
      'Down 33 cents, as thought. Once more an eighth of a turn towards you, then pluck.',
    );
    expect(pegTestInWords(turn, found)).to.deep.equal({
      say: 'Now back: an eighth of a turn away from you, then pluck.',
      more: 'That shows what is lost when it goes back.',
    });
  });

  it('says what the turns showed before the next string', () => {
    const next = { kind: 'pluck', course: 3 } as const;
    expect(pegTestInWords(next, { kind: 'did not move' }).say).to.match(/^It did not move/);
    const measured = { kind: 'measured', course: 4, error: 0.118, play: 0.0222 } as const;
    expect(pegTestInWords(next, { ...measured, centsPerTurn: 347.4 })).to.deep.equal({
      say: 'String 4: 350 cents a turn, within 12 %, play 8°.',
      more: 'Now pluck string 3.',
    });
    const other = { kind: 'other way', course: 4, cents: 20.2, tighten: 'towards you' } as const;
    expect(pegTestInWords(next, other).say).to.equal(
      'It went up 20 cents: turn it back. String 4 tightens towards you.',
    );
  });

  it('ends with what was found last, or with a word', () => {
    const over = { kind: 'over' } as const;
    expect(pegTestInWords(over, null).say).to.equal('The pegs are known.');
    const last = { kind: 'measured', course: 1, centsPerTurn: 90, error: 0.2, play: 0 } as const;
    expect(pegTestInWords(over, last).say).to.match(/^String 1: .*, no play\.$/);
  });
});

describe('why there is no reading, in words', () => {
  const REASONS = {
    'too short': /ring a little longer/,
    'no pitch': /noise/,
    'no pluck': /voice or a steady tone/,
    weak: /as loud as the string/,
  } as const;
  for (const [reason, more] of Object.entries(REASONS))
    it(reason, () => {
      const said = refusalInWords({ kind: 'not sure', reason: reason as keyof typeof REASONS });
      expect(said.say).to.equal('Not sure. Pluck again.');
      expect(said.more).to.match(more);
    });

  it('says of a bend or a shake that it moves', () => {
    const said = refusalInWords({ kind: 'not sure', reason: 'unsteady' });
    expect(said.say).to.equal('It moves: hold it still, and pluck again.');
  });

  it('names the strings that sounded at once where they are told', () => {
    const both = { kind: 'more than one string' } as unknown as Parameters<
      typeof refusalInWords
    >[0];
    expect(refusalInWords(both).say).to.match(/^Two strings at once/);
    expect(refusalInWords(both, [2, 5]).say).to.match(/^Strings 2 and 5 at once/);
  });

  it('names the hum, the hole and what is too quiet', () => {
    expect(refusalInWords({ kind: 'hum only', mainsHz: 60 }).say).to.match(/mains hum at 60 Hz/);
    expect(refusalInWords({ kind: 'interrupted' }).say).to.match(/broke off/);
    expect(refusalInWords({ kind: 'too quiet', levelDbfs: -70 }).say).to.match(/Too quiet/);
  });
});
