import { expect } from 'chai';
import type { Fault } from '../coach/index.ts';
import { faultInWords } from './faults.ts';

const TRACE = 'Trace the string to its peg with a finger.';

/** Every rule with its facts, and all that is said of it. */
const CASES: readonly (readonly [fault: Fault, say: string, more: string])[] = [
  [
    { rule: 'another string', heard: 2, chosen: 3 },
    'That sounds like string 2.',
    'You chose string 3: trace it with a finger, and mute the others.',
  ],
  [
    { rule: 'too slack', course: 4, tighten: 'clockwise' },
    'Too slack to be read. Take up the slack of string 4 first.',
    'Tighten, clockwise, until it gives a clear note, then pluck.',
  ],
  [
    { rule: 'wrong octave', octaves: -1, tighten: 'away from you', touched: false },
    'Right letter, an octave low. Tighten, away from you.',
    'The string should be firm under the finger, not floppy.',
  ],
  [
    { rule: 'wrong octave', octaves: 2, tighten: 'away from you', touched: false },
    'Right letter, 2 octaves high. Loosen at once, towards you.',
    'It is near to breaking: face away.',
  ],
  [
    { rule: 'wrong octave', octaves: 1, tighten: 'away from you', touched: true },
    'An octave high: a touched harmonic, or fret 12? Pluck it open.',
    'Keep the fingers of the other hand off the string.',
  ],
  [
    { rule: 'floppy or tight' },
    'Is the string floppy or tight?',
    'Floppy: tighten. Tight: loosen. When in doubt, loosen.',
  ],
  [
    { rule: 'wrong peg', moved: 2, by: 36.4, stuck: 3 },
    'String 2 moved by 36 cents, string 3 did not.',
    `That was the peg of string 2. ${TRACE}`,
  ],
  [
    { rule: 'wrong way', side: 'low', tighten: 'clockwise' },
    'The wrong way: it is further down. Tighten, clockwise.',
    'Turn back what you turned, then go on slowly.',
  ],
  [
    { rule: 'wrong way', side: 'high', tighten: 'clockwise' },
    'The wrong way: it is further up. Loosen, counter-clockwise.',
    'Turn back what you turned, then go on slowly.',
  ],
  [
    { rule: 'unheard turn', cents: 81.6 },
    'Sound it while you turn.',
    'It moved 82 cents unheard. Pluck, then turn as it rings.',
  ],
  [
    { rule: 'slips back', cents: 5.2 },
    'It slipped back 5 cents.',
    'Go below and come up once more. If it does so again, look at peg and winding.',
  ],
  [
    { rule: 'does not move' },
    'It does not move. Press it gently behind the nut, then pluck.',
    `If it stays as it is: is that its peg? ${TRACE}`,
  ],
  [
    { rule: 'sticks at the nut', jumped: 17.9 },
    'It sticks at the nut, then jumps: 18 cents. Go below, press behind the nut, pluck.',
    'A pencil’s graphite in the slot helps. Press after every turn.',
  ],
  [
    { rule: 'out of reach', course: 1, semitones: 7.02 },
    'String 1 cannot stand 7 semitones high: fretted or touched? Pluck it open.',
    'Keep the fingers of the other hand off the string.',
  ],
  [
    { rule: 'to and fro', tighten: 'away from you', turn: { turns: -0.06, guess: false } },
    'To and fro. Loosen, towards you, a sixteenth of a turn; then come up little by little.',
    'As little as you can at a time, always upward.',
  ],
  [
    { rule: 'to and fro', tighten: 'away from you', turn: null },
    'To and fro. Loosen, towards you; then come up little by little.',
    'As little as you can at a time, always upward.',
  ],
  [
    { rule: 'too fast', speed: 259.6 },
    'Slower: small turns near the note.',
    'It moved 260 cents a second.',
  ],
  [
    {
      rule: 'a semitone off',
      heard: 'G♯3',
      wanted: 'G3',
      high: true,
      tighten: 'towards you',
      turn: { turns: -0.25, guess: true },
    },
    'That is G♯3, not G3. Loosen, away from you, a quarter turn, at a guess.',
    'A semitone high: the sign beside the letter counts.',
  ],
  [
    {
      rule: 'a semitone off',
      heard: 'E♭4',
      wanted: 'E4',
      high: false,
      tighten: 'towards you',
      turn: null,
    },
    'That is E♭4, not E4. Tighten, towards you.',
    'A semitone low: the sign beside the letter counts.',
  ],
  [
    { rule: 'near breaking', course: 1, headroom: 2.13 },
    'Slowly: string 1 will stand 2.1 semitones from breaking.',
    'Face away. A lower tuning would be safer; another gauge of the same kind would not.',
  ],
  [
    { rule: 'no arrival', plucks: 9 },
    'Leave it for now and go on to the next string.',
    '9 plucks without arriving: a rested ear and hand do better.',
  ],
  [
    { rule: 'still moving', course: 5, passes: 3 },
    'String 5 still moves after 3 passes.',
    'A worn string, a slipping peg or a loose bridge: have it looked at.',
  ],
  [
    { rule: 'in tune with itself', cents: -18.2, ownA4: 435.4, a4: 440, semitones: 0 },
    'In tune with itself, 18 cents low.',
    'Keep it by setting A4 to 435.4 Hz, or bring all strings to 440 Hz.',
  ],
  [
    { rule: 'in tune with itself', cents: 7.6, ownA4: 441.9, a4: 440, semitones: 0 },
    'In tune with itself, 8 cents high.',
    'Keep it by setting A4 to 441.9 Hz, or bring all strings to 440 Hz.',
  ],
  [
    { rule: 'clipped' },
    'Too loud for the microphone. Pluck softer.',
    'Or move away from it, or turn its input down.',
  ],
  [
    { rule: 'hard pluck', cents: 6.4 },
    'Pluck softer, and read it once it has settled.',
    'A hard pluck begins sharp, this one by 6 cents.',
  ],
  [
    { rule: 'too faint' },
    'Faint. Come nearer or pluck a little harder.',
    'Readings are surer with a firm pluck.',
  ],
];

describe('what the coach says', () => {
  for (const [fault, say, more] of CASES)
    it(`${fault.rule}: ${say}`, () => {
      expect(faultInWords(fault)).to.deep.equal({ say, more });
    });
});
