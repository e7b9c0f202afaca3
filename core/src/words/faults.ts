import type { Fault, FaultFacts, Rule } from '../coach/index.ts';
import { loosen } from '../strings/index.ts';
import { fixed } from '../writing.ts';
import { counted } from './figures.ts';
import { capital, type Sentence } from './sentence.ts';
import { sizeInWords } from './turns.ts';

const TRACE = 'Trace the string to its peg with a finger.';

/** What the coach says of each mistake. */
const WORDS: { readonly [R in Rule]: (facts: FaultFacts[R]) => Sentence } = {
  'another string': ({ heard, chosen }) => ({
    say: `That sounds like string ${heard}.`,
    more: `You chose string ${chosen}: trace it with a finger, and mute the others.`,
  }),
  'too slack': ({ course, tighten }) => ({
    say: `Too slack to be read. Take up the slack of string ${course} first.`,
    more: `Tighten, ${tighten}, until it gives a clear note, then pluck.`,
  }),
  'wrong octave': wrongOctave,
  'out of reach': ({ course, semitones }) => ({
    say: `String ${course} cannot stand ${counted(Math.round(semitones), 'semitone')} high: fretted or touched? Pluck it open.`,
    more: 'Keep the fingers of the other hand off the string.',
  }),
  'floppy or tight': () => ({
    say: 'Is the string floppy or tight?',
    more: 'Floppy: tighten. Tight: loosen. When in doubt, loosen.',
  }),
  'wrong peg': ({ moved, by, stuck }) => ({
    say: `String ${moved} moved by ${fixed(by)} cents, string ${stuck} did not.`,
    more: `That was the peg of string ${moved}. ${TRACE}`,
  }),
  'wrong way': ({ side, tighten }) => ({
    say: `The wrong way: it is further ${side === 'low' ? 'down' : 'up'}. ${wayBack(side, tighten)}.`,
    more: 'Turn back what you turned, then go on slowly.',
  }),
  'unheard turn': ({ cents }) => ({
    say: 'Sound it while you turn.',
    more: `It moved ${fixed(cents)} cents unheard. Pluck, then turn as it rings.`,
  }),
  'slips back': ({ cents }) => ({
    say: `It slipped back ${fixed(cents)} cents.`,
    more: 'Go below and come up once more. If it does so again, look at peg and winding.',
  }),
  'does not move': () => ({
    say: 'It does not move. Press it gently behind the nut, then pluck.',
    more: `If it stays as it is: is that its peg? ${TRACE}`,
  }),
  'sticks at the nut': ({ jumped }) => ({
    say: `It sticks at the nut, then jumps: ${fixed(jumped)} cents. Go below, press behind the nut, pluck.`,
    more: 'A pencil’s graphite in the slot helps. Press after every turn.',
  }),
  'to and fro': ({ tighten, turn }) => ({
    say: `To and fro. Loosen, ${loosen(tighten)}${turn ? `, ${sizeInWords(turn)}` : ''}; then come up little by little.`,
    more: 'As little as you can at a time, always upward.',
  }),
  'too fast': ({ speed }) => ({
    say: 'Slower: small turns near the note.',
    more: `It moved ${fixed(speed)} cents a second.`,
  }),
  'a semitone off': ({ heard, wanted, high, tighten, turn }) => ({
    say: `That is ${heard}, not ${wanted}. ${wayBack(high ? 'high' : 'low', tighten)}${turn ? `, ${sizeInWords(turn)}` : ''}.`,
    more: `A semitone ${high ? 'high' : 'low'}: the sign beside the letter counts.`,
  }),
  'near breaking': ({ course, headroom }) => ({
    say: `Slowly: string ${course} will stand ${fixed(headroom, 1)} semitones from breaking.`,
    more: 'Face away. A lower tuning would be safer; another gauge of the same kind would not.',
  }),
  'no arrival': ({ plucks }) => ({
    say: 'Leave it for now and go on to the next string.',
    more: `${plucks} plucks without arriving: a rested ear and hand do better.`,
  }),
  'still moving': ({ course, passes }) => ({
    say: `String ${course} still moves after ${passes} passes.`,
    more: 'A worn string, a slipping peg or a loose bridge: have it looked at.',
  }),
  'in tune with itself': ({ cents, ownA4, a4, semitones }) => {
    if (semitones > 0)
      return {
        say: `Every string is ${counted(semitones, 'semitone')} high. Is a capo on?`,
        more: `Take it off, or say so: capo at fret ${semitones}.`,
      };
    if (semitones < 0)
      return {
        say: `Every string is ${counted(-semitones, 'semitone')} low. Is it kept lower?`,
        more: `Then choose that tuning; or bring all strings up to ${a4} Hz, slowly.`,
      };
    return {
      say: `In tune with itself, ${fixed(Math.abs(cents))} cents ${cents < 0 ? 'low' : 'high'}.`,
      more: `Keep it by setting A4 to ${fixed(ownA4, 1)} Hz, or bring all strings to ${a4} Hz.`,
    };
  },
  clipped: () => ({
    say: 'Too loud for the microphone. Pluck softer.',
    more: 'Or move away from it, or turn its input down.',
  }),
  'hard pluck': ({ cents }) => ({
    say: 'Pluck softer, and read it once it has settled.',
    more: `A hard pluck begins sharp, this one by ${fixed(cents)} cents.`,
  }),
  'too faint': () => ({
    say: 'Faint. Come nearer or pluck a little harder.',
    more: 'Readings are surer with a firm pluck.',
  }),
};

function wrongOctave({ octaves, tighten, touched }: FaultFacts['wrong octave']): Sentence {
  const many = Math.abs(octaves) === 1 ? 'an octave' : `${Math.abs(octaves)} octaves`;
  if (touched)
    return {
      say: `${capital(many)} high: a touched harmonic, or fret 12? Pluck it open.`,
      more: 'Keep the fingers of the other hand off the string.',
    };
  if (octaves < 0)
    return {
      say: `Right letter, ${many} low. Tighten, ${tighten}.`,
      more: 'The string should be firm under the finger, not floppy.',
    };
  return {
    say: `Right letter, ${many} high. Loosen at once, ${loosen(tighten)}.`,
    more: 'It is near to breaking: face away.',
  };
}

function wayBack(side: 'low' | 'high', tighten: FaultFacts['wrong way']['tighten']): string {
  return side === 'low' ? `Tighten, ${tighten}` : `Loosen, ${loosen(tighten)}`;
}

/** What to say of a mistake, and what to do about it. */
export function faultInWords(fault: Fault): Sentence {
  const say = WORDS[fault.rule] as (facts: Fault) => Sentence;
  return say(fault);
}
