import { expect } from 'chai';
import {
  type FretReading,
  judgeNeck,
  neckOf,
  nextPlace,
  semitonesOf,
} from '../intonation/index.ts';
import { normal, seededRandom } from '../maths/index.ts';
import { findTuning, targetsOf } from '../music/index.ts';
import { findModel } from '../strings/index.ts';
import {
  compensationFor,
  depthOf,
  frettedCents,
  frettedRatio,
  frettedUnderCapo,
  MADE_NECK,
  type NeckFaults,
} from './fretting.ts';
import { PracticeInstrument } from './instrument.ts';

const STRING = { scaleMm: 648, totalMm: 760, tension: 72, stiffness: 10_000 };

describe('a neck as a maker leaves it', () => {
  it('has its octaves right under an ordinary finger, and its first frets a little sharp', () => {
    const neck = { ...MADE_NECK, saddleMm: compensationFor(STRING) };
    const at = (fret: number) => frettedCents(STRING, neck, fret, depthOf('normal', 0));
    expect(at(12)).to.be.closeTo(0, 1e-3);
    expect(at(1)).to.be.within(0.3, 6);
    // Common practice, no source: steel guitars are compensated by 1 to 4 mm.
    expect(neck.saddleMm).to.be.within(1, 4);
  });

  it('under a capo has every note sharp alike, and no slot in it', () => {
    const cents = (neck: NeckFaults, fret: number) =>
      1200 * Math.log2(frettedUnderCapo(STRING, neck, fret, 0.3)) - 100 * fret;
    const high: NeckFaults = { ...MADE_NECK, frets: {} };
    expect(cents(high, 1)).to.be.within(0.5, 15);
    // A fret that is out of its place is heard under a capo too.
    const moved = { ...MADE_NECK, frets: { 5: 1 } };
    expect(cents(moved, 5) - cents(MADE_NECK, 5)).to.be.within(2, 5);
    expect(cents(moved, 7)).to.be.closeTo(cents(MADE_NECK, 7), 0.5);
  });

  it('is longer by the finger alone where the capo has taken the slot out', () => {
    const soft = frettedUnderCapo(STRING, MADE_NECK, 7, 0.1);
    const hard = frettedUnderCapo(STRING, MADE_NECK, 7, 0.9);
    expect(hard).to.be.above(soft);
    expect(soft).to.be.above(frettedRatio(STRING, { ...MADE_NECK, firstMm: 0.02 }, 7, 0.1) * 0.99);
  });
});

describe('the practice instruments with nothing wrong', () => {
  for (const [model, tuning] of [
    ['steel-guitar', 'guitar-standard'],
    ['nylon-guitar', 'guitar-standard'],
    ['ukulele-concert', 'ukulele-standard'],
    ['banjo-five', 'banjo-open-g'],
  ] as const)
    it(`${model}: are not accused`, () => {
      const instrument = findModel(model)!.build('x', 'X');
      const targets = targetsOf(findTuning(tuning)!, 440).map(({ hz }) => hz);
      const neck = neckOf(instrument, targets);
      for (const seed of [1]) {
        const random = seededRandom(seed * 77);
        const practice = new PracticeInstrument({
          instrument,
          targets,
          detune: targets.map(() => 0),
          seed,
          sampleRate: 24_000,
          neck: MADE_NECK,
        });
        const readings: FretReading[] = [];
        let judgement = judgeNeck(neck, readings);
        for (;;) {
          if (readings.length >= 4 * neck.strings.length) judgement = judgeNeck(neck, readings);
          const asked = nextPlace(neck, readings, judgement);
          if (!asked) break;
          const { course, place } = asked;
          const start = neck.strings.find((s) => s.course === course)!.startFret;
          const off =
            place.kind !== 'fret'
              ? 0
              : practice.fretError(course, place.fret + start, place.pressure, place.capo) +
                0.4 * normal(random);
          const cents = 100 * semitonesOf(place) + off + 0.3 * normal(random);
          readings.push({ course, place, cents, errorCents: 0.3, at: 8000 * readings.length });
        }
        expect(judgement.verdict.kind, `seed ${seed}`).to.be.oneOf([
          'certified',
          'nothing to order',
        ]);
      }
    });
});
