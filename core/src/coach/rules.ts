import type { Fault, FaultFacts, Rule } from './facts.ts';
import {
  doesNotMove,
  noArrival,
  slipsBack,
  sticksAtNut,
  stillMoving,
  toAndFro,
  tooFast,
  unheardTurn,
  wrongPeg,
  wrongWay,
} from './handRules.ts';
import type { CoachView, HeardPluck, Visit } from './heard.ts';
import {
  anotherString,
  floppyOrTight,
  inTuneWithItself,
  nearBreaking,
  outOfReach,
  semitoneOff,
  tooSlack,
  wrongOctave,
} from './pitchRules.ts';
import { clipped, hardPluck, tooFaint, unreadSlack } from './soundRules.ts';

type Detect<R extends Rule> = (visit: Visit) => FaultFacts[R] | null;

/** In the order in which they are said: what leads astray most comes first. */
const DETECT: { readonly [R in Rule]: Detect<R> } = {
  'another string': anotherString,
  'too slack': tooSlack,
  'wrong octave': wrongOctave,
  'out of reach': outOfReach,
  'floppy or tight': floppyOrTight,
  'wrong peg': wrongPeg,
  'wrong way': wrongWay,
  'unheard turn': unheardTurn,
  'slips back': slipsBack,
  'does not move': doesNotMove,
  'sticks at the nut': sticksAtNut,
  'to and fro': toAndFro,
  'too fast': tooFast,
  'a semitone off': semitoneOff,
  'near breaking': nearBreaking,
  'no arrival': noArrival,
  'still moving': stillMoving,
  'in tune with itself': inTuneWithItself,
  clipped,
  'hard pluck': hardPluck,
  'too faint': tooFaint,
};

/** Every rule as a way from a visit to its fault, in the order in which they are said. */
export const RULES: readonly ((visit: Visit) => Fault | null)[] = (
  Object.keys(DETECT) as Rule[]
).map((rule) => (visit) => {
  const facts = DETECT[rule](visit);
  return facts && ({ rule, ...facts } as Fault);
});

/** Plucks that give no reading: too loud ones, or those of a string too slack to sound. */
export function ofRefused(heard: readonly HeardPluck[], view: CoachView): Fault | null {
  if (heard.at(-1)?.clipped) return { rule: 'clipped' };
  const slack = unreadSlack(heard, view);
  return slack && { rule: 'too slack', ...slack };
}
