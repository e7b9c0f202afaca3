import { centsBetween } from '../music/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { Advice } from './advice.ts';
import { offBy } from './bench.ts';
import type { HeardPluck } from './heard.ts';

/** What a player is told while the figures are hidden. */
export function byEarAdvice(course: number): Advice {
  return {
    say: `By ear: bring string ${course} to its note.`,
    more: 'D sounds the note. Space shows how near you came.',
  };
}

/** A movement below this is none. */
const LEAST_MOVE: Cents = 1;

/**
 * Two checks of one string: whether ear and display agree, and whether the last movement
 * of its pitch was upward. Null while it was not heard.
 */
export function earVerdict(
  plucks: readonly HeardPluck[],
  course: number,
  tolerance: Cents,
): Advice | null {
  const own = plucks.filter(({ reading }) => reading?.course === course);
  const last = own.at(-1)?.reading;
  if (!last) return null;
  const off = offBy(last);
  const say =
    Math.abs(off) <= tolerance
      ? 'Ear and display agree.'
      : `Your ear left it ${Math.abs(off).toFixed(1)} cents ${off < 0 ? 'low' : 'high'}.`;
  return { say, more: MOVEMENTS[lastMovement(own)] };
}

const MOVEMENTS = {
  up: 'The last movement was upward, as it should be.',
  down: 'The last movement was downward: go below, then come up once.',
  none: 'It was not moved.',
} as const;

/** Which way the pitch went last, over the readings and what rang after them. */
function lastMovement(plucks: readonly HeardPluck[]): keyof typeof MOVEMENTS {
  const pitches = plucks.flatMap(({ reading, ringing }): Hz[] =>
    reading ? [reading.hz, ...(ringing ? [ringing.endHz] : [])] : [],
  );
  for (let i = pitches.length - 1; i > 0; i--) {
    const moved = centsBetween(pitches[i - 1]!, pitches[i]!);
    if (Math.abs(moved) >= LEAST_MOVE) return moved > 0 ? 'up' : 'down';
  }
  return 'none';
}
