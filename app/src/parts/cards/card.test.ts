import { saltmarshLibrary } from '@rosefinch/core/demo';
import { message } from '@rosefinch/core/message';
import { findTuning } from '@rosefinch/core/music';
import { DEFAULT_SETTINGS } from '@rosefinch/core/records';
import { begins, en, inTestLanguage, saying } from '@rosefinch/words/expected';
import { expect } from 'chai';
import type { Stock } from '../../data/index.ts';
import { cardOf, checkInWords, comparisonsOf, heldInWords } from './card.ts';

const tuning = (id: string) => findTuning(id)!;
const STANDARD = tuning('guitar-standard');
const guitar = saltmarshLibrary().find(({ tuningId }) => tuningId === STANDARD.id)!;
const stock = {
  instruments: [guitar],
  tunings: [STANDARD],
  settings: DEFAULT_SETTINGS,
} as unknown as Stock;

describe('the card of a tuning', () => {
  const card = cardOf(STANDARD, guitar, stock, inTestLanguage);

  it('has every string with its pitch, the sixth first', () => {
    expect(card.strings.map(({ course }) => course)).to.deep.equal([6, 5, 4, 3, 2, 1]);
    // Equal temperament from A4 440 Hz, to two places, as handbook tables print it.
    const TABLE = [82.41, 110, 146.83, 196, 246.94, 329.63];
    for (const [i, { hz }] of card.strings.entries()) expect(hz).to.be.closeTo(TABLE[i]!, 0.005);
    expect(card.about).to.match(/A4 440 Hz$/);
  });

  it('at home has no way to go', () => {
    expect(card.way).to.equal(null);
  });

  it('compares at the fifth fret, and at the fourth between the third string and the second', () => {
    // The way guitars are tuned by ear; common practice, no source.
    const said = card.checks.map((check) => inTestLanguage(checkInWords(check)));
    for (const [string, fret] of [
      [6, 5],
      [5, 5],
      [4, 5],
      [3, 4],
      [2, 5],
    ] as const) {
      const held = message('parts.held', { string, fret });
      const wanted = { apartBy: 'none', held, open: string - 1, cents: 0 } as const;
      expect(said).to.include(en('parts.checkSame', wanted));
    }
    expect(card.checks).to.have.length.within(5, 12);
    for (const { octaves } of card.checks) expect(octaves).to.equal(0);
  });

  it('says by how much harmonics are out, and where in a row it adds up', () => {
    // The fourth of three to four is 498.045 cents, 1.955 less than the tempered one.
    expect(card.harmonics).to.match(
      saying('parts.harmonicPair', { low: 6, lowFret: 5, high: 5, highFret: 7 }),
    );
    expect(card.harmonics).to.match(/−2\.0 /);
    expect(card.chain.length).to.be.above(2);
  });

  it('elsewhere tells the way from home, one string a step, lower strings down by what they sink', () => {
    const dropped = { ...STANDARD, id: 'dropped', name: 'Dropped' };
    const courses = STANDARD.courses.map((course, i) => (i === 5 ? [38] : course));
    const { way } = cardOf({ ...dropped, courses }, guitar, stock, inTestLanguage);
    expect(way?.from).to.equal(inTestLanguage.value(STANDARD.name));
    expect(way?.steps).to.have.length(1);
    expect(way?.steps[0]).to.match(begins('parts.onePegMoves', { way: 'down', string: 6 }));
  });

  it('with offsets leaves harmonics out, and says what a comparison is out by', () => {
    const temper = { kind: 'pure', root: 4, share: 1 } as const;
    const pure = { ...STANDARD, temper };
    const tempered = cardOf(pure, guitar, stock, inTestLanguage);
    expect(tempered.about).to.include(en('parts.pure'));
    expect([tempered.harmonics, tempered.chain]).to.deep.equal([null, []]);
    const half = cardOf(
      { ...pure, temper: { ...temper, share: 0.5 } },
      guitar,
      stock,
      inTestLanguage,
    );
    expect(half.about).to.include(en('parts.partlyPure', { percent: 50 }));
    const offset = (course: number) =>
      tempered.strings.find((string) => string.course === course)!.offset;
    for (const { held, open, apartCents } of tempered.checks)
      expect(apartCents).to.be.closeTo(offset(held.course) - offset(open), 1e-9);
  });

  it('gives octaves only where they are asked for, up to the fret that is asked for', () => {
    const all = comparisonsOf(STANDARD, guitar, 12, true);
    const unisons = comparisonsOf(STANDARD, guitar, 12, false);
    expect(all.length).to.be.above(unisons.length);
    for (const { held } of comparisonsOf(STANDARD, guitar, 5, true))
      expect(held.fret).to.be.at.most(5);
  });
});

describe('a comparison in words', () => {
  const check = (change: object) =>
    ({ held: { course: 4, fret: 4 }, open: 3, octaves: 0, apartCents: 0, ...change }) as never;
  const held = (fret: number) => message('parts.held', { fret, string: 4 });
  const same = (apartBy: 'none' | 'plus' | 'less', cents: number, fret = 4) =>
    message('parts.checkSame', { apartBy, held: held(fret), open: 3, cents });
  const octave = (distance: 'upOne' | 'downOne' | 'downTwo') =>
    message('parts.checkOctave', {
      apartBy: 'none',
      held: held(4),
      relation: message('common.relation', { distance }),
      open: 3,
      cents: 0,
    });
  for (const [change, words] of [
    [{}, same('none', 0)],
    [{ octaves: 1 }, octave('upOne')],
    [{ octaves: -1 }, octave('downOne')],
    [{ octaves: -2 }, octave('downTwo')],
    [{ apartCents: -13.7 }, same('less', 13.7)],
    [{ apartCents: 13.7 }, same('plus', 13.7)],
    [{ apartCents: 0.49 }, same('none', 0.49)],
    [{ apartCents: 0.5 }, same('plus', 0.5)],
    [{ held: { course: 4, fret: 0 } }, same('none', 0, 0)],
  ] as const)
    it(JSON.stringify(change), () => {
      expect(checkInWords(check(change))).to.deep.equal(words);
    });

  it('of a held string alone', () => {
    expect(heldInWords(check({}))).to.deep.equal(message('parts.held', { fret: 4, string: 4 }));
  });
});
