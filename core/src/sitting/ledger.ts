import type { Cents } from '../units.ts';
import {
  type BenchState,
  currentPass,
  isClosed,
  lastOfEarlierPass,
  type Standing,
  stringOf,
} from './replay.ts';

/** Found and left of one string over the passes, for the ledger; left only where it came to rest. */
export interface LedgerRow {
  readonly course: number;
  readonly passes: readonly { readonly found: Cents | null; readonly left: Cents | null }[];
  /** First reading of the present pass less the last one of the pass before. */
  readonly moved: Cents | null;
  readonly standing: Standing;
}

export function ledger(state: BenchState): LedgerRow[] {
  const pass = currentPass(state);
  return pass.strings.map(({ course, standing, readings }) => {
    const passes = state.passes.map((p) => {
      const entry = stringOf(p, course);
      const all = entry?.readings ?? [];
      const over = p !== pass || standing === 'at rest' || (entry && isClosed(entry));
      return { found: all[0]?.cents ?? null, left: over ? (all.at(-1)?.cents ?? null) : null };
    });
    const before = lastOfEarlierPass(state, course);
    const first = readings[0];
    return { course, passes, standing, moved: before && first ? first.cents - before.cents : null };
  });
}
