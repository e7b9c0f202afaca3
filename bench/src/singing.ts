import { type SungFrame, sungIn, VoiceFollower } from '@rosefinch/core/ear';
import { between, seededRandom } from '@rosefinch/core/maths';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { PracticeInstrument } from '@rosefinch/core/practice';
import { findModel } from '@rosefinch/core/strings';
import { singer } from './foreign/singers.ts';
import { quantile } from './print.ts';

const RATE = 48_000;

const MODELS_HEARD = [
  { model: 'steel-guitar', tuning: 'guitar-standard' },
  { model: 'nylon-guitar', tuning: 'guitar-standard' },
  { model: 'ukulele-concert', tuning: 'ukulele-standard' },
  { model: 'banjo-five', tuning: 'banjo-open-g' },
] as const;

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

/** Plucked strings of practice instruments, out by up to half a tone, followed as if they were sung. */
export function followedStrings(first: number, each: number): void {
  const errors: number[] = [];
  let [octaves, wrong, far, unheard] = [0, 0, 0, 0];
  for (let seed = first; seed < first + each; seed++) {
    const random = seededRandom(seed * 59);
    const model = MODELS_HEARD[seed % MODELS_HEARD.length]!;
    const instrument = findModel(model.model)!.build('x', 'X');
    const targets = targetsOf(findTuning(model.tuning)!, 440).map(({ hz }) => hz);
    const detune = targets.map(() => between(random, -60, 60));
    const practice = new PracticeInstrument({
      instrument,
      targets,
      detune,
      seed,
      sampleRate: RATE,
    });
    const course = 1 + Math.floor(random() * targets.length);
    const sound = new Float32Array(3 * RATE);
    practice.render(sound.subarray(0, RATE / 2));
    practice.pluck(course, { strength: between(random, 0.3, 0.8) });
    practice.render(sound.subarray(RATE / 2));
    const frames: SungFrame[] = [];
    new VoiceFollower(RATE, (frame) => frames.push(frame)).hear(sound);
    const sung = sungIn(frames, targets[course - 1]!);
    const truth = detune[course - 1]!;
    if (!sung) {
      unheard++;
      continue;
    }
    if (sung.octaves !== 0) octaves++;
    else errors.push(Math.abs(sung.cents - truth));
    if (Math.abs(truth) > 30) {
      far++;
      if (Math.sign(sung.cents) !== Math.sign(truth)) wrong++;
    }
  }
  console.log(
    `Practice strings followed as a voice, seeds ${first}–${first + each - 1}: octave errors ${octaves} of ${each}, unheard ${unheard}; direction wrong ${wrong} of ${far} beyond 30 cents; off by ${quantile(errors, 0.5, 2)} (95 %: ${quantile(errors, 0.95, 2)})`,
  );
}
