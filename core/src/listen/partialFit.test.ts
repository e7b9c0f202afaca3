import { expect } from 'chai';
import { PartialFit } from './partialFit.ts';
import { Spectrum } from './spectrum.ts';

const LENGTH = 1000;

/** Damped partials as [frequency in rad per sample, decay per sample, amplitude at the middle]. */
function signal(parts: readonly (readonly [number, number, number])[]): Float64Array {
  const middle = (LENGTH - 1) / 2;
  return Float64Array.from({ length: LENGTH }, (_, i) =>
    parts.reduce(
      (sum, [w, g, a]) => sum + a * Math.exp(g * (i - middle)) * Math.cos(w * (i - middle)),
      0,
    ),
  );
}

describe('joint fit of partials', () => {
  it('recovers frequency, decay and amplitude of neighbours seven bins apart', () => {
    const bin = (2 * Math.PI) / LENGTH;
    const parts = [
      [20 * bin, -0.001, 1],
      [27.3 * bin, -0.0005, 0.03],
      [34.1 * bin, -0.002, 0.4],
    ] as const;
    const fit = new PartialFit(LENGTH, 4);
    fit.load(signal(parts), 0, LENGTH);
    parts.forEach(([w, , a], i) => fit.add(i + 1, w + 0.1 * bin, 0, a * 0.9, 0));
    fit.refine(10);
    expect(fit.count).to.equal(3);
    parts.forEach(([w, g, a], i) => {
      // A tenth of a cent.
      expect(fit.omega[i]! / w).to.be.closeTo(1, 5.8e-5);
      expect(fit.gamma[i]!).to.be.closeTo(g, 2e-5);
      expect(fit.amplitude(i)).to.be.closeTo(a, 1e-3);
    });
    expect(fit.residualEnergy / fit.energy).to.be.below(1e-5);
  });

  it('gives a dropped partial back to the residual', () => {
    const fit = new PartialFit(LENGTH, 2);
    fit.load(signal([[0.3, 0, 1]]), 0, LENGTH);
    const before = Float64Array.from(fit.residual);
    fit.add(1, 0.3, 0, 1, 0);
    fit.drop(0);
    expect(fit.count).to.equal(0);
    fit.residual.forEach((value, i) => {
      expect(value).to.be.closeTo(before[i]!, 1e-9);
    });
  });
});

describe('spectrum', () => {
  it('places a peak to a hundredth of a bin, with its height and phase', () => {
    const rate = 12_000;
    const spectrum = new Spectrum(LENGTH, rate);
    const hz = 523.37;
    const samples = Float64Array.from(
      { length: LENGTH },
      (_, i) => 0.25 * Math.cos((2 * Math.PI * hz * (i - (LENGTH - 1) / 2)) / rate + 0.7),
    );
    spectrum.analyse(samples, 0, LENGTH);
    const peak = spectrum.nearestPeak(hz, 5);
    expect(Math.abs(spectrum.peakHz[peak]! - hz)).to.be.below(0.12);
    const amplitude = { real: 0, imag: 0 };
    spectrum.amplitudeAt(hz, amplitude);
    expect(Math.hypot(amplitude.real, amplitude.imag)).to.be.closeTo(0.25, 0.003);
    expect(Math.atan2(amplitude.imag, amplitude.real)).to.be.closeTo(0.7, 0.02);
  });

  it('finds no peak where there is none', () => {
    const spectrum = new Spectrum(LENGTH, 12_000);
    spectrum.analyse(new Float64Array(LENGTH), 0, LENGTH);
    expect(spectrum.peakCount).to.equal(0);
    expect(spectrum.nearestPeak(440, 100)).to.equal(-1);
  });
});
