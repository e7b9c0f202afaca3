import { expect } from 'chai';
import { normal, seededRandom } from '../maths/index.ts';
import { type PresentNote, presenceOf } from './presence.ts';

const RATE = 24_000;
const F0 = 196;

/** A string of eight partials that fades, as it is near the microphone. */
function near(gain = 0.4, seconds = 1): PresentNote {
  const onset = Math.round(0.1 * RATE);
  const samples = new Float64Array(onset + seconds * RATE);
  for (let i = onset; i < samples.length; i++) {
    const t = (i - onset) / RATE;
    for (let n = 1; n <= 8; n++)
      samples[i]! += (gain / n) * Math.exp(-t * (1 + n)) * Math.sin(2 * Math.PI * n * F0 * t);
  }
  return { samples, rate: RATE, onset, end: samples.length, f0: F0, inharmonicity: 0 };
}

/** The same across a room: as many echoes as come within a third of a second, louder together than the sound itself. */
function far(): PresentNote {
  const note = near(0.1);
  const random = seededRandom(46);
  const samples = new Float64Array(note.samples.length);
  for (let k = 0; k < 400; k++) {
    const delay = Math.round(random() * 0.3 * RATE);
    const gain = k === 0 ? 1 : 0.35 * normal(random) * Math.exp((-6.9 * delay) / (0.6 * RATE));
    for (let i = note.onset; i + delay < samples.length; i++)
      samples[i + delay]! += gain * note.samples[i]!;
  }
  return { ...note, samples };
}

describe('how near a pluck was', () => {
  it('shows in the attack, which echoes drown, and in how partials begin and fade', () => {
    const [own, other] = [presenceOf(near())!, presenceOf(far())!];
    expect(other.peak).to.be.below(own.peak);
    expect(other.attack).to.be.below(own.attack - 1);
    expect(other.rise).to.be.below(own.rise - 1);
    expect(other.ripple).to.be.above(own.ripple + 0.5);
  });

  it('does not depend on loudness but for its peak', () => {
    const [loud, soft] = [presenceOf(near(0.8))!, presenceOf(near(0.2))!];
    expect(loud.peak - soft.peak).to.be.closeTo(12.04, 0.01);
    for (const of of ['attack', 'rise', 'ripple'] as const)
      expect(loud[of], of).to.be.closeTo(soft[of], 0.01);
  });

  it('is not known of a note that ended at once, of silence, or where nothing lies before it', () => {
    expect(presenceOf(near(0.4, 0.1))).to.equal(null);
    expect(presenceOf(near(0))).to.equal(null);
    expect(presenceOf({ ...near(), onset: 10 })).to.equal(null);
  });

  it('is not known while another string still rings, nor of a sound that nobody struck', () => {
    const note = near();
    const ringing = note.samples.map((x, i) => x + 0.2 * Math.sin((2 * Math.PI * 330 * i) / RATE));
    expect(presenceOf({ ...note, samples: ringing })).to.equal(null);
    const swelling = note.samples.map(
      (x, i) => x * Math.min(1, Math.max(0, (i - note.onset) / (0.4 * RATE))) ** 2,
    );
    expect(presenceOf({ ...note, samples: swelling })).to.equal(null);
  });
});
