import { startWinding, windingTask, woundTo } from '@rosefinch/core/dialogue';
import { WindingListener, type WoundPitch } from '@rosefinch/core/listen';
import { between, normal, seededRandom } from '@rosefinch/core/maths';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { findModel, stringLoad } from '@rosefinch/core/strings';
import type { Cents, Seconds } from '@rosefinch/core/units';
import { type WoundScene, windUp } from './foreign/wound.ts';
import { quantile } from './print.ts';
import { OPEN_STRINGS, type OpenString, stringsOfModel } from './strings.ts';

const RATE = 24_000;
/** Half of the strings are known by their gauge, whose B is so uncertain; of the others only what strings are like. */
const GAUGE_SIGMA = 0.5;
const ANY = { b: 4e-5, sigma: 0.85 } as const;
/** Further than this from what sounds it is no longer the note. */
const OTHER_NOTE: Cents = 300;
const NEAR: Cents = 50;
/** No string is to be wound nearer to its breaking than so many semitones. */
const LEAST_ROOM = 2;
/** When the first pluck comes in a scene. */
const FIRST_PLUCK: Seconds = 0.4;

/** What was made of one string that was wound up. */
interface Wound {
  readonly scene: WoundScene;
  readonly said: readonly WoundPitch[];
  /** What each said is off by, against what sounded then. */
  readonly errors: readonly Cents[];
  /** Share of the time in which something sounded that a pitch was said of. */
  readonly covered: number;
  /** Told to go on although less than two semitones were left to where the string breaks. */
  readonly endangered: number;
  /** From the first pluck to the first pitch said. */
  readonly firstAfter: Seconds;
}

/** Winds up string after string, by seed. */
export function woundBy(seed: number, strings: readonly OpenString[] = OPEN_STRINGS): Wound {
  const random = seededRandom(seed * 9173);
  const string = strings[seed % strings.length]!;
  const scene = windUp(random, string, RATE);
  const known =
    seed % 2 === 0
      ? { inharmonicity: scene.b * Math.exp(GAUGE_SIGMA * normal(random)), sigmaB: 0.7 }
      : { inharmonicity: ANY.b, sigmaB: ANY.sigma };
  const said: WoundPitch[] = [];
  const ear = new WindingListener(RATE, { course: 1, targetHz: string.hz, ...known }, (pitch) => {
    said.push(pitch);
  });
  for (let at = 0; at < scene.sound.length; at += 512) ear.hear(scene.sound.subarray(at, at + 512));
  const errors = said.map(({ at, cents }) => cents - (scene.soundsAt(at) ?? scene.standsAt(at)));
  let sounding = 0;
  for (let t = 0; t < scene.lasts; t += 0.048) if (scene.soundsAt(t) !== null) sounding++;
  return {
    scene,
    said,
    errors,
    covered: said.length / sounding,
    endangered: endangered(scene, said, between(random, 2, 7)),
    firstAfter: (said[0]?.at ?? 99) - FIRST_PLUCK,
  };
}

/** The same strings on an instrument whose first one breaks so many semitones above its note. */
function endangered(scene: WoundScene, said: readonly WoundPitch[], room: number): number {
  const instrument = findModel('steel-guitar')!.build('x', 'X');
  const [target, ...others] = targetsOf(findTuning(instrument.tuningId)!, 440);
  const { headroom } = stringLoad(instrument, 1, target!.hz)!;
  const hz = target!.hz * 2 ** ((headroom - room) / 12);
  const world = { instrument, targets: [{ ...target!, hz }, ...others] };
  return said.filter((pitch) => {
    const task = windingTask(woundTo(startWinding([1]), pitch, world.targets), world);
    return task.kind === 'go on' && scene.standsAt(pitch.at) > 100 * (room - LEAST_ROOM);
  }).length;
}

/** Of guitars, ukuleles and banjos, or of one model. */
export function windingFigures(first: number, each: number, model?: string): void {
  const strings = model === undefined ? OPEN_STRINGS : stringsOfModel(model).strings;
  const all: Wound[] = [];
  const wrong: number[] = [];
  for (let seed = first; seed < first + each; seed++) {
    const wound = woundBy(seed, strings);
    all.push(wound);
    if (wound.errors.some((e) => Math.abs(e) > OTHER_NOTE)) wrong.push(seed);
  }
  const errors = all.flatMap(({ errors: e }) => e).map(Math.abs);
  const near = errors.filter((e) => e <= NEAR).length / errors.length;
  console.log(
    `\nStrings${model ? ` of ${model}` : ''} wound up from 4 to 24 semitones below, seeds ${first}–${first + each - 1}`,
  );
  console.log(
    `  said ${errors.length} pitches; within ${NEAR} cents ${(100 * near).toFixed(2)} %; median ${quantile(errors, 0.5, 1)}, 95 % ${quantile(errors, 0.95, 1)}, 99 % ${quantile(errors, 0.99, 1)}`,
  );
  console.log(
    `  windings with another note said (over ${OTHER_NOTE} cents off): ${wrong.length} of ${each} ${wrong.slice(0, 30).join(' ')}`,
  );
  console.log(
    `  said while it sounded ${quantile(
      all.map((w) => w.covered),
      0.5,
      2,
    )} of the time in the median, ${quantile(
      all.map((w) => w.covered),
      0.05,
      2,
    )} in the worst twentieth; first after ${quantile(
      all.map((w) => w.firstAfter),
      0.5,
      2,
    )} s, 95 % ${quantile(
      all.map((w) => w.firstAfter),
      0.95,
      2,
    )} s; never: ${all.filter((w) => w.said.length === 0).length}`,
  );
  const on = all.reduce((sum, { endangered: e }) => sum + e, 0);
  console.log(`  told to go on within ${LEAST_ROOM} semitones of breaking: ${on}`);
}
