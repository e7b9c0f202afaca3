import { expect } from 'chai';
import { list, message } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import { pegTestInWords } from './pegTest.ts';
import { refusalInWords } from './refusal.ts';

describe('a round over the pegs in words', () => {
  const turn = { kind: 'turn', turns: 1 / 8, tighten: 'awayFromYou' } as const;

  it('asks for a pluck, then for a turn the way that is thought to loosen', () => {
    expect(pegTestInWords({ kind: 'pluck', course: 4 }, null).say).to.deep.equal(
      message('advice.pegPluck', { string: 4 }),
    );
    expect(pegTestInWords(turn, null).say).to.deep.equal(
      message('advice.pegTurn', {
        turn: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 1 }),
        }),
        way: message('common.direction', { way: 'towards' }),
      }),
    );
  });

  it('asks for a second turn down and for one back, saying what the first showed', () => {
    const found = { kind: 'as thought', course: 4, cents: 33.4 } as const;
    expect(pegTestInWords({ ...turn, turns: -1 / 8 }, found).say).to.deep.equal([
      message('advice.pegAsThought', { cents: 33.4 }),
      message('advice.pegTurnAgain', {
        turn: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 1 }),
        }),
        way: message('common.direction', { way: 'towards' }),
      }),
    ]);
    expect(pegTestInWords(turn, found)).to.deep.equal({
      say: message('advice.pegTurnBack', {
        turn: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 1 }),
        }),
        way: message('common.direction', { way: 'away' }),
      }),
      more: message('advice.pegTurnBack.more'),
    });
  });

  it('says what the turns showed before the next string', () => {
    const next = { kind: 'pluck', course: 3 } as const;
    expect(pegTestInWords(next, { kind: 'did not move' }).say).to.deep.equal(
      message('advice.pegDidNotMove'),
    );
    const measured = { kind: 'measured', course: 4, error: 0.118, play: 0.0222 } as const;
    const told = pegTestInWords(next, { ...measured, centsPerTurn: 347.4 });
    expect({ say: plainFigures(told.say), more: told.more }).to.deep.equal({
      say: message('advice.pegMeasured', { string: 4, cents: 350, percent: 11.8, degrees: 8 }),
      more: message('advice.pegPluckNext', { string: 3 }),
    });
    const other = { kind: 'other way', course: 4, cents: 20.2, tighten: 'towardsYou' } as const;
    expect(pegTestInWords(next, other).say).to.deep.equal(
      message('advice.pegOtherWay', {
        cents: 20.2,
        string: 4,
        way: message('common.direction', { way: 'towards' }),
      }),
    );
  });

  it('ends with what was found last, or with a word', () => {
    const over = { kind: 'over' } as const;
    expect(pegTestInWords(over, null).say).to.deep.equal(message('advice.pegsKnown'));
    const last = { kind: 'measured', course: 1, centsPerTurn: 90, error: 0.2, play: 0 } as const;
    expect(pegTestInWords(over, last).say).to.deep.equal(
      message('advice.pegMeasured', { string: 1, cents: 90, percent: 20, degrees: 0 }),
    );
  });
});

describe('why there is no reading, in words', () => {
  const REASONS = {
    'too short': message('advice.notSure.more', { reason: 'short' }),
    'no pitch': message('advice.notSure.more', { reason: 'noise' }),
    'no pluck': message('advice.notSure.more', { reason: 'steady' }),
    weak: message('advice.notSure.more', { reason: 'weak' }),
  } as const;
  for (const [reason, more] of Object.entries(REASONS))
    it(reason, () => {
      const said = refusalInWords({ kind: 'not sure', reason: reason as keyof typeof REASONS });
      expect(said.say).to.deep.equal(message('advice.notSure'));
      expect(said.more).to.deep.equal(more);
    });

  it('says of a bend or a shake that it moves', () => {
    const said = refusalInWords({ kind: 'not sure', reason: 'unsteady' });
    expect(said.say).to.deep.equal(message('advice.unsteady'));
  });

  it('names the strings that sounded at once where they are known', () => {
    const both = { kind: 'more than one string' } as unknown as Parameters<
      typeof refusalInWords
    >[0];
    expect(refusalInWords(both).say).to.deep.equal(message('advice.twoStrings'));
    expect(refusalInWords(both, [2, 5]).say).to.deep.equal(
      message('advice.twoStringsNamed', { strings: list([2, 5], 'and') }),
    );
  });

  it('names the hum, the hole and what is too quiet', () => {
    expect(refusalInWords({ kind: 'hum only', mainsHz: 60 }).say).to.deep.equal(
      message('advice.humOnly', { hz: 60 }),
    );
    expect(refusalInWords({ kind: 'interrupted' }).say).to.deep.equal(
      message('advice.interrupted'),
    );
    expect(refusalInWords({ kind: 'too quiet', levelDbfs: -70 }).say).to.deep.equal(
      message('advice.tooQuiet'),
    );
  });
});
