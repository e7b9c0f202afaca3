import type { EarChord, EarString } from '@rosefinch/core/dialogue';
import type { EarTrial, ExerciseKind } from '@rosefinch/core/ear';
import { findTuning, midiToHz, pureOffsets, type Tuning, targetsOf } from '@rosefinch/core/music';
import { cellOfTuning } from '@rosefinch/core/sentences';
import type { Stock } from '../../data/index.ts';
import { inHandOf } from '../../data/index.ts';

/** What every exercise is given. */
export interface ExerciseProps {
  readonly exercise: ExerciseKind;
  readonly stock: Stock;
  /** Five questions, then stop. */
  readonly minute: boolean;
  /** What this ear has answered in this exercise before, oldest first. */
  readonly before: readonly EarTrial[];
}

/** Chords are asked about on the tuning in hand, else on a guitar's. */
function tuningOf(stock: Stock): Tuning | undefined {
  return (
    findTuning(inHandOf(stock)?.tuningId ?? '', stock.tunings) ??
    findTuning('guitar-standard', stock.tunings)
  );
}

/** The strings that are compared with each other. */
export function stringsOf(stock: Stock): EarString[] {
  const tuning = tuningOf(stock);
  return tuning
    ? targetsOf(tuning, stock.settings.a4).map(({ course, hz }) => ({ course, hz }))
    : [];
}

/** G D G B, the highest first: a chord that is found on most open strings. */
const MAJOR = [71, 67, 62, 55] as const;
const ROOT = 7;

/** A chord with what would make it pure: for strings that are out the open ones in hand, else a major chord. */
export function chordFor(exercise: ExerciseKind, stock: Stock): EarChord {
  const { a4 } = stock.settings;
  if (exercise === 'pure')
    return {
      name: 'G D G B',
      hz: MAJOR.map((midi) => midiToHz(midi, a4)),
      pure: pureOffsets(MAJOR, ROOT, 1),
    };
  const hz = stringsOf(stock).map((string) => string.hz);
  const tuning = tuningOf(stock);
  return { name: tuning ? cellOfTuning(tuning) : 'open strings', hz, pure: hz.map(() => 0) };
}
