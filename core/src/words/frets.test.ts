import { expect } from 'chai';
import type { Fault, FretPlace, FretVerdict, Part, Proof } from '../intonation/index.ts';
import {
  bridgeInWords,
  compromiseInWords,
  faultyPartInWords,
  fretNoticeInWords,
  fretTaskInWords,
  fretVerdictInWords,
  howInWords,
  otherPlaceInWords,
  partInWords,
  placeInWords,
  proofInWords,
  saddleInWords,
  saddlesInWords,
  touchInWords,
} from './frets.ts';

const fret = (number: number, pressure: 'soft' | 'normal' | 'hard' = 'normal'): FretPlace => ({
  kind: 'fret',
  fret: number,
  pressure,
});
describe('places on the neck in words', () => {
  const PLACES: readonly (readonly [FretPlace, number, string, RegExp])[] = [
    [{ kind: 'open' }, 0, 'open', /^Nothing held/],
    [{ kind: 'harmonic' }, 0, 'touched over fret 12', /do not press/],
    // A banjo's fifth string begins at the fifth fret; its middle lies over the seventeenth.
    [{ kind: 'harmonic' }, 5, 'touched over fret 17', /do not press/],
    [fret(7), 0, 'fret 7', /^Held as in playing/],
    [fret(7, 'soft'), 0, 'fret 7, soft', /^As lightly/],
    [fret(2, 'hard'), 5, 'fret 7, hard', /^Pressed as hard/],
  ];
  for (const [place, start, words, how] of PLACES)
    it(words, () => {
      expect(placeInWords(place, start)).to.equal(words);
      expect(howInWords(place)).to.match(how);
    });

  it('asks for one, and says when none is left', () => {
    const asked = { course: 4, place: fret(3) };
    expect(fretTaskInWords(asked, 0, false).say).to.equal('String 4, fret 3: pluck it.');
    expect(fretTaskInWords(null, 0, false).say).to.equal('Every place is read.');
    expect(fretTaskInWords(null, 0, true)).to.deep.equal({
      say: 'This check is done.',
      more: 'W shows what it comes to.',
    });
  });

  it('asks about a note that fits another place', () => {
    const asked = { course: 4, place: fret(12) };
    const say = (heard: number, string: number | null) =>
      otherPlaceInWords({ asked, heard, string }).say;
    expect(say(5, null)).to.equal('That sounded like fret 5, not fret 12.');
    expect(say(5, 3)).to.equal('That sounded like fret 5, or string 3 open, not fret 12.');
    expect(say(0, null)).to.equal('That sounded like the open string, not fret 12.');
  });
});

