import { between, seededRandom } from '../maths/index.ts';
import { centsBetween, findTuning, targetsOf } from '../music/index.ts';
import { PracticeInstrument } from '../practice/index.ts';
import { steelGuitar } from '../strings/index.ts';

/** For tests: the rate at which most plucks are made. */
export const RATE = 24_000;
export const TARGETS = targetsOf(findTuning('guitar-standard')!, 440).map((target) => target.hz);

/** One pluck of a seeded practice guitar, and what an exact reading of it would say. */
export function pluck(seed: number, noise: number, rate = RATE) {
  const random = seededRandom(seed);
  const guitar = new PracticeInstrument({
    instrument: steelGuitar('g', 'G'),
    targets: TARGETS,
    detune: TARGETS.map(() => between(random, -60, 60)),
    seed,
    sampleRate: rate,
    noise,
    hum: noise - 15,
  });
  const course = 1 + (seed % 6);
  const strength = between(random, 0.3, 0.9);
  const sound = new Float32Array(1.7 * rate);
  guitar.render(sound.subarray(0, 0.3 * rate));
  guitar.pluck(course, { strength });
  guitar.render(sound.subarray(0.3 * rate, 1.45 * rate));
  guitar.mute();
  guitar.render(sound.subarray(1.45 * rate));
  return {
    sound,
    course,
    exact: guitar.exactReadingHz(course, strength),
    truth: guitar.truth(course),
  };
}

export const cents = (hz: number, exact: number) => centsBetween(exact, hz);
