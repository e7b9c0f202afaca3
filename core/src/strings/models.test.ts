import { expect } from 'chai';
import { findTuning, targetsOf } from '../music/index.ts';
import { findModel, headroom, MODELS, soundingLength, startFret, tensionOf } from './index.ts';

describe('models', () => {
  for (const model of MODELS)
    it(`${model.id}: as many strings as its tuning, tensions a hand knows, room to spare`, () => {
      const instrument = model.build('x', 'X');
      const tuning = findTuning(instrument.tuningId)!;
      expect(tuning.kind).to.equal(instrument.kind);
      expect(tuning.courses.length).to.equal(instrument.courses.length);
      for (const { course, hz } of targetsOf(tuning, 440)) {
        const { spec } = instrument.courses[course - 1]!.strings[0]!;
        const length = soundingLength(instrument, course);
        // Common practice, no source: nylon 20 to 90 N, steel 40 to 140 N, basses 140 to 220 N.
        const steel = instrument.kind === 'bass' ? [140, 220] : [40, 140];
        const tension = tensionOf(spec.unitWeight, length, hz);
        expect(tension, `string ${course}`).to.be.within(
          ...((spec.material === 'steel' ? steel : [20, 90]) as [number, number]),
        );
        // Twelve strings are said to be kept low for their third course; common practice, no source.
        const least = model.id === 'twelve-guitar' ? 1.5 : 2.5;
        expect(headroom(spec, length, hz), `string ${course}`).to.be.above(least);
      }
    });

  it('the short string of a banjo begins at fret 5 and is 502 mm long on 670', () => {
    const banjo = findModel('banjo-five')!.build('b', 'B');
    expect(startFret(banjo, 5)).to.equal(5);
    expect(soundingLength(banjo, 5)).to.be.closeTo(501.9, 0.05);
    expect(startFret(banjo, 4)).to.equal(0);
  });
});