describe('what the frets show, in words', () => {
  const NAMES: readonly (readonly [Part, string, string])[] = [
    [
      { kind: 'saddle' },
      'the place of the bridge',
      'The saddle stands too far from the nut: 2.1 mm (1.6 to 2.6).',
    ],
    [
      { kind: 'slant' },
      'the slant of the bridge',
      'The saddle slants: under string 3 it stands too far from the nut by 2.1 mm (1.6 to 2.6), at the other side the other way.',
    ],
    [
      { kind: 'nut' },
      'the place of the nut',
      'The nut stands too far from the first fret: 2.1 mm (1.6 to 2.6).',
    ],
    [
      { kind: 'slots' },
      'the height of the nut slots',
      'The nut slots are too high: 2.1 mm (1.6 to 2.6) above what is usual.',
    ],
    [
      { kind: 'slot', course: 3 },
      'the nut slot of string 3',
      'The nut slot of string 3 is too high: 2.1 mm (1.6 to 2.6) above what is usual.',
    ],
    [
      { kind: 'action' },
      'the height of the strings',
      'The strings lie too high: 2.1 mm (1.6 to 2.6) above what is usual over fret 12.',
    ],
    [
      { kind: 'fret', fret: 7 },
      'fret 7',
      'Fret 7 stands too near the bridge: 2.1 mm (1.6 to 2.6).',
    ],
    [{ kind: 'hand' }, 'a heavy finger', 'A heavy finger.'],
    [
      { kind: 'string', course: 3 },
      'string 3 itself, or its point on the bridge',
      'String 3 itself, or its point on the saddle: no reading tells the two apart.',
    ],
  ];
  const fault = (part: Part, mm: Fault['mm']): Fault => ({
    part,
    share: 0.99,
    cents: 8.2,
    low: 6.1,
    high: 10.4,
    at: { course: 3, fret: 12 },
    mm,
    worst: 9.4,
    worstAfter: 3.7,
  });
  for (const [part, name, say] of NAMES)
    it(say, () => {
      expect(partInWords(part, 'bridge')).to.equal(name);
      const said = faultyPartInWords(
        fault(part, { middle: 2.12, low: 1.61, high: 2.58 }),
        'saddle',
      );
      expect(said.say).to.equal(say);
      expect(said.more).to.match(
        /^String 3 at fret 12 is \+8\.2 cents \(\+6\.1 to \+10\.4\) by it\./,
      );
      expect(said.more).to.match(
        part.kind === 'string' ? /Fit a new string/ : /lie within 4 cents\./,
      );
    });

  it('says the other way where a part stands the other way, and its interval from the smaller end', () => {
    const other = (kind: 'saddle' | 'nut') =>
      faultyPartInWords(fault({ kind }, { middle: -0.52, low: -0.7, high: -0.31 }), 'saddle').say;
    expect(other('saddle')).to.equal('The saddle stands too near the nut: 0.52 mm (0.31 to 0.70).');
    expect(other('nut')).to.equal(
      'The nut stands too near the first fret: 0.52 mm (0.31 to 0.70).',
    );
    const crossing = fault({ kind: 'fret', fret: 2 }, { middle: -1.2, low: -2.2, high: 0.1 });
    expect(faultyPartInWords(crossing, 'saddle').say).to.equal(
      'Fret 2 stands too near the nut: 1.2 mm (0.0 to 2.2).',
    );
  });

  it('never mixes certified, nothing to order and at fault', () => {
    const say = (verdict: FretVerdict) =>
      Object.values(fretVerdictInWords(verdict, { limit: 5, end: 'saddle', only: null })).join(' ');
    expect(say({ kind: 'begun' })).to.match(/^Nothing is told yet/);
    expect(say({ kind: 'certified' })).to.equal(
      'Every note is within 5 cents. Frets 1 to 12 were heard. Nothing to order.',
    );
    // Of two strings alone no more is said than of two.
    const two = { limit: 6, end: 'saddle', only: [2, 1] } as const;
    expect(fretVerdictInWords({ kind: 'certified' }, two).say).to.equal(
      'Every note of strings 2, 1 is within 6 cents.',
    );
    expect(fretVerdictInWords({ kind: 'nothing to order', off: [], within: 1 }, two).say).to.equal(
      'Nothing to order on strings 2, 1.',
    );
    expect(say({ kind: 'nothing to order', off: [], within: 0.6 })).to.match(
      /^Nothing to order: no part is at fault\. No note is shown to be off by more than 5 cents\.$/,
    );
    const off = [4, 5, 6, 7].map((cents, i) => ({
      course: i + 1,
      fret: 1,
      cents: i === 2 ? -cents : cents,
    }));
    expect(say({ kind: 'nothing to order', off, within: 0.1 })).to.equal(
      'Nothing to order: no part is at fault. String 4 at fret 1 is 7.0 cents sharp, string 3 at fret 1 is 6.0 cents flat, string 2 at fret 1 is 5.0 cents sharp, and 1 more. Instruments of this build are so.',
    );
    const likely = [
      fault({ kind: 'saddle' }, null),
      { ...fault({ kind: 'nut' }, null), share: 0.05 },
    ];
    expect(say({ kind: 'undecided', likely, unheard: [4, 6], farFromNut: [] })).to.equal(
      'Not decided yet. It may be the place of the saddle (99 %). Not heard yet: frets 4, 6.',
    );
    expect(say({ kind: 'undecided', likely: [], unheard: [], farFromNut: [] })).to.equal(
      'Not decided yet. Nothing stands out so far.',
    );
    expect(say({ kind: 'undecided', likely: [], unheard: [4], farFromNut: [5, 2] })).to.match(
      /Not heard yet: fret 4; strings 5, 2 at fret 1\.$/,
    );
    expect(say({ kind: 'at fault', faults: likely })).to.match(/^More than one part/);
  });

  it('says what the finger does where it was read', () => {
    expect(touchInWords({ soft: null, hard: null })).to.equal(null);
    expect(touchInWords({ soft: -3.21, hard: null })).to.match(/takes 3\.2 cents off fret 12/);
    expect(touchInWords({ soft: -0.4, hard: 0.2 })).to.equal(
      'a lighter one changes little. A hard one changes little.',
    );
    expect(touchInWords({ soft: null, hard: 5 })).to.equal('A hard one adds 5.0 cents.');
  });

  it('says what came of an order', () => {
    const ordered = { part: { kind: 'saddle' }, cents: 9, at: { course: 2, fret: 12 } } as const;
    const proof = (kind: Proof['kind'], moved: Part | null = null): Proof => ({
      kind,
      cents: 4.2,
      errorCents: 0.81,
      share: 0.53,
      moved,
    });
    const say = (one: Proof) => proofInWords(one, ordered, 'saddle');
    expect(say(proof('done')).say).to.equal('Done: the place of the saddle is put right.');
    expect(say(proof('half done', { kind: 'nut' }))).to.deep.equal({
      say: 'Half done: 53 % of what was ordered.',
      more: 'String 2 at fret 12 was +9.0 cents by it, and is +4.2 ± 0.8. Something else is off now: the place of the nut.',
    });
    expect(say(proof('not done')).say).to.match(/^Not done: the place of the saddle is as it was/);
    expect(say(proof('too much')).say).to.match(/off the other way now\.$/);
    expect(say(proof('more plucks')).say).to.equal('Was the place of the saddle put right?');
  });

  it('asks for a capo, and to take it off again', () => {
    const capo = (fretNumber: number): FretPlace => ({
      kind: 'fret',
      fret: fretNumber,
      pressure: 'normal',
      capo: true,
    });
    expect(placeInWords(capo(1), 0)).to.equal('open behind a capo at fret 1');
    expect(placeInWords(capo(9), 0)).to.equal('fret 9, the capo on');
    expect(howInWords(capo(1))).to.match(/^Put a capo close behind the fret/);
    const task = (place: FretPlace) => fretTaskInWords({ course: 3, place }, 0, false, true).more;
    expect(task(fret(5))).to.match(/^Take the capo off first\. Held as in playing/);
    expect(task(capo(5))).to.match(/^Held as in playing/);
  });

  it('offers a compromise or says that none helps', () => {
    const outcome = (worstBefore: number, worstAfter: number) => ({
      name: 'C',
      before: [],
      after: [],
      worstBefore,
      worstAfter,
    });
    const of = (offered: boolean) =>
      compromiseInWords({
        offered,
        offsets: [],
        outcomes: [outcome(9.4, 4), outcome(6, 5.12)],
        worstGain: 4,
        meanGain: 3,
        errorCents: 1,
      });
    expect(of(true)).to.equal(
      'Detuned so, the widest pair comes from 9.4 to 5.1 cents, and no chord is worse.',
    );
    expect(of(false)).to.match(/^No compromise helps/);
  });

  it('says of a loose bridge how each end moves', () => {
    const end = (course: number, mm: number, right = false) => ({
      course,
      mm,
      errorMm: 0.26,
      sharp: 2.4 * mm,
      errorCents: 0.7,
      right,
    });
    expect(bridgeInWords([end(4, 0.1, true), end(1, 0, true)])).to.equal(
      'The bridge stands right. Mark its place.',
    );
    expect(bridgeInWords([end(4, 3.44), end(1, 0, true)])).to.equal(
      'The end under string 4 moves 3.4 ± 0.3 mm away from the nut; the end under string 1 stays.',
    );
    expect(bridgeInWords([end(4, 0, true), end(1, -1.2)])).to.equal(
      'The end under string 4 stays; the end under string 1 moves 1.2 ± 0.3 mm towards the nut.',
    );
  });

  it('says of saddles of their own which move, and by how many turns of a screw', () => {
    const saddle = (course: number, mm: number, right = false) => ({
      course,
      mm,
      errorMm: 0.21,
      sharp: 2.7 * mm,
      errorCents: 0.5,
      right,
    });
    expect(saddlesInWords([saddle(2, 0.1, true)])).to.equal('Every saddle stands right.');
    expect(saddlesInWords([saddle(2, 1.1), saddle(1, 0.1, true)])).to.equal(
      'The saddle of string 2 is to be moved.',
    );
    expect(saddlesInWords([saddle(2, 1.1), saddle(1, -0.9)])).to.equal(
      'The saddles of strings 2, 1 are to be moved.',
    );
    // A screw of 0.7 mm a turn: 1.4 mm are two turns.
    expect(saddleInWords(saddle(2, -1.4), 0.7)).to.equal(
      'String 2 moves 1.4 ± 0.2 mm towards the nut: 2.0 turns of its screw.',
    );
    expect(saddleInWords(saddle(2, 1.4), null)).to.equal(
      'String 2 moves 1.4 ± 0.2 mm away from the nut.',
    );
    expect(saddleInWords(saddle(3, 0.1, true), 0.7)).to.equal('String 3 stays.');
  });

  it('says why a pluck is no reading of its place', () => {
    const say = (notice: Parameters<typeof fretNoticeInWords>[0]) =>
      Object.values(fretNoticeInWords(notice)).join(' ');
    expect(say({ kind: 'refused', refusal: { kind: 'hum only', mainsHz: 50 } })).to.match(/50 Hz/);
    expect(say({ kind: 'other world', begun: 'real' })).to.match(/on the real instrument\./);
    expect(say({ kind: 'other world', begun: 'practice' })).to.match(/begun in practice\./);
    expect(say({ kind: 'another string', heard: 2, asked: 3 })).to.match(
      /like string 2\. String 3 open is asked for/,
    );
    expect(say({ kind: 'not open', asked: 3, cents: 41.6 })).to.match(
      /not string 3 open\. It lay 42 cents from its note/,
    );
  });
});
