import { centsBetween } from '../music/index.ts';
import { offBy } from '../sitting/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { HeardPluck } from './heard.ts';

/** A movement below this is none. */
const LEAST_MOVE: Cents = 1;

/** How near an ear came without the figures. */
export interface EarVerdict {
  /** From where the string was to be brought. */
  readonly off: Cents;
  /** Within the tolerance: ear and display agree. */
  readonly agrees: boolean;
  /** Which way the pitch went last. */
  readonly movement: 'up' | 'down' | 'none';
}

/**
 * Two checks of one string: whether ear and display agree, and whether the last movement
 * of its pitch was upward. Null while it was not heard.
 */
export function earVerdict(
  plucks: readonly HeardPluck[],
  course: number,
  tolerance: Cents,
): EarVerdict | null {
  const own = plucks.filter(({ reading }) => reading?.course === course);
  const last = own.at(-1)?.reading;
  if (!last) return null;
  const off = offBy(last);
  return { off, agrees: Math.abs(off) <= tolerance, movement: lastMovement(own) };
}

/** Which way the pitch went last, over the readings and what rang after them. */
function lastMovement(plucks: readonly HeardPluck[]): EarVerdict['movement'] {
  const pitches = plucks.flatMap(({ reading, ringing }): Hz[] =>
    reading ? [reading.hz, ...(ringing ? [ringing.endHz] : [])] : [],
  );
  const moves = pitches.slice(1).map((hz, i) => centsBetween(pitches[i] ?? hz, hz));
  const last = moves.findLast((move) => Math.abs(move) >= LEAST_MOVE);
  if (last === undefined) return 'none';
  return last > 0 ? 'up' : 'down';
}
