import type { BenchGoal } from '../coach/index.ts';
import { ledger, replay } from '../coach/index.ts';
import type { Cents } from '../units.ts';
import type { LogEntry, Session } from './types.ts';

/** What a session came to for one string. */
interface StringSummary {
  readonly course: number;
  /** The first reading of the session. */
  readonly found: Cents | null;
  /** The last reading of the session. */
  readonly left: Cents | null;
  readonly plucks: number;
}

export interface SessionSummary {
  readonly strings: readonly StringSummary[];
  readonly passes: number;
  readonly plucks: number;
  /** The string that moved furthest from found to left, if any did. */
  readonly movedMost: { readonly course: number; readonly cents: Cents } | null;
}

/** Sums up a session from its log, course 1 first. */
export function summarise(
  session: Session,
  log: readonly LogEntry[],
  courses: number,
): SessionSummary {
  const order = Array.from({ length: courses }, (_, i) => i + 1);
  const goal: BenchGoal = { order, tolerance: session.tolerance };
  const state = replay(
    goal,
    log.map((entry) => entry.event),
  );
  const rows = ledger(state);
  const strings = rows.map(({ course }) => {
    const all = state.passes.flatMap(
      (pass) => pass.strings.find((s) => s.course === course)?.readings ?? [],
    );
    const found = all[0]?.cents ?? null;
    const left = all.at(-1)?.cents ?? null;
    return { course, found, left, plucks: all.length };
  });
  const moves = strings
    .filter((s) => s.plucks > 1)
    .map((s) => ({ course: s.course, cents: s.left! - s.found! }))
    .sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents));
  return {
    strings,
    passes: state.passes.length,
    plucks: strings.reduce((sum, s) => sum + s.plucks, 0),
    movedMost: moves[0] ?? null,
  };
}
