import { expect } from 'chai';
import { type SungFrame, sungIn, VoiceFollower } from './index.ts';

const RATE = 48_000;

/** Partials as strong as asked, in time-varying pitch, between two silences. */
function voiced(hz: (t: number) => number, partials: readonly number[], seconds = 2): Float32Array {
  const out = new Float32Array((seconds + 0.6) * RATE);
  let turns = 0;
  for (let i = 0; i < seconds * RATE; i++) {
    turns += hz(i / RATE) / RATE;
    const swell = Math.min(1, i / 2000, (seconds * RATE - i) / 2000);
    partials.forEach((amplitude, k) => {
      const at = i + 0.2 * RATE;
      out[at] = (out[at] ?? 0) + 0.1 * swell * amplitude * Math.sin(2 * Math.PI * (k + 1) * turns);
    });
  }
  return out;
}

const followed = (sound: Float32Array, rate = RATE) => {
  const frames: SungFrame[] = [];
  new VoiceFollower(rate, (frame) => frames.push(frame)).hear(sound);
  return frames;
};

describe('a voice', () => {
  const full = [1, 0.7, 0.5, 0.3, 0.2, 0.1];

  for (const hz of [82.4, 110, 220, 440, 880])
    it(`${hz} Hz is read within two cents, in its own octave`, () => {
      const sung = sungIn(followed(voiced(() => hz, full)), hz);
      expect(sung?.octaves).to.equal(0);
      expect(sung?.cents).to.be.closeTo(0, 2);
    });

  it('a second partial much stronger than the first does not make it an octave higher', () => {
    const sung = sungIn(followed(voiced(() => 150, [0.3, 1, 0.4, 0.4, 0.2])), 150);
    expect(sung?.octaves).to.equal(0);
  });

  it('vibrato of fifty cents is meant by its middle', () => {
    const shaken = (t: number) => 200 * 2 ** ((50 * Math.sin(2 * Math.PI * 5.5 * t)) / 1200);
    const sung = sungIn(followed(voiced(shaken, full)), 200);
    expect(sung?.cents).to.be.closeTo(0, 5);
    expect(sung?.swing).to.be.within(30, 60);
  });

  it('an octave lower is as good, and said so', () => {
    const sung = sungIn(followed(voiced(() => 110 * 2 ** (40 / 1200), full)), 220);
    expect(sung?.octaves).to.equal(-1);
    expect(sung?.cents).to.be.closeTo(40, 3);
  });

  it('silence, noise and a short call are no note', () => {
    expect(sungIn(followed(new Float32Array(RATE)), 220)).to.equal(null);
    let state = 1;
    const noise = Float32Array.from({ length: 2 * RATE }, () => {
      state = (state * 16_807) % 2_147_483_647;
      return 0.2 * (state / 2_147_483_647 - 0.5);
    });
    expect(sungIn(followed(noise), 220)).to.equal(null);
    expect(sungIn(followed(voiced(() => 220, full, 0.5)), 220)).to.equal(null);
  });

  it('is followed at 44.1 kHz as well', () => {
    const sung = sungIn(
      followed(
        voiced(() => 220, full),
        44_100,
      ),
      220 * (44_100 / 48_000),
    );
    expect(sung?.cents).to.be.closeTo(0, 2);
  });
});
