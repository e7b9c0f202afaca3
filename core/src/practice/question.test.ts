import { expect } from 'chai';
import { REGISTERS, TIMBRES } from '../ear/index.ts';
import { Estimator } from '../listen/index.ts';
import { seededRandom } from '../maths/index.ts';
import { centsBetween } from '../music/index.ts';
import {
  LOUDNESS_RATE,
  limited,
  loudness,
  SECOND_AT,
  sounded,
  twoNotes,
  USUAL_LUFS,
} from './index.ts';

const sine = (hz: number, seconds: number, amplitude = 1) =>
  Float32Array.from(
    { length: seconds * LOUDNESS_RATE },
    (_, i) => amplitude * Math.sin((2 * Math.PI * hz * i) / LOUDNESS_RATE),
  );
/** A frame from the middle of a note. */
const FROM = 9600;
const FRAME = 16_384;

describe('loudness', () => {
  it('of a full sine of 997 Hz is −3.01 LKFS (ITU-R BS.1770-4, annex 1)', () => {
    expect(loudness(sine(997, 2))).to.be.closeTo(-3.01, 0.02);
  });

  it('follows the level dB by dB, and low notes count for less', () => {
    expect(loudness(sine(997, 1, 0.1))).to.be.closeTo(-23.01, 0.02);
    expect(loudness(sine(40, 1))).to.be.lessThan(loudness(sine(200, 1)) - 2);
    expect(loudness(new Float32Array(100))).to.equal(Number.NEGATIVE_INFINITY);
  });

  it('the limiter lets nothing pass −1 dBFS, and touches nothing below', () => {
    const loud = limited(sine(200, 0.2, 3), LOUDNESS_RATE);
    expect(Math.max(...loud.map(Math.abs))).to.be.within(0.8, 0.8901);
    const soft = sine(200, 0.1, 0.5);
    expect(limited(soft, LOUDNESS_RATE)).to.deep.equal(soft);
  });
});

describe('what a question sounds', () => {
  const estimator = new Estimator(LOUDNESS_RATE, FRAME);
  for (const register of REGISTERS)
    for (const timbre of TIMBRES)
      it(`${register} ${timbre}: read back by the ear within 0.3 cents`, () => {
        const random = seededRandom(register.length * 7 + timbre.length);
        for (const cents of [-40, 1, 120])
          for (const note of twoNotes(register, timbre, cents, random)) {
            const frame = Float64Array.from(sounded([{ ...note, at: 0 }]));
            const heard = estimator.estimate(frame, FROM, FRAME);
            expect(heard?.reportedHz, 'it is heard').to.be.greaterThan(0);
            expect(Math.abs(centsBetween(note.hz, heard?.reportedHz ?? 0))).to.be.lessThan(0.3);
          }
      });

  it('all are equally loud within 0.5 dB before they rove (ITU-R BS.1770-4)', () => {
    const random = seededRandom(5);
    for (const register of REGISTERS)
      for (const timbre of TIMBRES)
        for (const note of twoNotes(register, timbre, 30, random)) {
          const one = sounded([{ ...note, db: 0, at: 0 }]);
          expect(loudness(one), `${register} ${timbre}`).to.be.closeTo(USUAL_LUFS, 0.5);
        }
  });

  it('begins and ends without a click: no step between samples beyond what its partials make', () => {
    for (const timbre of TIMBRES) {
      const sound = sounded(twoNotes('middle', timbre, 5, seededRandom(2)));
      const step = (from: number, to: number) => {
        let most = 0;
        for (let i = Math.max(1, from); i < to; i++)
          most = Math.max(most, Math.abs((sound[i] ?? 0) - (sound[i - 1] ?? 0)));
        return most;
      };
      const at = Math.round(SECOND_AT * LOUDNESS_RATE);
      const within = step(2000, at - 20_000);
      for (const edge of [0, at, sound.length])
        expect(step(edge - 40, Math.min(sound.length, edge + 40))).to.be.lessThan(within);
      expect(Math.abs(sound[sound.length - 1] ?? 1)).to.be.lessThan(1e-3);
    }
  });

  it('level, start and place rove, and the interval does not', () => {
    const random = seededRandom(9);
    const starts = new Set<number>();
    for (let i = 0; i < 20; i++) {
      const [first, second] = twoNotes('low', 'pluck', -7, random);
      if (!first || !second) throw new Error('two notes');
      expect(centsBetween(first.hz, second.hz)).to.be.closeTo(-7, 1e-9);
      expect(first.db).to.not.equal(second.db);
      starts.add(first.hz);
    }
    expect(starts.size).to.equal(20);
  });
});
