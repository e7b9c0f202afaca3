import { expect } from 'chai';
import {
  frequencyOf,
  plainUnitWeight,
  steelGuitar,
  tensionChange,
  tensionOf,
  tensionPerTurn,
} from './index.ts';

// Mersenne's law worked by hand for handbook strings; densities 7850 (steel) and 1140 kg/m³ (nylon).
describe('tension of a string', () => {
  it('steel 0.254 mm at E4 on 648 mm: 3.978e-4 kg/m, 72.59 N', () => {
    const weight = plainUnitWeight(7850, 0.254);
    expect(weight).to.be.closeTo(3.978e-4, 5e-8);
    expect(tensionOf(weight, 648, 329.6276)).to.be.closeTo(72.59, 0.01);
  });

  it('steel 0.292 mm at B3 on 670 mm: 57.56 N', () => {
    expect(tensionOf(plainUnitWeight(7850, 0.292), 670, 246.9417)).to.be.closeTo(57.56, 0.01);
  });

  it('nylon 0.56 mm at A4 on 345 mm: 25.88 N', () => {
    expect(tensionOf(plainUnitWeight(1140, 0.56), 345, 440)).to.be.closeTo(25.88, 0.01);
  });

  it('is undone by the frequency', () => {
    expect(frequencyOf(5e-4, 648, tensionOf(5e-4, 648, 123.4))).to.be.closeTo(123.4, 1e-9);
  });
});

describe('turning a peg', () => {
  // A wound low E: core 0.43 mm, 78 N, 760 mm from peg to anchor, post 6 mm, 15:1. One semitone
  // is 0.20 of a turn; under a quarter turn there is common practice, no source.
  it('one semitone on a wound low E takes 0.20 of a turn', () => {
    const perTurn = tensionPerTurn(
      { postMm: 6, ratio: 15 },
      { coreMm: 0.43, modulus: 200e9, totalMm: 760 },
    );
    expect(tensionChange(78, 100) / perTurn).to.be.closeTo(0.2, 0.01);
  });
});

describe('the six-string guitar', () => {
  it('has plausible tensions on every string', () => {
    const hz = [329.6276, 246.9417, 195.9977, 146.8324, 110, 82.4069];
    const guitar = steelGuitar('g', 'G');
    guitar.courses.forEach((course, i) => {
      const tension = tensionOf(course.strings[0]!.spec.unitWeight, guitar.scaleMm, hz[i]!);
      expect(tension).to.be.within(60, 135);
    });
  });
});
