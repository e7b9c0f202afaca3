import { expect } from 'chai';
import { between, normal, seededRandom } from '../maths/index.ts';
import { reportedPitchBound } from './bound.ts';
import { Estimator, periodHz } from './estimator.ts';
import { partialHz, reportedHz } from './stiffString.ts';

const RATE = 12_000;
const LENGTH = 1024;

interface Tone {
  readonly f0: number;
  readonly b: number;
  /** Amplitude of partial n. */
  readonly size: (n: number) => number;
  readonly partials: number;
}

const DULL = (n: number) => 1 / n;

/** A stationary stiff-string tone with random phases, plus white noise of the given deviation. */
function sound(tone: Tone, seed: number, sigma: number, length = LENGTH): Float64Array {
  const random = seededRandom(seed);
  const samples = Float64Array.from({ length }, () => sigma * normal(random));
  for (let n = 1; n <= tone.partials; n++) {
    const omega = (2 * Math.PI * partialHz(tone.f0, tone.b, n)) / RATE;
    const phase = between(random, 0, 2 * Math.PI);
    for (let i = 0; i < length; i++) samples[i]! += tone.size(n) * Math.cos(omega * i + phase);
  }
  return samples;
}

const cents = (hz: number, truth: number) => 1200 * Math.log2(hz / truth);

/** The bound for a tone, and for one partial alone where the closed form is known. */
function boundCents(tone: Tone, sigma: number): number {
  const amplitudes = Array.from({ length: tone.partials }, (_, i) => tone.size(i + 1));
  return reportedPitchBound(
    { f0: tone.f0, inharmonicity: tone.b, amplitudes },
    sigma,
    LENGTH,
    RATE,
  );
}

function rmsError(tone: Tone, sigma: number, seeds: number): number {
  const estimator = new Estimator(RATE, LENGTH);
  const truth = reportedHz(tone.f0, tone.b);
  let sum = 0;
  for (let seed = 1; seed <= seeds; seed++) {
    const e = estimator.estimate(sound(tone, seed, sigma), 0, LENGTH);
    if (!e) throw new Error(`no estimate for seed ${seed}`);
    sum += cents(e.reportedHz, truth) ** 2;
  }
  return Math.sqrt(sum / seeds);
}

describe('the bound itself', () => {
  // Christensen and Jakobsson (2009): var(ω0) ≥ 24 σ² / (N (N² − 1) Σ l² A_l²) with B known; ten
  // partials of 1/l with B unknown come out about 1.54 times as large for f0 (own derivation).
  it('lies above that of a harmonic tone, whose stiffness is known', () => {
    const tone = { f0: 110, b: 0, size: DULL, partials: 10 };
    const energy = 10; // Σ l² / l²
    const harmonic =
      ((1200 / Math.LN2) * Math.sqrt((24 * 1e-4) / (LENGTH * (LENGTH ** 2 - 1) * energy))) /
      ((2 * Math.PI * 110) / RATE);
    expect(boundCents(tone, 0.01) / harmonic).to.be.within(1, 1.54);
  });
});

describe('the estimator against the Cramér–Rao bound', () => {
  const cases: readonly (readonly [string, Tone])[] = [
    ['E2', { f0: 82.4069, b: 8e-5, size: DULL, partials: 10 }],
    ['G4', { f0: 391.9954, b: 3e-5, size: DULL, partials: 10 }],
  ];
  for (const [name, tone] of cases)
    for (const snr of [10, 20, 30, 40]) {
      // Energy of the ten partials over the noise in the same band.
      const power = Array.from({ length: 10 }, (_, i) => DULL(i + 1) ** 2 / 2).reduce(
        (a, b) => a + b,
      );
      const sigma = Math.sqrt(power / 10 ** (snr / 10));
      it(`${name} at ${snr} dB comes within 1.25 times the bound`, () => {
        const ratio = rmsError(tone, sigma, 150) / boundCents(tone, sigma);
        // Below the bound only by what the prior on B tells, and by chance (150 draws: 6 %).
        expect(ratio).to.be.within(0.6, 1.25);
      });
    }
});

