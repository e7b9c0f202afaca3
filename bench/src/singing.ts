import { type SungFrame, sungIn, VoiceFollower } from '@rosefinch/core/ear';
import { between, seededRandom } from '@rosefinch/core/maths';
import { singer } from './foreign/singers.ts';
import { quantile } from './print.ts';

const RATE = 48_000;

/** Foreign singers, child to bass, with a note to sing that they miss by up to a whole tone. */
export function singingFigures(first: number, each: number): void {
  const errors: number[] = [];
  let [octaves, wrong, far, unheard, within] = [0, 0, 0, 0, 0];
  for (let seed = first; seed < first + each; seed++) {
    const random = seededRandom(seed * 53);
    const near = 110 * 2 ** between(random, 0, 1.5);
    const off = between(random, -200, 200);
    const { hz, sound } = singer(random, RATE, { near, off });
    const frames: SungFrame[] = [];
    new VoiceFollower(RATE, (frame) => frames.push(frame)).hear(sound);
    const sung = sungIn(frames, near);
    if (!sung) {
      unheard++;
      continue;
    }
    const truth = 1200 * Math.log2(hz / near);
    const error = sung.cents + 1200 * sung.octaves - truth;
    if (Math.abs(error) > 600) {
      octaves++;
    } else {
      errors.push(Math.abs(error));
      if (Math.abs(error) <= 5) within++;
    }
    if (Math.abs(off) > 30) {
      far++;
      if (Math.sign(sung.cents) !== Math.sign(off)) wrong++;
    }
  }
  console.log(
    `Singing, child to bass, seeds ${first}–${first + each - 1}: octave errors ${octaves} of ${each}, unheard ${unheard}; direction wrong ${wrong} of ${far} beyond 30 cents; mean pitch off by ${quantile(errors, 0.5, 2)} (95 %: ${quantile(errors, 0.95, 2)}), within 5 cents ${within} of ${errors.length}`,
  );
}
