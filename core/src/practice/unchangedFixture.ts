import { digest } from '../maths/digestFixture.ts';
import { findTuning, targetsOf } from '../music/index.ts';
import { findModel } from '../strings/index.ts';
import {
  cueTone,
  freshCreep,
  frettedCents,
  GOOD_NECK,
  type NeckFaults,
  PracticeInstrument,
  practiceDetune,
  referenceTone,
  soundCheck,
  sustainedTone,
} from './index.ts';

const RATE = 16_000;
const WORN: NeckFaults = {
  nutMm: 0.3,
  saddleMm: -1.2,
  slantMm: 0.8,
  firstMm: 0.5,
  twelfthMm: 2.4,
  frets: { 7: 0.4 },
};
const KINDS = [
  ['steel-guitar', 'guitar-standard'],
  ['nylon-guitar', 'guitar-open-g'],
  ['ukulele-concert', 'ukulele-standard'],
  ['banjo-five', 'banjo-open-g'],
] as const;

function practiceOf([model, id]: (typeof KINDS)[number], seed: number) {
  const targets = targetsOf(findTuning(id)!, 440).map(({ hz }) => hz);
  return new PracticeInstrument({
    instrument: findModel(model)!.build('i', 'I'),
    targets,
    detune: targets.map((_, i) => 12 * i - 30),
    seed,
    sampleRate: RATE,
    noise: -55,
    hum: -60,
    neck: WORN,
    roomSwing: 6,
    creep: targets.map((_, i) =>
      i === 1 ? null : { creep: [freshCreep('s', i + 1, 'nylon')], age: 900 * i },
    ),
  });
}

/** A short session on one practice instrument: everything hands do, and the truth after each. */
function sitting(kind: (typeof KINDS)[number], seed: number) {
  const one = practiceOf(kind, seed);
  const last = findTuning(kind[1])!.courses.length;
  const hands: readonly (readonly [seconds: number, act: () => void])[] = [
    [0.25, () => one.pluck(1, { strength: 0.7, position: 0.2 })],
    [
      0.25,
      () => {
        one.pluck(1);
        one.turn(1, 0.03);
      },
    ],
    [0.2, () => one.pluckAlone(last, 0.4)],
    [0.2, () => one.pluckFretted(2, 7, 'hard')],
    [0.2, () => one.pluckFretted(2, 12, null)],
    [0.2, () => one.pluckPair({ course: 3, fret: 5 }, 1)],
    [
      0.1,
      () => {
        one.stretch(3);
        one.elapse(4000);
        one.play(600);
      },
    ],
    [0.1, () => one.turn(last, -40)],
    [0.1, () => one.mute(1)],
  ];
  const after = hands.map(([seconds, act]) => {
    act();
    const sound = new Float32Array(seconds * RATE);
    one.render(sound);
    const truths = Array.from({ length: last }, (_, i) => one.deviation(i + 1));
    return { sound, truths, exact: one.exactReadingHz(1, 0.7) };
  });
  const presses = ['soft', 'normal', 'hard'] as const;
  const frets = presses.flatMap((press) => [
    one.fretError(1, 7, press),
    one.fretError(last, 12, press),
  ]);
  return { after: Object.assign({}, after), truth: one.truth(2), frets: Object.assign({}, frets) };
}

const STRING = { scaleMm: 648, totalMm: 760, tension: 70, stiffness: 20_000 };
const materials = ['steel', 'nylon', 'gut', 'fluorocarbon'] as const;
const standard = findTuning('guitar-standard')!;
const openD = targetsOf(findTuning('guitar-open-d')!, 440);

/** What the practice instrument does today. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  const banjo = findModel('banjo-five')!.build('b', 'B');
  const openHz = targetsOf(findTuning('banjo-open-g')!, 440).map(({ hz }) => hz);
  return {
    sittings: digest(KINDS.map((kind, i) => sitting(kind, i + 1))),
    check: digest([
      soundCheck({ instrument: banjo, openHz, held: { course: 2, fret: 3 }, open: 1 }, 8000),
      soundCheck({ instrument: banjo, openHz, held: { course: 5, fret: 7 }, open: 1 }, 8000),
    ]),
    tones: digest([
      referenceTone(146.8, 8000),
      sustainedTone(700, 8000),
      cueTone(true, 8000),
      cueTone(false, 8000),
    ]),
    frets: digest(
      [1, 5, 12, 17].map((fret) => [
        frettedCents(STRING, WORN, fret, 0.4),
        frettedCents(STRING, GOOD_NECK, fret, 0.9),
      ]),
    ),
    fresh: digest(
      ['a', 'b', 'c', 'd'].flatMap((seed) =>
        materials.map((material, i) => freshCreep(seed, i + 1, material)),
      ),
    ),
    detune: digest([
      practiceDetune(standard, openD, { a4: 440, capo: 2, last: new Map([[3, 190]]) }),
      practiceDetune(undefined, openD, { a4: 442, capo: 0, last: new Map() }),
    ]),
  };
}
