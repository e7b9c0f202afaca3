import type { EarRun } from '@rosefinch/core/ear';
import { csvText, rounded } from '../../data/index.ts';

/** Every answer of one ear, a row each. Times in UTC, as ISO 8601. */
export function answersCsv(name: string, runs: readonly EarRun[]): string {
  const columns = [
    'learner',
    'exercise',
    'at_utc',
    'of',
    'asked_cents',
    'answer',
    'off_cents',
    'took_s',
    'hands_lower',
    'hands_same',
    'hands_higher',
  ] as const;
  const rows = runs.flatMap(({ exercise, trials }) =>
    trials.map(({ at, cell, asked, answer, off, tookMs, hands }) => ({
      learner: name,
      exercise,
      at_utc: new Date(at).toISOString(),
      of: cell,
      asked_cents: rounded(asked, 2),
      answer: answer ?? null,
      off_cents: off === undefined ? null : rounded(off, 2),
      took_s: tookMs === undefined ? null : rounded(tookMs / 1000, 1),
      hands_lower: hands?.lower ?? null,
      hands_same: hands?.same ?? null,
      hands_higher: hands?.higher ?? null,
    })),
  );
  return csvText(columns, rows);
}
