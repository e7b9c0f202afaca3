import type { Seconds } from '../units.ts';
import type { Draw } from './creeping.ts';
import { type Outlook, outlookOf, type Wanted } from './outlook.ts';

/** A string that holds the lesson with this probability needs no pull; after a short watch, where little is known, only one that hardly ever does. */
const NEEDS_NONE = { watched: 0.4, hardly: 0.12 } as const;
const WATCHED: Seconds = 150;
/** A pull takes so long with bringing up and plucking; waiting is counted for the same time. */
const TAKES: Seconds = 60;
/** It must bring so much more hold time than waiting. */
const WORTH = 1.02;

/** Whether to pull a string again, against letting it wait. */
export interface PullAdvice {
  readonly worth: boolean;
  /** Expected hold time after one more pull, brought up … */
  readonly pulled: Outlook;
  /** … and after waiting for as long as a pull takes. */
  readonly waited: Outlook;
}

export function pullAdvice(
  draws: readonly Draw[],
  since: Seconds,
  ahead: Seconds,
  watched: Seconds,
  wanted: Wanted,
): PullAdvice {
  const waited = outlookOf(draws, { wait: since + Math.max(ahead, TAKES), lifted: true }, wanted);
  const pulled = outlookOf(
    draws,
    { wait: since + Math.max(ahead, TAKES), pulls: 1, lifted: true },
    wanted,
  );
  const gain = pulled.hold.expected / Math.max(1, waited.hold.expected);
  const none = watched >= WATCHED ? NEEDS_NONE.watched : NEEDS_NONE.hardly;
  return { worth: waited.lesson < none && gain > WORTH, pulled, waited };
}
