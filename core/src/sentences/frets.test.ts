import { expect } from 'chai';
import type { Fault, FretPlace, FretVerdict, Part, Proof } from '../intonation/index.ts';
import { lengthValue, list, message, sentencesOf, signed, type Text } from '../message.ts';
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
  const PLACES: readonly (readonly [FretPlace, number, Text, Text])[] = [
    [{ kind: 'open' }, 0, message('frets.placeOpen'), message('frets.howOpen')],
    [
      { kind: 'harmonic' },
      0,
      message('frets.placeHarmonic', { fret: 12 }),
      message('frets.howHarmonic'),
    ],
    // A banjo's fifth string begins at the fifth fret; its middle lies over the seventeenth.
    [
      { kind: 'harmonic' },
      5,
      message('frets.placeHarmonic', { fret: 17 }),
      message('frets.howHarmonic'),
    ],
    [
      fret(7),
      0,
      message('frets.placeFret', { pressure: 'normal', fret: 7 }),
      message('frets.howFret', { pressure: 'normal' }),
    ],
    [
      fret(7, 'soft'),
      0,
      message('frets.placeFret', { pressure: 'soft', fret: 7 }),
      message('frets.howFret', { pressure: 'soft' }),
    ],
    [
      fret(2, 'hard'),
      5,
      message('frets.placeFret', { pressure: 'hard', fret: 7 }),
      message('frets.howFret', { pressure: 'hard' }),
    ],
  ];
  for (const [place, start, words, how] of PLACES)
    it(`${place.kind} ${JSON.stringify(place)} from ${start}`, () => {
      expect(placeInWords(place, start)).to.deep.equal(words);
      expect(sentencesOf(howInWords(place))[0]).to.deep.equal(how);
    });

  it('asks for one, and says when none is left', () => {
    const asked = { course: 4, place: fret(3) };
    expect(fretTaskInWords(asked, 0, false).say).to.deep.equal(
      message('frets.pluckPlace', {
        string: 4,
        place: message('frets.placeFret', { pressure: 'normal', fret: 3 }),
      }),
    );
    expect(fretTaskInWords(null, 0, false).say).to.deep.equal(message('frets.allRead'));
    expect(fretTaskInWords(null, 0, true)).to.deep.equal({
      say: message('frets.checkDone'),
      more: message('frets.allRead.more'),
    });
  });

  it('asks about a note that fits another place', () => {
    const asked = { course: 4, place: fret(12) };
    const say = (heard: number, string: number | null) =>
      otherPlaceInWords({ asked, heard, string }).say;
    expect(say(5, null)).to.deep.equal(
      message('frets.otherPlace', {
        heard: 5,
        place: message('frets.placeFret', { pressure: 'normal', fret: 12 }),
      }),
    );
    expect(say(5, 3)).to.deep.equal(
      message('frets.otherPlaceOrString', {
        heard: 5,
        string: 3,
        place: message('frets.placeFret', { pressure: 'normal', fret: 12 }),
      }),
    );
    expect(say(0, null)).to.deep.equal(
      message('frets.otherPlace', {
        heard: 0,
        place: message('frets.placeFret', { pressure: 'normal', fret: 12 }),
      }),
    );
  });
});

