import type { Cents, EpochMs, Seconds } from '../units.ts';
import { type Draw, drawsOf } from './creeping.ts';
import type { StringHistory } from './history.ts';
import { watchNeeded } from './nextWatch.ts';
import { type Outlook, outlookOf, type Wanted } from './outlook.ts';
import { type PullAdvice, pullAdvice } from './pulls.ts';
import { dropsSeen, type Slips, slipsOf } from './slips.ts';
import { type Bound, isVouchedFor, type Watch, watchedHold, watchOf } from './watch.ts';

/** What is asked of the strings. */
export interface SettlingGoal {
  /** Cents that a string may be off in a lesson; more than it is tuned to. */
  readonly tolerance: Cents;
  /** How long a lesson lasts. */
  readonly lesson: Seconds;
  /** Pulls before each reading; one where it is missing. */
  readonly pulls?: number;
  /** How much above its note a string is tuned; 0 where it is missing. */
  readonly high?: Cents;
}

/** All that is said of a settling string, as of the newest reading of all strings. */
export interface StringSettling {
  readonly history: StringHistory;
  /** As it stands; null where it is out of tune. */
  readonly stands: Outlook | null;
  /** Once it is brought to its note: now, or for the lesson that is planned. */
  readonly lifted: Outlook;
  /** It holds the lesson, once it is brought to its note. */
  readonly holds: boolean;
  readonly watch: Watch | null;
  /** Left alone for so long from its last reading on, one pluck would make the lesson sure; null where that is not soon. */
  readonly sureAfter: Seconds | null;
  readonly pull: PullAdvice;
  readonly slips: Slips;
}

/** The promise is at most so many times what holds by the watch alone: after a night the draws are too sure. */
const BEYOND_WATCH = 1.5;
/** … and less of a watch shorter than this: what a pull and a lift leave behind is still going on. */
const SHORT_WATCH: Seconds = 150;
const BEYOND_SHORT = 1.2;
/** A string near the edge of what a lesson allows that may leave within this is brought up as one that has left. */
const AT_THE_EDGE: Seconds = 20;
const NEAR_EDGE = 0.5;
/** Before any watch nothing longer is promised. */
const UNWATCHED: Seconds = 120;

/** A string's draws and what they say. */
export interface Judged {
  readonly draws: readonly Draw[];
  readonly settling: StringSettling;
}

/**
 * Everything about one string that was read.
 * @param since time since its last reading at which it is judged
 * @param ahead time from there until the lesson; 0 where none is planned
 */
export function judgedString(
  history: StringHistory,
  since: Seconds,
  ahead: Seconds,
  { tolerance, lesson, pulls = 1, high = 0 }: SettlingGoal,
): Judged {
  const { material, events, aside } = history;
  const seen = dropsSeen(history.taken);
  const wanted: Wanted = { material, tolerance, lesson, aim: high };
  const draws = drawsOf(events, { material, mightSlip: seen.length > 0, pulls }).map((draw) => ({
    ...draw,
    cents: draw.cents + aside,
  }));
  const watch = watchOf(events);
  const stands = standsOf(draws, history, since, wanted);
  const bound = watchedHold(events, material, tolerance);
  const lifted = capped(outlookOf(draws, { wait: since + ahead, lifted: true }, wanted), bound);
  return {
    draws,
    settling: {
      history,
      stands,
      lifted,
      watch,
      holds: isVouchedFor(lifted.lesson, bound, lesson),
      sureAfter: watchNeeded(draws, history, wanted),
      pull: pullAdvice(draws, since, ahead, watch?.seconds ?? 0, wanted),
      slips: slipsOf(draws, seen),
    },
  };
}

/** As it stands: nothing of a string that is out of tune, or that may be at any moment. */
function standsOf(
  draws: readonly Draw[],
  { events, last }: StringHistory,
  since: Seconds,
  wanted: Wanted,
): Outlook | null {
  const { material, tolerance } = wanted;
  if (!last || Math.abs(last.cents) > tolerance) return null;
  const bound = watchedHold(events, material, tolerance, last.cents);
  const then = capped(outlookOf(draws, { wait: 0, lifted: false }, wanted), bound);
  const isNearEdge = Math.abs(last.cents) > NEAR_EDGE * tolerance;
  if (isNearEdge && then.promise < AT_THE_EDGE) return null;
  const { hold, promise } = then;
  const left = (seconds: Seconds) => Math.max(0, seconds - since);
  return {
    promise: left(promise),
    hold: { expected: left(hold.expected), low: left(hold.low), high: left(hold.high) },
    lesson: outlookOf(draws, { wait: since, lifted: false }, wanted).lesson,
  };
}

/** The promise goes no further than what was watched allows. */
function capped(outlook: Outlook, bound: Bound | null): Outlook {
  const beyond = bound && bound.watch < SHORT_WATCH ? BEYOND_SHORT : BEYOND_WATCH;
  const most = bound ? beyond * bound.hold : UNWATCHED;
  return { ...outlook, promise: Math.min(outlook.promise, most) };
}

/** What is said of a string: as it stands, or once brought up where it is out of tune. */
export function outlookNow({ stands, lifted }: StringSettling): Outlook {
  return stands ?? lifted;
}

/** What is left of its promise at a moment; 0 of a string that is out of tune. @param at when it was judged */
export function stillSure({ stands }: StringSettling, at: EpochMs, now: EpochMs): Seconds {
  return stands ? Math.max(0, stands.promise - (now - at) / 1000) : 0;
}

/** The string that decides for the instrument: the one with the shortest promise. */
export function weakest(strings: readonly StringSettling[]): StringSettling | null {
  return strings.reduce<StringSettling | null>(
    (worst, string) =>
      worst && outlookNow(worst).promise <= outlookNow(string).promise ? worst : string,
    null,
  );
}