describe('the estimator’s bias', () => {
  it('stays below 0.1 cent while stiffness goes from 0 to 3e-4', () => {
    const estimator = new Estimator(RATE, LENGTH);
    for (const b of [0, 2e-5, 1e-4, 2e-4, 3e-4]) {
      const tone = { f0: 82.4069, b, size: (n: number) => 1 / Math.sqrt(n), partials: 24 };
      const e = estimator.estimate(sound(tone, 3, 1e-4), 0, LENGTH);
      expect(Math.abs(cents(e!.reportedHz, reportedHz(82.4069, b))), `B ${b}`).to.be.below(0.1);
    }
  });

  it('reads 41 to 700 Hz', () => {
    const estimator = new Estimator(RATE, 2048);
    for (const f0 of [41.2, 55, 65.4, 130.8, 261.6, 523.3, 698.5]) {
      const tone = { f0, b: 3e-5, size: DULL, partials: Math.min(12, Math.floor(5000 / f0)) };
      const e = estimator.estimate(sound(tone, 4, 1e-3, 2048), 0, 2048);
      expect(Math.abs(cents(e!.reportedHz, reportedHz(f0, 3e-5))), `${f0} Hz`).to.be.below(0.5);
    }
  });
});

describe('octave', () => {
  const estimator = new Estimator(RATE, 2048);
  const found = (f0: number, size: (n: number) => number, partials: number) =>
    estimator.estimate(sound({ f0, b: 5e-5, size, partials }, 5, 2e-4, 2048), 0, 2048)!.f0;

  it('holds when the second partial dominates late in a decay', () => {
    const late = (n: number) => (n === 2 ? 1 : n === 1 ? 0.05 : 0.04 / n);
    expect(found(82.4, late, 8)).to.be.within(81, 84);
  });

  it('holds without a fundamental', () => {
    expect(found(110, (n) => (n === 1 ? 0 : 1 / n), 9)).to.be.within(108, 112);
  });

  it('holds when the pluck leaves out every third partial', () => {
    expect(found(146.8, (n) => Math.abs(Math.sin((n * Math.PI) / 3)) / n + 1e-6, 12)).to.be.within(
      145,
      149,
    );
  });

  it('holds when a peak of noise lies far above the last partial', () => {
    const tone = { f0: 82.4069, b: 8e-5, size: DULL, partials: 10 };
    const samples = sound(tone, 7, 1e-3);
    for (let i = 0; i < LENGTH; i++)
      samples[i]! += 0.002 * Math.cos((2 * Math.PI * 1884 * i) / RATE);
    expect(estimator.estimate(samples, 0, LENGTH)!.f0).to.be.within(82, 83);
  });

  it('takes a tone of one partial for what it is', () => {
    expect(found(440, (n) => (n === 1 ? 1 : 0), 1)).to.be.within(438, 442);
  });
});

describe('strangers', () => {
  const tone: Tone = { f0: 146.8324, b: 5e-5, size: DULL, partials: 12 };
  const truth = reportedHz(tone.f0, tone.b);
  const withLines = (lines: readonly (readonly [number, number])[]) => {
    const samples = sound(tone, 6, 1e-3, 2048);
    for (const [hz, size] of lines)
      for (let i = 0; i < samples.length; i++)
        samples[i]! += size * Math.cos((2 * Math.PI * hz * i) / RATE);
    const e = new Estimator(RATE, 2048).estimate(samples, 0, 2048, {
      hz: truth,
      inharmonicity: 5e-5,
    });
    return Math.abs(cents(e!.reportedHz, truth));
  };

  it('hum between the partials does not pull', () => {
    expect(
      withLines([
        [50, 0.3],
        [100, 0.3],
        [250, 0.1],
      ]),
    ).to.be.below(0.3);
  });

  it('hum close to one partial pulls less than half a cent', () => {
    expect(
      withLines([
        [150, 0.1],
        [50, 0.1],
      ]),
    ).to.be.below(0.5);
  });

  it('a neighbour string at −10 dB does not pull', () => {
    const neighbour = Array.from(
      { length: 8 },
      (_, i) => [195.9977 * (i + 1), 0.3 / (i + 1)] as const,
    );
    expect(withLines(neighbour)).to.be.below(0.5);
  });
});

describe('period', () => {
  it('is the lag at which the partials’ autocorrelation is greatest', () => {
    const b = 1e-4;
    const numbers = [1, 2, 3, 4, 5, 6, 7, 8];
    const hz = numbers.map((n) => partialHz(100, b, n));
    const sizes = numbers.map((n) => 1 / n);
    const period = periodHz({
      partialCount: 8,
      partialNumber: numbers,
      partialHz: hz,
      partialAmplitude: sizes,
    });
    let best = 0;
    let at = 0;
    for (let c = 0; c < 12; c += 0.005) {
      const lag = 1 / (100 * 2 ** (c / 1200));
      const value = hz.reduce(
        (sum, f, i) => sum + sizes[i]! ** 2 * Math.cos(2 * Math.PI * f * lag),
        0,
      );
      if (value > best) {
        best = value;
        at = 1 / lag;
      }
    }
    expect(Math.abs(cents(period, at))).to.be.below(0.02);
  });
});
