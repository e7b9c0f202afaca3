import type { RoundEntry } from '@rosefinch/core/rounds';
import type { Listed } from '../../data/index.ts';
import type { Judged } from '../../parts/drift/index.ts';

const MINUTE_MS = 60_000;

/** A line of the sheet. */
export interface Line {
  readonly entry: RoundEntry;
  readonly name: string;
  readonly listed: Listed | undefined;
  readonly judged: Judged | undefined;
  /** How long it was in hand; null where it was not. */
  readonly minutes: number | null;
  /** Strings that were left off. */
  readonly off: readonly { readonly course: number; readonly cents: number }[];
}

type Known = Pick<Line, 'name' | 'listed' | 'judged'>;

export function lineOf(entry: RoundEntry, known: Known): Line {
  const { from, to } = entry;
  const off = (known.listed?.summary.strings ?? []).flatMap(
    ({ course, left, leftAim = 0, inTune }) =>
      left !== null && inTune === false ? [{ course, cents: left - leftAim }] : [],
  );
  const minutes = from !== undefined && to !== undefined ? (to - from) / MINUTE_MS : null;
  return { entry, ...known, minutes, off };
}
