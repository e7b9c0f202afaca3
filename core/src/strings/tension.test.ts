import { expect } from 'chai';
import {
  breakingHz,
  frequencyOf,
  headroom,
  musicWireStrength,
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
      expect(tension).to.be.within(60, 140);
    });
  });
});

describe('strength', () => {
  // Shigley's Mechanical Engineering Design, music wire ASTM A228: 2211 MPa · mm^0.145.
  it('of music wire', () => {
    const table = { 0.254: 2697, 0.33: 2597, 0.432: 2497 };
    for (const [mm, mpa] of Object.entries(table))
      expect(musicWireStrength(Number(mm))).to.be.closeTo(mpa, 0.6);
    expect(() => musicWireStrength(0.05)).to.throw('0.1 to 6.5');
  });

  it('lets steel of 0.254 mm on 648 mm break near 452 Hz, 5.5 semitones above E4', () => {
    const string = {
      material: 'steel',
      wound: false,
      diameterMm: 0.254,
      coreMm: 0.254,
      unitWeight: plainUnitWeight(7850, 0.254),
    } as const;
    expect(breakingHz(string, 648)).to.be.closeTo(452, 0.6);
    expect(headroom(string, 648, 329.6276)).to.be.closeTo(5.5, 0.05);
  });

  it('of a plain nylon string does not care for its gauge', () => {
    // f = sqrt(S/ρ) / 2L.
    const nylon = (mm: number) =>
      ({
        material: 'nylon',
        wound: false,
        diameterMm: mm,
        coreMm: mm,
        unitWeight: plainUnitWeight(1140, mm),
      }) as const;
    expect(breakingHz(nylon(0.5), 345)).to.be.closeTo(breakingHz(nylon(1), 345), 1e-9);
    // About 13 semitones for 0.56 mm at A4 on 345 mm, with 500 MPa from memory.
    expect(headroom(nylon(0.56), 345, 440)).to.be.closeTo(13, 0.6);
  });

  it('of a wound string is its core’s', () => {
    // Low E: core 0.43 mm under 78 N has about 13 semitones; a wound third, core 0.30 under 130 N, about 3.
    const wound = (coreMm: number, tension: number, hz: number) =>
      ({
        material: 'steel',
        wound: true,
        diameterMm: 1,
        coreMm,
        unitWeight: tension / (2 * 0.648 * hz) ** 2,
      }) as const;
    expect(headroom(wound(0.43, 78, 82.4069), 648, 82.4069)).to.be.closeTo(13.3, 0.3);
    expect(headroom(wound(0.3, 130, 195.9977), 648, 195.9977)).to.be.closeTo(3, 0.5);
  });
});
