import { expect } from 'chai';
import { plain } from './sets.ts';
import { stiffnessOf } from './stiffness.ts';

describe('stiffness of a string', () => {
  it('is that of Fletcher’s formula, worked by hand for a plain steel E4 of 0.25 mm over 648 mm', () => {
    // μ = 7850 · π/4 · 0.00025² = 3.853e-4 kg/m; T = μ (2 · 0.648 · 329.63)² = 70.32 N;
    // B = π³ · 200e9 · 0.00025⁴ / (64 · 70.32 · 0.648²) = 1.282e-5.
    expect(stiffnessOf(plain('steel', 0.25), 648, 329.63)).to.be.closeTo(1.282e-5, 2e-8);
  });

  it('falls with the square of the pitch: sixteenfold two octaves down', () => {
    const string = plain('nylon', 0.7);
    const ratio = stiffnessOf(string, 650, 82.4) / stiffnessOf(string, 650, 329.6);
    expect(ratio).to.be.closeTo(16, 1e-9);
  });
});
