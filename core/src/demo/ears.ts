import type { EarRun, EarTrial, ExerciseKind } from '../ear/index.ts';
import { between, normal, nth, type Random, seededRandom } from '../maths/index.ts';
import { type Cents, DAY_MS, type EpochMs } from '../units.ts';

const SEED = 411;
/** Between two answers, in ms. */
const AN_ANSWER = 7000;
const DIFFERENCES: readonly Cents[] = [2, 4, 7, 12, 20, 35, 60];
const CELLS = ['low pluck', 'low tone', 'middle pluck', 'middle tone', 'high pluck', 'high tone'];
/** Low strings are heard less finely. */
const COARSER: Readonly<Record<string, number>> = { low: 2.1, middle: 1, high: 0.9 };

/** Days ago on which an exercise was done, so many answers each. */
const DONE: readonly {
  readonly exercise: ExerciseKind;
  readonly ago: readonly number[];
  readonly answers: number;
}[] = [
  { exercise: 'direction', ago: [44, 41, 37, 33, 28, 24, 19, 13, 9, 4, 1], answers: 18 },
  { exercise: 'match', ago: [40, 34, 29, 22, 16, 10, 5], answers: 6 },
  { exercise: 'beats', ago: [21, 15, 8], answers: 6 },
];

/** What an invented ear without a name has practised up to a moment: its differences halve in six weeks. Seeded. */
export function saltmarshEar(now: EpochMs, zone: string): EarRun[] {
  const random = seededRandom(SEED);
  return DONE.flatMap(({ exercise, ago, answers }) =>
    ago.map((days): EarRun => {
      const startedAt = now - days * DAY_MS;
      const width = 9 * 2 ** (days / 40);
      const trials = Array.from({ length: answers }, (_, i): EarTrial => {
        const at = startedAt + (i + 1) * AN_ANSWER;
        return exercise === 'direction'
          ? answered(at, nth(CELLS, i % CELLS.length), width, random)
          : done(at, exercise, i, width, random);
      });
      return {
        id: `ear-${exercise}-${days}`,
        learnerId: null,
        exercise,
        startedAt,
        zone,
        doneAt: startedAt + (answers + 1) * AN_ANSWER,
        trials,
      };
    }),
  );
}

function answered(at: EpochMs, cell: string, width: Cents, random: Random): EarTrial {
  const own = width * (COARSER[cell.split(' ')[0] ?? ''] ?? 1);
  const asked =
    nth(DIFFERENCES, Math.floor(random() * DIFFERENCES.length)) * (random() < 0.5 ? -1 : 1);
  const heard = asked + own * normal(random);
  const answer = Math.abs(heard) < own / 5 ? 'same' : heard < 0 ? 'lower' : 'higher';
  return { at, cell, asked, answer, tookMs: Math.round(between(random, 500, 2500)) };
}

const PAIRS = ['unison', 'octave', 'fretted'];

function done(
  at: EpochMs,
  exercise: ExerciseKind,
  i: number,
  width: Cents,
  random: Random,
): EarTrial {
  const cell = exercise === 'beats' ? nth(['count', 'stop'], i % 2) : nth(PAIRS, i % PAIRS.length);
  const asked = between(random, 15, 45) * (random() < 0.5 ? -1 : 1);
  const off = (width / 5) * normal(random);
  return { at, cell, asked, off, tookMs: Math.round(between(random, 6000, 20_000)) };
}
