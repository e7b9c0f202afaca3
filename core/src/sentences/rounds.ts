import {
  type Clock,
  list,
  type Message,
  message,
  moment,
  type Sentence,
  type Value,
} from '../message.ts';
import {
  type Heard,
  minutesLeft,
  type Round,
  type RoundEntry,
  type Standing,
} from '../rounds/index.ts';
import type { EpochMs } from '../units.ts';

const MINUTE_MS = 60_000;

/** What is asked for of the instrument in hand in a round. */
export interface RoundTask {
  /** @example 'Wren' */
  readonly name: string;
  readonly way: Round['way'];
  readonly heard: Heard;
  /** Another instrument of the round that this one may be, or one of several alike; null for none. */
  readonly mayBe: { readonly name: Value; readonly isOne: boolean } | null;
  /** The one before it, and what became of it. */
  readonly before: { readonly name: string; readonly standing: Standing } | null;
}

/** What to do with the instrument in hand. Null while its strings are tuned: the bench says how. */
export function roundTaskInWords({ name, way, heard, mayBe, before }: RoundTask): Sentence | null {
  if (mayBe !== null)
    return {
      say: message('rounds.isThis', { other: mayBe.name }),
      more: mayBe.isOne
        ? message('rounds.isThis.more', { other: mayBe.name, name })
        : message('rounds.isOneOf.more', { name }),
    };
  const more = before
    ? message('rounds.was', { name: before.name, standing: standingOf(before.standing) })
    : null;
  switch (heard.kind) {
    case 'unread':
      return unreadInWords(name, way, heard, more);
    case 'once more':
      return {
        say: message('rounds.onceMore', { name }),
        more: message('rounds.onceMore.more'),
      };
    case 'right':
    case 'done':
      return { say: message('rounds.was', { name, standing: standingOf(heard.kind) }), more };
    case 'off':
      return null;
  }
}

function unreadInWords(
  name: string,
  way: Round['way'],
  { courses, of }: Extract<Heard, { kind: 'unread' }>,
  before: Message | null,
): Sentence {
  if (courses.length < of) {
    const count = courses.length;
    return {
      say: message('rounds.notHeard', { name, count, strings: list(courses, 'and') }),
      more: message('rounds.notHeard.more', { count }),
    };
  }
  return {
    say: way === 'rollCall' ? message('rounds.call', { name }) : message('rounds.strum', { name }),
    more: before ?? message('rounds.strum.more'),
  };
}

/** What became of an instrument of a round. */
export function standingOf(standing: Standing): Message {
  return message('rounds.standing', { standing });
}

/** Instruments left, minutes that they take, and how many minutes are to spare; null without a time. */
function progressOf(round: Pick<Round, 'entries' | 'by'>, now: EpochMs) {
  const left = round.entries.filter(({ standing }) => standing === 'waiting').length;
  const minutes = minutesLeft(round);
  const spare = round.by === null ? null : (round.by - now) / MINUTE_MS - minutes;
  return { left, all: round.entries.length, minutes: Math.max(1, Math.round(minutes)), spare };
}

/** How far a round is, how long it will take, and whether that is in time. */
export function roundInWords(round: Pick<Round, 'entries' | 'by'>, clock: Clock): Message {
  const { left, all, minutes, spare } = progressOf(round, clock.now);
  if (left === 0) return message('rounds.allDone', { all });
  if (spare === null || round.by === null) return message('rounds.left', { left, all, minutes });
  const by = moment(round.by, clock, 'time');
  return spare >= 0
    ? message('rounds.leftInTime', { left, all, minutes, by })
    : message('rounds.leftTooLate', { left, all, minutes, late: Math.ceil(-spare), by });
}

/** The same for a place with little room. */
export function roundInShort(round: Pick<Round, 'entries' | 'by'>, now: EpochMs): Message {
  const { left, all, minutes, spare } = progressOf(round, now);
  if (spare === null) return message('rounds.leftShort', { left, all, minutes });
  return spare >= 0
    ? message('rounds.leftInTimeShort', { left, all, minutes })
    : message('rounds.leftTooLateShort', { left, all, minutes, late: Math.ceil(-spare) });
}

/** What is to be done with an instrument after the round; null for nothing. */
export function laterInWords(
  { standing }: Pick<RoundEntry, 'standing'>,
  off: readonly { readonly course: number; readonly cents: number }[],
  due: EpochMs | null,
  clock: Clock,
): Message | null {
  if (standing === 'waiting' || standing === 'skipped') return message('rounds.notLookedAt');
  if (standing === 'needsString') return message('rounds.putStringOn');
  if (standing === 'toRepairer') return message('rounds.takeToRepairer');
  if (off.length > 0)
    return message('rounds.toBeTuned', {
      strings: list(
        off.map(({ course, cents }) =>
          message('rounds.stringOff', {
            side: cents < 0 ? 'low' : 'high',
            string: course,
            cents: Math.abs(cents),
          }),
        ),
      ),
    });
  return due === null
    ? null
    : message('rounds.lookAgain', { day: moment(due, clock, 'spoken day') });
}