describe('what the frets show, in words', () => {
  const NAMES: readonly (readonly [Part, Text, Text])[] = [
    [
      { kind: 'saddle' },
      message('frets.partEnd', { end: 'bridge' }),
      message('frets.saddleStands', {
        way: 'far',
        size: message('frets.lengthRange', {
          middle: lengthValue(2.12, 1),
          low: lengthValue(1.61, 1, false),
          high: lengthValue(2.58, 1, false),
        }),
      }),
    ],
    [
      { kind: 'slant' },
      message('frets.partSlant', { end: 'bridge' }),
      message('frets.saddleSlants', {
        way: 'far',
        string: 3,
        size: message('frets.lengthRange', {
          middle: lengthValue(2.12, 1),
          low: lengthValue(1.61, 1, false),
          high: lengthValue(2.58, 1, false),
        }),
      }),
    ],
    [
      { kind: 'nut' },
      message('frets.partNut'),
      message('frets.nutStands', {
        way: 'far',
        size: message('frets.lengthRange', {
          middle: lengthValue(2.12, 1),
          low: lengthValue(1.61, 1, false),
          high: lengthValue(2.58, 1, false),
        }),
      }),
    ],
    [
      { kind: 'slots' },
      message('frets.partSlots'),
      message('frets.slotsHigh', {
        size: message('frets.lengthRange', {
          middle: lengthValue(2.12, 1),
          low: lengthValue(1.61, 1, false),
          high: lengthValue(2.58, 1, false),
        }),
      }),
    ],
    [
      { kind: 'slot', course: 3 },
      message('frets.partSlot', { string: 3 }),
      message('frets.slotHigh', {
        string: 3,
        size: message('frets.lengthRange', {
          middle: lengthValue(2.12, 1),
          low: lengthValue(1.61, 1, false),
          high: lengthValue(2.58, 1, false),
        }),
      }),
    ],
    [
      { kind: 'action' },
      message('frets.partAction'),
      message('frets.actionHigh', {
        size: message('frets.lengthRange', {
          middle: lengthValue(2.12, 1),
          low: lengthValue(1.61, 1, false),
          high: lengthValue(2.58, 1, false),
        }),
      }),
    ],
    [
      { kind: 'fret', fret: 7 },
      message('frets.partFret', { fret: 7 }),
      message('frets.fretStands', {
        way: 'far',
        fret: 7,
        size: message('frets.lengthRange', {
          middle: lengthValue(2.12, 1),
          low: lengthValue(1.61, 1, false),
          high: lengthValue(2.58, 1, false),
        }),
      }),
    ],
    [{ kind: 'hand' }, message('frets.partHand'), message('frets.handHeavy')],
    [
      { kind: 'string', course: 3 },
      message('frets.partString', { end: 'bridge', string: 3 }),
      message('frets.faultString', { end: 'saddle', string: 3 }),
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
    it(part.kind, () => {
      expect(partInWords(part, 'bridge')).to.deep.equal(name);
      const said = faultyPartInWords(
        fault(part, { middle: 2.12, low: 1.61, high: 2.58 }),
        'saddle',
      );
      expect(said.say).to.deep.equal(say);
      expect(said.more).to.deep.equal(
        part.kind === 'string'
          ? [
              message('frets.faultAt', {
                string: 3,
                fret: 12,
                cents: signed(8.2),
                range: list([signed(6.1), signed(10.4)], 'to'),
              }),
              message('frets.faultString.more'),
            ]
          : [
              message('frets.faultAt', {
                string: 3,
                fret: 12,
                cents: signed(8.2),
                range: list([signed(6.1), signed(10.4)], 'to'),
              }),
              message('frets.fault.more', { cents: 4 }),
            ],
      );
    });

  it('says the other way where a part stands the other way, and its interval from the smaller end', () => {
    const other = (kind: 'saddle' | 'nut') =>
      faultyPartInWords(fault({ kind }, { middle: -0.52, low: -0.7, high: -0.31 }), 'saddle').say;
    expect(other('saddle')).to.deep.equal(
      message('frets.saddleStands', {
        way: 'near',
        size: message('frets.lengthRange', {
          middle: lengthValue(0.52, 2),
          low: lengthValue(0.31, 2, false),
          high: lengthValue(0.7, 2, false),
        }),
      }),
    );
    expect(other('nut')).to.deep.equal(
      message('frets.nutStands', {
        way: 'near',
        size: message('frets.lengthRange', {
          middle: lengthValue(0.52, 2),
          low: lengthValue(0.31, 2, false),
          high: lengthValue(0.7, 2, false),
        }),
      }),
    );
    const crossing = fault({ kind: 'fret', fret: 2 }, { middle: -1.2, low: -2.2, high: 0.1 });
    expect(faultyPartInWords(crossing, 'saddle').say).to.deep.equal(
      message('frets.fretStands', {
        way: 'near',
        fret: 2,
        size: message('frets.lengthRange', {
          middle: lengthValue(1.2, 1),
          low: lengthValue(0, 1, false),
          high: lengthValue(2.2, 1, false),
        }),
      }),
    );
  });

  it('never mixes certified, nothing to order and at fault', () => {
    const say = (verdict: FretVerdict) => {
      const { say, more } = fretVerdictInWords(verdict, { limit: 5, end: 'saddle', only: null });
      return [...sentencesOf(say), ...sentencesOf(more)];
    };
    expect(say({ kind: 'begun' })).to.deep.equal([
      message('frets.begun'),
      message('frets.begun.more'),
    ]);
    expect(say({ kind: 'certified' })).to.deep.equal([
      message('frets.certified', { limit: 5 }),
      message('frets.certified.more'),
    ]);
    // Of two strings alone no more is said than of two.
    const two = { limit: 6, end: 'saddle', only: [2, 1] } as const;
    expect(fretVerdictInWords({ kind: 'certified' }, two).say).to.deep.equal(
      message('frets.certifiedSome', { count: 2, strings: list([2, 1]), limit: 6 }),
    );
    expect(
      fretVerdictInWords({ kind: 'nothing to order', off: [], within: 1 }, two).say,
    ).to.deep.equal(message('frets.nothingToOrderSome', { count: 2, strings: list([2, 1]) }));
    expect(say({ kind: 'nothing to order', off: [], within: 0.6 })).to.deep.equal([
      message('frets.nothingToOrder'),
      message('frets.nothingOff', { limit: 5 }),
    ]);
    const off = [4, 5, 6, 7].map((cents, i) => ({
      course: i + 1,
      fret: 1,
      cents: i === 2 ? -cents : cents,
    }));
    expect(say({ kind: 'nothing to order', off, within: 0.1 })).to.deep.equal([
      message('frets.nothingToOrder'),
      message('frets.notesOff', {
        notes: list([
          message('frets.noteOff', {
            side: 'sharp',
            string: 4,
            fret: 1,
            distance: message('common.cents', { cents: 7 }),
          }),
          message('frets.noteOff', {
            side: 'flat',
            string: 3,
            fret: 1,
            distance: message('common.cents', { cents: 6 }),
          }),
          message('frets.noteOff', {
            side: 'sharp',
            string: 2,
            fret: 1,
            distance: message('common.cents', { cents: 5 }),
          }),
        ]),
        more: 1,
      }),
      message('frets.usualForBuild'),
    ]);
    const likely = [
      fault({ kind: 'saddle' }, null),
      { ...fault({ kind: 'nut' }, null), share: 0.05 },
    ];
    expect(say({ kind: 'undecided', likely, unheard: [4, 6], farFromNut: [] })).to.deep.equal([
      message('frets.undecided'),
      message('frets.mayBe', {
        parts: list(
          [
            message('frets.partChance', {
              part: message('frets.partEnd', { end: 'saddle' }),
              percent: 99,
            }),
          ],
          'or',
        ),
      }),
      message('frets.missing', {
        places: list(
          [message('frets.missingFrets', { count: 2, frets: list([4, 6]) })],
          'semicolons',
        ),
      }),
    ]);
    expect(say({ kind: 'undecided', likely: [], unheard: [], farFromNut: [] })).to.deep.equal([
      message('frets.undecided'),
      message('frets.nothingStandsOut'),
    ]);
    expect(say({ kind: 'undecided', likely: [], unheard: [4], farFromNut: [5, 2] })).to.deep.equal([
      message('frets.undecided'),
      message('frets.nothingStandsOut'),
      message('frets.missing', {
        places: list(
          [
            message('frets.missingFrets', { count: 1, frets: list([4]) }),
            message('frets.missingStrings', { count: 2, strings: list([5, 2]) }),
          ],
          'semicolons',
        ),
      }),
    ]);
    expect(say({ kind: 'at fault', faults: likely })).to.deep.equal([
      message('frets.atFault', { count: 2 }),
    ]);
  });

  it('says what the finger does where it was read', () => {
    expect(touchInWords({ soft: null, hard: null })).to.equal(null);
    expect(touchInWords({ soft: -3.21, hard: null })).to.deep.equal([
      message('frets.lightTakes', { cents: 3.21 }),
    ]);
    expect(touchInWords({ soft: -0.4, hard: 0.2 })).to.deep.equal([
      message('frets.lightLittle'),
      message('frets.hardLittle'),
    ]);
    expect(touchInWords({ soft: null, hard: 5 })).to.deep.equal([
      message('frets.hardAdds', { cents: 5 }),
    ]);
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
    expect(say(proof('done')).say).to.deep.equal(
      message('frets.proofDone', { part: message('frets.partEnd', { end: 'saddle' }) }),
    );
    expect(say(proof('half done', { kind: 'nut' }))).to.deep.equal({
      say: message('frets.proofHalf', { percent: 53 }),
      more: [
        message('frets.proof.more', {
          string: 2,
          fret: 12,
          before: signed(9),
          after: signed(4.2),
          error: 0.81,
        }),
        message('frets.nowOff', { part: message('frets.partNut') }),
      ],
    });
    expect(say(proof('not done')).say).to.deep.equal(
      message('frets.proofNot', { part: message('frets.partEnd', { end: 'saddle' }) }),
    );
    expect(say(proof('too much')).say).to.deep.equal(
      message('frets.proofTooMuch', { part: message('frets.partEnd', { end: 'saddle' }) }),
    );
    expect(say(proof('more plucks')).say).to.deep.equal(
      message('frets.wasItPutRight', { part: message('frets.partEnd', { end: 'saddle' }) }),
    );
  });

  it('asks for a capo, and to take it off again', () => {
    const capo = (fretNumber: number): FretPlace => ({
      kind: 'fret',
      fret: fretNumber,
      pressure: 'normal',
      capo: true,
    });
    expect(placeInWords(capo(1), 0)).to.deep.equal(message('frets.placeCapoOpen', { fret: 1 }));
    expect(placeInWords(capo(9), 0)).to.deep.equal(
      message('frets.placeFretCapo', { pressure: 'normal', fret: 9 }),
    );
    expect(howInWords(capo(1))).to.deep.equal(message('frets.howCapo'));
    const task = (place: FretPlace) => fretTaskInWords({ course: 3, place }, 0, false, true).more;
    expect(task(fret(5))).to.deep.equal([
      message('frets.capoOffFirst'),
      message('frets.howFret', { pressure: 'normal' }),
    ]);
    expect(task(capo(5))).to.deep.equal([message('frets.howFret', { pressure: 'normal' })]);
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
    expect(of(true)).to.deep.equal(message('frets.compromise', { before: 9.4, after: 5.12 }));
    expect(of(false)).to.deep.equal(message('frets.noCompromise'));
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
    expect(bridgeInWords([end(4, 0.1, true), end(1, 0, true)])).to.deep.equal(
      message('frets.bridgeRight'),
    );
    expect(bridgeInWords([end(4, 3.44), end(1, 0, true)])).to.deep.equal([
      message('frets.endMoves', {
        string: 4,
        move: message('frets.move', {
          way: 'away',
          size: lengthValue(3.44, 1, false),
          error: lengthValue(0.26, 1),
        }),
      }),
      message('frets.endStays', { string: 1 }),
    ]);
    expect(bridgeInWords([end(4, 0, true), end(1, -1.2)])).to.deep.equal([
      message('frets.endStays', { string: 4 }),
      message('frets.endMoves', {
        string: 1,
        move: message('frets.move', {
          way: 'towards',
          size: lengthValue(1.2, 1, false),
          error: lengthValue(0.26, 1),
        }),
      }),
    ]);
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
    expect(saddlesInWords([saddle(2, 0.1, true)])).to.deep.equal(message('frets.saddlesRight'));
    expect(saddlesInWords([saddle(2, 1.1), saddle(1, 0.1, true)])).to.deep.equal(
      message('frets.saddlesMove', { count: 1, strings: list([2]) }),
    );
    expect(saddlesInWords([saddle(2, 1.1), saddle(1, -0.9)])).to.deep.equal(
      message('frets.saddlesMove', { count: 2, strings: list([2, 1]) }),
    );
    // A screw of 0.7 mm a turn: 1.4 mm are two turns.
    expect(saddleInWords(saddle(2, -1.4), 0.7)).to.deep.equal(
      message('frets.saddleMovesTurns', {
        string: 2,
        move: message('frets.move', {
          way: 'towards',
          size: lengthValue(1.4, 1, false),
          error: lengthValue(0.21, 1),
        }),
        turns: 2,
      }),
    );
    expect(saddleInWords(saddle(2, 1.4), null)).to.deep.equal(
      message('frets.saddleMoves', {
        string: 2,
        move: message('frets.move', {
          way: 'away',
          size: lengthValue(1.4, 1, false),
          error: lengthValue(0.21, 1),
        }),
      }),
    );
    expect(saddleInWords(saddle(3, 0.1, true), 0.7)).to.deep.equal(
      message('frets.saddleStays', { string: 3 }),
    );
  });

  it('says why a pluck is no reading of its place', () => {
    const say = (notice: Parameters<typeof fretNoticeInWords>[0]) =>
      sentencesOf(fretNoticeInWords(notice).say);
    expect(say({ kind: 'refused', refusal: { kind: 'hum only', mainsHz: 50 } })).to.deep.equal([
      message('advice.humOnly', { hz: 50 }),
    ]);
    expect(say({ kind: 'other world', begun: 'real' })).to.deep.equal([
      message('frets.otherWorld', { begun: 'real' }),
    ]);
    expect(say({ kind: 'other world', begun: 'practice' })).to.deep.equal([
      message('frets.otherWorld', { begun: 'practice' }),
    ]);
    expect(say({ kind: 'another string', heard: 2, asked: 3 })).to.deep.equal([
      message('frets.anotherString', { heard: 2 }),
    ]);
    expect(say({ kind: 'not open', asked: 3, cents: 41.6 })).to.deep.equal([
      message('frets.notOpen', { string: 3 }),
    ]);
  });
});
