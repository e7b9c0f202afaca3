import { expect } from 'chai';
import type { Fault } from '../coach/index.ts';
import { message, noteValue, sentencesOf, type Text } from '../message.ts';
import { faultInWords } from './faults.ts';

/** Every rule with its facts, and all that is said of it. */
const CASES: readonly (readonly [fault: Fault, say: Text, more: Text])[] = [
  [
    { rule: 'another string', heard: 2, chosen: 3 },
    message('advice.anotherString', { heard: 2 }),
    message('advice.anotherString.more', { chosen: 3 }),
  ],
  [
    { rule: 'too slack', course: 4, tighten: 'clockwise' },
    message('advice.tooSlack', { string: 4 }),
    message('advice.tooSlack.more', { way: message('common.direction', { way: 'clockwise' }) }),
  ],
  [
    { rule: 'wrong octave', octaves: -1, tighten: 'awayFromYou', touched: false },
    message('advice.octaveLow', { octaves: 1, way: message('common.direction', { way: 'away' }) }),
    message('advice.octaveLow.more'),
  ],
  [
    { rule: 'wrong octave', octaves: 2, tighten: 'awayFromYou', touched: false },
    message('advice.octaveHigh', {
      octaves: 2,
      way: message('common.direction', { way: 'towards' }),
    }),
    message('advice.octaveHigh.more'),
  ],
  [
    { rule: 'wrong octave', octaves: 1, tighten: 'awayFromYou', touched: true },
    message('advice.octaveTouched', { octaves: 1 }),
    message('advice.handOffString'),
  ],
  [
    { rule: 'floppy or tight' },
    message('advice.floppyOrTight'),
    message('advice.floppyOrTight.more'),
  ],
  [
    { rule: 'wrong peg', moved: 2, by: 36.4, stuck: 3 },
    message('advice.wrongPeg', { moved: 2, cents: 36.4, stuck: 3 }),
    message('advice.wrongPeg.more', { moved: 2 }),
  ],
  [
    { rule: 'wrong way', side: 'low', tighten: 'clockwise' },
    message('advice.wrongWay', {
      side: 'low',
      way: message('common.direction', { way: 'clockwise' }),
    }),
    message('advice.wrongWay.more'),
  ],
  [
    { rule: 'wrong way', side: 'high', tighten: 'clockwise' },
    message('advice.wrongWay', {
      side: 'high',
      way: message('common.direction', { way: 'counter' }),
    }),
    message('advice.wrongWay.more'),
  ],
  [
    { rule: 'unheard turn', cents: 81.6 },
    message('advice.unheardTurn'),
    message('advice.unheardTurn.more', { cents: 81.6 }),
  ],
  [
    { rule: 'slips back', cents: 5.2 },
    message('advice.slipsBack', { cents: 5.2 }),
    message('advice.slipsBack.more'),
  ],
  [{ rule: 'does not move' }, message('advice.doesNotMove'), message('advice.doesNotMove.more')],
  [
    { rule: 'sticks at the nut', jumped: 17.9 },
    message('advice.sticksAtNut', { cents: 17.9 }),
    message('advice.sticksAtNut.more'),
  ],
  [
    { rule: 'out of reach', course: 1, semitones: 7.02 },
    message('advice.outOfReach', { string: 1, semitones: 7 }),
    message('advice.handOffString'),
  ],
  [
    { rule: 'to and fro', tighten: 'awayFromYou', turn: { turns: -0.06, guess: false } },
    message('advice.toAndFro', {
      way: message('common.direction', { way: 'towards' }),
      turn: message('common.turnSixteenth'),
    }),
    message('advice.toAndFro.more'),
  ],
  [
    { rule: 'to and fro', tighten: 'awayFromYou', turn: null },
    message('advice.toAndFroNoTurn', { way: message('common.direction', { way: 'towards' }) }),
    message('advice.toAndFro.more'),
  ],
  [
    { rule: 'too fast', speed: 259.6 },
    message('advice.tooFast'),
    message('advice.tooFast.more', { cents: 259.6 }),
  ],
  [
    {
      rule: 'a semitone off',
      heard: noteValue(56),
      wanted: noteValue(55),
      high: true,
      tighten: 'towardsYou',
      turn: { turns: -0.25, guess: true },
    },
    message('advice.semitoneOff', {
      side: 'high',
      heard: noteValue(56),
      wanted: noteValue(55),
      way: message('common.direction', { way: 'away' }),
      turn: message('common.turnGuessed', {
        size: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 2 }),
        }),
      }),
    }),
    message('advice.semitoneOff.more', { side: 'high' }),
  ],
  [
    {
      rule: 'a semitone off',
      heard: noteValue(63, 'flat'),
      wanted: noteValue(64),
      high: false,
      tighten: 'towardsYou',
      turn: null,
    },
    message('advice.semitoneOffNoTurn', {
      side: 'low',
      heard: noteValue(63, 'flat'),
      wanted: noteValue(64),
      way: message('common.direction', { way: 'towards' }),
    }),
    message('advice.semitoneOff.more', { side: 'low' }),
  ],
  [
    { rule: 'near breaking', course: 1, headroom: 2.13 },
    message('advice.nearBreaking', { string: 1, semitones: 2.13 }),
    message('advice.nearBreaking.more'),
  ],
  [
    { rule: 'no arrival', plucks: 9 },
    message('advice.noArrival'),
    message('advice.noArrival.more', { plucks: 9 }),
  ],
  [
    { rule: 'still moving', course: 5, passes: 3 },
    message('advice.stillMoving', { string: 5, passes: 3 }),
    message('advice.stillMoving.more'),
  ],
  [
    { rule: 'in tune with itself', cents: -18.2, ownA4: 435.4, a4: 440, semitones: 0 },
    message('advice.withItself', { side: 'low', cents: 18.2 }),
    message('advice.withItself.more', { ownA4: 435.4, a4: 440 }),
  ],
  [
    { rule: 'in tune with itself', cents: 7.6, ownA4: 441.9, a4: 440, semitones: 0 },
    message('advice.withItself', { side: 'high', cents: 7.6 }),
    message('advice.withItself.more', { ownA4: 441.9, a4: 440 }),
  ],
  [{ rule: 'clipped' }, message('advice.clipped'), message('advice.clipped.more')],
  [
    { rule: 'hard pluck', cents: 6.4 },
    message('advice.hardPluck'),
    message('advice.hardPluck.more', { cents: 6.4 }),
  ],
  [{ rule: 'too faint' }, message('advice.tooFaint'), message('advice.tooFaint.more')],
];

describe('what the coach says', () => {
  for (const [fault, say, more] of CASES)
    it(`${fault.rule}: ${sentencesOf(say)[0]?.id}`, () => {
      expect(faultInWords(fault)).to.deep.equal({ say, more });
    });
});
