import { digest } from '../maths/digestFixture.ts';
import { normal, seededRandom } from '../maths/index.ts';
import { findModel } from '../strings/index.ts';
import {
  amountOf,
  bridgeEnds,
  causesOf,
  commonShapes,
  compromiseOf,
  type FretReading,
  findingsOf,
  nutShift,
  outcomeOf,
  type Pressure,
  saddleShift,
  semitonesOf,
  sequenceOf,
  USEFUL_FRETS,
} from './index.ts';

type Off = (fret: number, pressure: Pressure) => number;

/** A neck a fault at a time, and some together. */
const NECKS: Readonly<Record<string, Off>> = {
  sound: () => 0.4,
  saddle: (fret) => 7 * (2 ** (fret / 12) - 1),
  nut: (fret) => 9 * 2 ** (-fret / 6),
  high: (fret, pressure) => 4 + 0.1 * fret + (pressure === 'hard' ? 6 : 0),
  'one fret': (fret) => (fret === 7 ? 8 : 0.2),
  mixed: (fret, pressure) =>
    -4 * (2 ** (fret / 12) - 1) + 5 * 2 ** (-fret / 5) + (pressure === 'hard' ? 3 : 0),
  scattered: (fret) => 5 * Math.sin(2.3 * fret),
};

function readings(off: Off, noise: number, pressures: readonly Pressure[]): FretReading[] {
  const random = seededRandom(6);
  return sequenceOf(USEFUL_FRETS, pressures).map((place, at) => ({
    course: 1,
    place,
    cents:
      4 +
      100 * semitonesOf(place) +
      (place.kind === 'fret' ? off(place.fret, place.pressure) : 0) +
      noise * normal(random),
    errorCents: 0.4 + 0.1 * (at % 3),
    at,
  }));
}

const banjo = findModel('banjo-five')!.build('b', 'B');

const said = (off: Off) => {
  const plain = causesOf(readings(off, 0.4, ['normal']));
  const all = readings(off, 0.7, ['soft', 'normal', 'hard']);
  const causes = causesOf(all);
  const fitted = (one: typeof plain) =>
    one.kind === 'fitted' && {
      causes: one.causes,
      strange: one.strange,
      at: [1, 5, 12].map((fret) => one.at(fret, 'normal')),
      amounts: one.causes.map((cause) => amountOf(cause, 648)),
    };
  return {
    plain: fitted(plain),
    all: fitted(causes),
    few: causesOf(all.slice(0, 7)),
    findings: findingsOf(banjo, new Map([1, 3].map((course) => [course, causes]))),
  };
};

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
    ...Object.fromEntries(Object.entries(NECKS).map(([name, off]) => [name, digest(said(off))])),
    bridge: digest(bridgeEnds(660, tests)),
    shifts: digest([saddleShift(660, 7), nutShift(648, -5)]),
    compromises: digest(compromises()),
  };
}
