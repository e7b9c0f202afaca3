import { expect } from 'chai';
import { median } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import { Spectrum } from './spectrum.ts';
import { SteadiedFrame } from './steadied.ts';
import { partialHz } from './stiffString.ts';
import { WindingListener, type WoundPitch } from './winding.ts';

const RATE = 12_000;
const CENT = Math.LN2 / 1200;

/** A stiff string at `centsAt(t)` from its note, plucked at the given times, as plain sums of sines. */
function wound(
  hz: number,
  b: number,
  seconds: number,
  plucks: readonly number[],
  centsAt: (t: number) => number,
): Float32Array {
  const out = new Float32Array(Math.round(seconds * RATE));
  const phase = new Float64Array(20);
  for (let i = 0; i < out.length; i++) {
    const t = i / RATE;
    const cents = centsAt(t);
    const f0 = shiftHz(hz, cents) / Math.sqrt(1 + 16 * b * 2 ** (-cents / 600));
    const since = t - (plucks.findLast((at) => at <= t) ?? Number.POSITIVE_INFINITY);
    for (let n = 1; n <= 20; n++) {
      const partial = partialHz(f0, b * 2 ** (-cents / 600), n);
      phase[n - 1]! += (2 * Math.PI * partial) / RATE;
      if (since >= 0 && partial < 0.45 * RATE)
        out[i]! += (0.2 / n) * Math.exp((-since * (1 + 0.3 * n)) / 0.8) * Math.sin(phase[n - 1]!);
    }
    out[i]! += 1e-4 * Math.sin(i * i);
  }
  return out;
}

function follow(samples: Float32Array, targetHz: number, inharmonicity: number): WoundPitch[] {
  const said: WoundPitch[] = [];
  const string = { course: 1, targetHz, inharmonicity, sigmaB: 0.7 };
  const ear = new WindingListener(RATE, string, (pitch) => said.push(pitch));
  for (let at = 0; at < samples.length; at += 400) ear.hear(samples.subarray(at, at + 400));
  return said;
}

describe('a frame that stands a rising pitch still', () => {
  it('brings every partial of a chirp to one line at the pitch of its end', () => {
    const rise = 500 * CENT;
    const length = 2400;
    const frame = new SteadiedFrame(length, RATE);
    const reach = frame.reach(rise);
    const source = new Float64Array(reach + 1);
    for (let i = 0; i <= reach; i++) {
      const t = (i - reach) / RATE;
      // Phase of ω e^{rt} with its end at t = 0.
      for (const hz of [200, 1000]) {
        source[i]! += Math.sin((2 * Math.PI * hz * (Math.exp(rise * t) - 1)) / rise);
      }
    }
    frame.fill(source, reach, rise);
    const spectrum = new Spectrum(length, RATE);
    spectrum.analyse(frame.samples, 0, length);
    for (const hz of [200, 1000]) {
      const p = spectrum.nearestPeak(hz, 5);
      expect(p, `a line at ${hz} Hz`).to.be.at.least(0);
      expect(spectrum.peakHz[p]!).to.be.closeTo(hz, 0.2);
    }
    expect(frame.reach(0)).to.be.closeTo(length, 3);
  });
});

describe('a string followed while it is wound', () => {
  it('is followed from two octaves below at 400 cents a second, within 50 cents', () => {
    const from = -2400;
    const centsAt = (t: number) => Math.min(-60, from + 400 * Math.max(0, t - 1));
    const plucks = [0.5, 1.5, 2.5, 3.5, 4.5, 5.5, 6.5];
    const said = follow(wound(110, 6e-5, 7.5, plucks, centsAt), 110, 1e-4);
    expect(said.length).to.be.above(60);
    for (const { at, cents } of said)
      expect(Math.abs(cents - centsAt(at)), `${at}`).to.be.below(50);
    const rates = said.filter(({ at }) => at > 3 && at < 6).map(({ rate }) => rate);
    expect(median(rates)).to.be.within(320, 480);
    expect(said.at(-1)!.cents).to.be.closeTo(-60, 10);
    expect(said.at(-1)!.hz).to.be.closeTo(shiftHz(110, -60), 1);
  });

  it('says nothing of what rings from before, nor of silence', () => {
    const ringing = wound(82.4, 5e-5, 1.2, [-0.6], () => -110);
    expect(follow(ringing, 110, 5e-5)).to.deep.equal([]);
    expect(follow(new Float32Array(RATE), 110, 5e-5)).to.deep.equal([]);
  });

  it('believes a note that the string cannot have got to only when it stays and is begun anew', () => {
    // Somebody hums half an octave below for a moment; then the string is plucked again.
    const string = wound(196, 4e-5, 2, [0.5, 1.2], () => -200);
    const hum = Float32Array.from({ length: RATE }, (_, i) => {
      const t = i / RATE;
      let sum = 0;
      for (let n = 1; n <= 8; n++) sum += (0.1 / n) * Math.sin(2 * Math.PI * 131 * n * t);
      return sum;
    });
    const again = wound(196, 4e-5, 1.5, [0.3], () => -200);
    const all = Float32Array.from([...string, ...hum, ...again]);
    const said = follow(all, 196, 4e-5);
    expect(said.some(({ at }) => at > 3.4)).to.equal(true);
    for (const { at, cents } of said) expect(cents, `${at}`).to.be.closeTo(-200, 60);
    // A peg that let go: an octave down, plucked twice there.
    const slipped = wound(196, 4e-5, 4, [0.5, 1.5, 2.8], (t) => (t < 1.2 ? -200 : -1100));
    expect(follow(slipped, 196, 4e-5).at(-1)!.cents).to.be.closeTo(-1100, 60);
  });

  it('lets what it is not to hear go by, and goes on from there', () => {
    const said: WoundPitch[] = [];
    const ear = new WindingListener(
      RATE,
      { course: 2, targetHz: 247, inharmonicity: 3e-5, sigmaB: 0.7 },
      (pitch) => said.push(pitch),
    );
    ear.hear(wound(247, 3e-5, 1, [0.5], () => -700));
    ear.pass(1);
    const before = said.length;
    ear.hear(wound(247, 3e-5, 1, [0.3], () => -400));
    expect(before).to.be.above(3);
    expect(said.at(-1)!.cents).to.be.closeTo(-400, 20);
    expect(said.at(-1)!.at).to.be.within(2.8, 3.05);
    expect(said.at(-1)!.course).to.equal(2);
  });
});
