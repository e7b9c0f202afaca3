import { digest } from '../maths/digestFixture.ts';
import { normal, seededRandom } from '../maths/index.ts';
import { findTuning, targetsOf } from '../music/index.ts';
import { findModel } from '../strings/index.ts';
import {
  bridgeEnds,
  commonShapes,
  compromiseOf,
  expectedError,
  type FretReading,
  judgeNeck,
  neckOf,
  nextPlace,
  nutShift,
  outcomeOf,
  type Pressure,
  placeKey,
  saddleShift,
  semitonesOf,
} from './index.ts';

type Off = (course: number, fret: number, pressure: Pressure) => number;

/** A neck a fault at a time, and some together. */
const NECKS: Readonly<Record<string, Off>> = {
  sound: () => 0.4,
  saddle: (_, fret) => 8 * (2 ** (fret / 12) - 1),
  nut: () => 7,
  high: (course, fret, pressure) =>
    (4 + course) * 2 ** (-fret / 3) + (pressure === 'soft' ? -1 : 0),
  'one fret': (_, fret) => (fret === 7 ? 8 : 0.2),
  'one string': (course, fret) => (course === 2 ? 0.8 * fret : 0),
};

const guitar = findModel('steel-guitar')!.build('g', 'G');
const NECK = neckOf(
  guitar,
  targetsOf(findTuning('guitar-standard')!, 440).map(({ hz }) => hz),
);

/** A check as it is led, until it is over. */
function said(off: Off) {
  const random = seededRandom(6);
  const readings: FretReading[] = [];
  let judgement = judgeNeck(NECK, readings);
  for (;;) {
    // Before that the places follow a list, whatever is read.
    if (readings.length >= 24) judgement = judgeNeck(NECK, readings);
    const asked = nextPlace(NECK, readings, judgement);
    if (!asked)
      return {
        verdict: judgement.verdict,
        places: readings.map(({ course, place }) => `${course} ${placeKey(place)}`),
        at: [1, 5, 12].map((fret) =>
          expectedError(judgement.explanations!, { course: 3, fret, pressure: 'normal' }),
        ),
      };
    const { course, place } = asked;
    const cents =
      4 +
      100 * semitonesOf(place) +
      (place.kind === 'fret' ? off(course, place.fret, place.pressure) : 0) +
      0.4 * normal(random);
    readings.push({ course, place, cents, errorCents: 0.3, at: 8000 * readings.length });
  }
}

/** What the chords of a guitar lose and gain by detuning it for them. */
function compromises() {
  const shapes = commonShapes('guitar-standard');
  const errors = [0, 1, 2, 3, 4, 5].map((i) => (fret: number) => 0.4 * i + 0.5 * fret - 1);
  return (['least squares', 'minimax'] as const).map((way) => {
    const offsets = compromiseOf(shapes, errors, way);
    return { offsets, outcomes: shapes.map((shape) => outcomeOf(shape, errors, offsets)) };
  });
}

/** What a fret check says today of the same readings. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  const tests = [
    { open: [0, 0.4, -0.3], fretted: [5, 5.5, 4.4] },
    { open: [1, 1.2], fretted: [0.5, 1.8] },
  ];
  return {
    necks: digest(Object.values(NECKS).map(said)),
    bridge: digest(bridgeEnds(660, tests)),
    shifts: digest([saddleShift(660, 7), nutShift(648, -5)]),
    compromises: digest(compromises()),
  };
}
