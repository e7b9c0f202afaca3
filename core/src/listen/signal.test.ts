import { expect } from 'chai';
import { RangeMisuse } from '../errors.ts';
import { normal, RealFft, seededRandom } from '../maths/index.ts';
import { Decimator } from './decimate.ts';
import { partialHz, reportedHz, StiffStringFitter } from './stiffString.ts';

describe('Fourier transform', () => {
  it('equals the defining sum', () => {
    const random = seededRandom(3);
    const x = Float64Array.from({ length: 64 }, () => normal(random));
    const fft = new RealFft(64);
    fft.transform(x);
    for (let k = 0; k <= 32; k++) {
      let re = 0;
      let im = 0;
      x.forEach((value, i) => {
        re += value * Math.cos((2 * Math.PI * k * i) / 64);
        im -= value * Math.sin((2 * Math.PI * k * i) / 64);
      });
      expect(fft.re[k]).to.be.closeTo(re, 1e-10);
      expect(fft.im[k]).to.be.closeTo(im, 1e-10);
    }
  });

  it('refuses a size that is no power of two', () => {
    expect(() => new RealFft(100)).to.throw(RangeMisuse, 'got 100');
  });
});

describe('decimation', () => {
  const through = (rate: number, hz: number) => {
    const decimator = new Decimator(rate);
    const input = Float32Array.from({ length: rate / 4 }, (_, i) =>
      Math.sin((2 * Math.PI * hz * i) / rate),
    );
    const out: number[] = [];
    decimator.process(input, (sample) => out.push(sample));
    return { out, rate: decimator.outputRate };
  };

  for (const rate of [8000, 16_000, 22_050, 44_100, 48_000, 96_000, 192_000])
    it(`at ${rate} Hz passes a 1 kHz sine unchanged and in time`, () => {
      const { out, rate: to } = through(rate, 1000);
      for (let k = 60; k < out.length - 5; k++)
        expect(out[k]).to.be.closeTo(Math.sin((2 * Math.PI * 1000 * k) / to), 2e-3);
    });

  it('stops what would fold into the pitch band', () => {
    const { out } = through(48_000, 11_000);
    expect(Math.max(...out.slice(60))).to.be.below(1e-3);
  });

  it('refuses rates outside 8–192 kHz', () => {
    expect(() => new Decimator(4000)).to.throw(RangeMisuse, 'sample rate');
  });
});

describe('stiff-string law', () => {
  const fit = (hz: number[], sigma: number) => {
    const out = { f0: 0, inharmonicity: 0, errorCents: 0, f0ErrorCents: 0, shiftCents: 0 };
    const numbers = hz.map((_, i) => i + 1);
    const wide = { mean: 6e-5, sigma: 1 };
    new StiffStringFitter(20).fit(
      numbers,
      hz,
      hz.map(() => sigma),
      hz.length,
      wide,
      out,
    );
    return out;
  };
  // Fletcher, JASA 36 (1964) 203: f_n = n f0 sqrt(1 + B n²).
  const partials = Array.from({ length: 12 }, (_, i) => partialHz(100, 1e-4, i + 1));

  it('recovers f0 and B of exact partials', () => {
    const out = fit(partials, 0.1);
    expect(out.f0).to.be.closeTo(100, 1e-6);
    expect(out.inharmonicity).to.be.closeTo(1e-4, 1e-9);
    expect(reportedHz(100, 1e-4)).to.be.closeTo(partials[3]! / 4, 1e-9);
  });

  it('is not pulled by one partial that a resonance shifted by 25 cents', () => {
    const shifted = partials.map((hz, i) => (i === 2 ? hz * 2 ** (25 / 1200) : hz));
    const out = fit(shifted, 0.3);
    expect(Math.abs(1200 * Math.log2(out.f0 / 100))).to.be.below(0.6);
  });
});
