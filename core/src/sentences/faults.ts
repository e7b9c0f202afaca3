import type { Fault, FaultFacts, Rule } from '../coach/index.ts';
import { message, type Sentence } from '../message.ts';
import { loosen } from '../strings/index.ts';
import { directionInWords, sizeInWords } from './turns.ts';

/** What the coach says of each mistake. */
const SENTENCES: { readonly [R in Rule]: (facts: FaultFacts[R]) => Sentence } = {
  'another string': ({ heard, chosen }) => ({
    say: message('advice.anotherString', { heard }),
    more: message('advice.anotherString.more', { chosen }),
  }),
  'too slack': ({ course, tighten }) => ({
    say: message('advice.tooSlack', { string: course }),
    more: message('advice.tooSlack.more', { way: directionInWords(tighten) }),
  }),
  'wrong octave': wrongOctave,
  'out of reach': ({ course, semitones }) => ({
    say: message('advice.outOfReach', { string: course, semitones: Math.round(semitones) }),
    more: message('advice.handOffString'),
  }),
  'floppy or tight': () => ({
    say: message('advice.floppyOrTight'),
    more: message('advice.floppyOrTight.more'),
  }),
  'wrong peg': ({ moved, by, stuck }) => ({
    say: message('advice.wrongPeg', { moved, cents: by, stuck }),
    more: message('advice.wrongPeg.more', { moved }),
  }),
  'wrong way': ({ side, tighten }) => ({
    say: message('advice.wrongWay', {
      side,
      way: directionInWords(side === 'low' ? tighten : loosen(tighten)),
    }),
    more: message('advice.wrongWay.more'),
  }),
  'unheard turn': ({ cents }) => ({
    say: message('advice.unheardTurn'),
    more: message('advice.unheardTurn.more', { cents }),
  }),
  'slips back': ({ cents }) => ({
    say: message('advice.slipsBack', { cents }),
    more: message('advice.slipsBack.more'),
  }),
  'does not move': () => ({
    say: message('advice.doesNotMove'),
    more: message('advice.doesNotMove.more'),
  }),
  'sticks at the nut': ({ jumped }) => ({
    say: message('advice.sticksAtNut', { cents: jumped }),
    more: message('advice.sticksAtNut.more'),
  }),
  'to and fro': ({ tighten, turn }) => ({
    say: turn
      ? message('advice.toAndFro', {
          way: directionInWords(loosen(tighten)),
          turn: sizeInWords(turn),
        })
      : message('advice.toAndFroNoTurn', { way: directionInWords(loosen(tighten)) }),
    more: message('advice.toAndFro.more'),
  }),
  'too fast': ({ speed }) => ({
    say: message('advice.tooFast'),
    more: message('advice.tooFast.more', { cents: speed }),
  }),
  'a semitone off': ({ heard, wanted, high, tighten, turn }) => {
    const side = high ? 'high' : 'low';
    const way = directionInWords(high ? loosen(tighten) : tighten);
    return {
      say: turn
        ? message('advice.semitoneOff', { side, heard, wanted, way, turn: sizeInWords(turn) })
        : message('advice.semitoneOffNoTurn', { side, heard, wanted, way }),
      more: message('advice.semitoneOff.more', { side }),
    };
  },
  'near breaking': ({ course, headroom }) => ({
    say: message('advice.nearBreaking', { string: course, semitones: headroom }),
    more: message('advice.nearBreaking.more'),
  }),
  'no arrival': ({ plucks }) => ({
    say: message('advice.noArrival'),
    more: message('advice.noArrival.more', { plucks }),
  }),
  'still moving': ({ course, passes }) => ({
    say: message('advice.stillMoving', { string: course, passes }),
    more: message('advice.stillMoving.more'),
  }),
  'in tune with itself': ({ cents, ownA4, a4, semitones }) => {
    if (semitones > 0)
      return {
        say: message('advice.capoOn', { semitones }),
        more: message('advice.capoOn.more', { semitones }),
      };
    if (semitones < 0)
      return {
        say: message('advice.keptLower', { semitones: -semitones }),
        more: message('advice.keptLower.more', { a4 }),
      };
    return {
      say: message('advice.withItself', {
        side: cents < 0 ? 'low' : 'high',
        cents: Math.abs(cents),
      }),
      more: message('advice.withItself.more', { ownA4, a4 }),
    };
  },
  clipped: () => ({
    say: message('advice.clipped'),
    more: message('advice.clipped.more'),
  }),
  'hard pluck': ({ cents }) => ({
    say: message('advice.hardPluck'),
    more: message('advice.hardPluck.more', { cents }),
  }),
  'too faint': () => ({
    say: message('advice.tooFaint'),
    more: message('advice.tooFaint.more'),
  }),
};

function wrongOctave({ octaves, tighten, touched }: FaultFacts['wrong octave']): Sentence {
  const size = Math.abs(octaves);
  if (touched)
    return {
      say: message('advice.octaveTouched', { octaves: size }),
      more: message('advice.handOffString'),
    };
  if (octaves < 0)
    return {
      say: message('advice.octaveLow', { octaves: size, way: directionInWords(tighten) }),
      more: message('advice.octaveLow.more'),
    };
  return {
    say: message('advice.octaveHigh', { octaves: size, way: directionInWords(loosen(tighten)) }),
    more: message('advice.octaveHigh.more'),
  };
}

/** What to say of a mistake, and what to do about it. */
export function faultInWords(fault: Fault): Sentence {
  const say = SENTENCES[fault.rule] as (facts: Fault) => Sentence;
  return say(fault);
}
