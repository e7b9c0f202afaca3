import { findTuning, type Target, targetsOf } from '@rosefinch/core/music';
import { findModel, stiffnessOf } from '@rosefinch/core/strings';
import type { Hz, Seconds } from '@rosefinch/core/units';

/** One open string: what it sounds, how stiff it may be, and how long it rings. */
export interface OpenString {
  readonly name: string;
  readonly hz: Hz;
  /** Range of B. */
  readonly stiffness: readonly [number, number];
  /** Decay time of its first partial to 1/e. */
  readonly decay: Seconds;
  /** The strings of the same instrument, for neighbours that sound along. */
  readonly set: readonly Hz[];
}

type Row = readonly [hz: Hz, low: number, high: number];

/** Stiffness of played strings: plain steel 1e-5 to 1.1e-4, wound steel 3e-5 to 2e-4, nylon 5e-6 to 2e-4. */
const SETS: Readonly<Record<string, { decay: Seconds; rows: readonly Row[] }>> = {
  'steel guitar': {
    decay: 2.6,
    rows: [
      [82.4069, 3e-5, 2e-4],
      [110, 3e-5, 1.2e-4],
      [146.8324, 3e-5, 1.2e-4],
      [195.9977, 3e-5, 1.2e-4],
      [246.9417, 2e-5, 7e-5],
      [329.6276, 1e-5, 3e-5],
    ],
  },
  'nylon guitar': {
    decay: 1.3,
    rows: [
      [82.4069, 5e-6, 4e-5],
      [110, 5e-6, 4e-5],
      [146.8324, 5e-6, 4e-5],
      [195.9977, 2e-5, 2e-4],
      [246.9417, 1e-5, 1e-4],
      [329.6276, 5e-6, 5e-5],
    ],
  },
  banjo: {
    decay: 0.9,
    rows: [
      [391.9954, 1e-5, 5e-5],
      [146.8324, 2e-5, 1.7e-4],
      [195.9977, 2e-5, 1e-4],
      [246.9417, 1e-5, 7e-5],
      [293.6648, 1e-5, 5e-5],
    ],
  },
  ukulele: {
    decay: 0.8,
    rows: [
      [391.9954, 5e-6, 6e-5],
      [261.6256, 1e-5, 1e-4],
      [329.6276, 5e-6, 8e-5],
      [440, 5e-6, 8e-5],
    ],
  },
};

/** The 21 open strings of the corpus. */
export const OPEN_STRINGS: readonly OpenString[] = Object.entries(SETS).flatMap(
  ([name, { decay, rows }]) =>
    rows.map(([hz, low, high], i) => ({
      name: `${name} ${rows.length - i}`,
      hz,
      stiffness: [low, high] as const,
      decay: decay * (110 / hz) ** 0.45,
      set: rows.map(([other]) => other),
    })),
);

/** Ringing time to 1/e at 110 Hz, by what the strings are. */
const DECAYS = { bass: 3, steel: 2.6, nylon: 1.3, banjo: 0.9 } as const;

/** The open strings of a model in its tuning; stiffness scatters by a third around that of its gauges. */
export function stringsOfModel(id: string): {
  readonly targets: Target[];
  readonly strings: OpenString[];
} {
  const instrument = findModel(id)!.build('x', 'X');
  const targets = targetsOf(findTuning(instrument.tuningId)!, 440);
  const made =
    instrument.kind === 'guitar' || instrument.kind === 'ukulele' ? null : instrument.kind;
  const strings = targets.map(({ course, hz }): OpenString => {
    const { spec } = instrument.courses[course - 1]!.strings[0]!;
    const b = stiffnessOf(spec, instrument.scaleMm, hz);
    const decay = DECAYS[made ?? (spec.material === 'steel' ? 'steel' : 'nylon')];
    return {
      name: `${id} ${course}`,
      hz,
      stiffness: [b / 1.33, b * 1.33],
      decay: decay * (110 / hz) ** 0.45,
      set: [],
    };
  });
  return { targets, strings };
}
