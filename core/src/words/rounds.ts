import {
  type Heard,
  minutesLeft,
  type Round,
  type RoundEntry,
  type Standing,
} from '../rounds/index.ts';
import type { EpochMs } from '../units.ts';
import { fixed } from '../writing.ts';
import { dayAsSaid, whenInWords } from './dates.ts';
import { counted } from './figures.ts';
import type { Sentence } from './sentence.ts';
import type { Clock } from './settling.ts';

const MINUTE_MS = 60_000;

/** What is asked for of the instrument in hand in a round. */
export interface RoundTask {
  /** @example 'Wren' */
  readonly name: string;
  readonly way: Round['way'];
  readonly heard: Heard;
  /** Another instrument of the round that this one may be, or one of several alike; null for none. */
  readonly mayBe: { readonly name: string; readonly isOne: boolean } | null;
  /** The one before it, and what became of it. */
  readonly before: { readonly name: string; readonly standing: Standing } | null;
}

/** What to do with the instrument in hand. Null while its strings are tuned: the bench says how. */
export function roundTaskInWords({ name, way, heard, mayBe, before }: RoundTask): Sentence | null {
  if (mayBe !== null)
    return {
      say: `Is this ${mayBe.name}?`,
      more: `${mayBe.isOne ? `Enter takes ${mayBe.name}` : 'Enter asks which one'}; Space goes on with ${name}.`,
    };
  const more = before ? `${before.name}: ${STANDINGS[before.standing]}.` : '';
  switch (heard.kind) {
    case 'unread':
      return unreadInWords(name, way, heard, more);
    case 'once more':
      return {
        say: `${name}: strum once more.`,
        more: 'So much was turned that the others may have moved.',
      };
    case 'right':
    case 'done':
      return { say: `${name}: ${STANDINGS[heard.kind]}.`, more };
    case 'off':
      return null;
  }
}

function unreadInWords(
  name: string,
  way: Round['way'],
  { courses, of }: Extract<Heard, { kind: 'unread' }>,
  before: string,
): Sentence {
  if (courses.length < of) {
    const which = `${courses.length === 1 ? 'string' : 'strings'} ${courses.join(' and ')}`;
    const alone = courses.length === 1 ? 'Pluck it alone' : 'Pluck each alone';
    return { say: `${name}: ${which} not heard.`, more: `${alone}, or strum again.` };
  }
  const call = way === 'roll call' ? 'strum once.' : 'one strum over all strings.';
  return { say: `${name}: ${call}`, more: before || 'Or each string once.' };
}

/** What became of an instrument of a round. */
export const STANDINGS: Readonly<Record<Standing, string>> = {
  waiting: 'waits',
  right: 'right as it is',
  done: 'put right',
  off: 'off',
  skipped: 'skipped',
  'needs a string': 'needs a string',
  'to the repairer': 'to the repairer',
};

/** How far a round is, how long it will take, and whether that is in time. */
export function roundInWords(
  round: Pick<Round, 'entries' | 'by'>,
  { now, zone, reader }: Clock,
): string {
  const { entries, by } = round;
  const minutes = minutesLeft(round);
  const left = entries.filter(({ standing }) => standing === 'waiting').length;
  if (left === 0) return `all ${entries.length} done with`;
  const needed = `${left} of ${entries.length} left, about ${counted(Math.max(1, Math.round(minutes)), 'minute')}`;
  if (by === null) return needed;
  const spare = (by - now) / MINUTE_MS - minutes;
  const until = `by ${whenInWords(by, zone, now, reader).replace(/^today /, '')}`;
  if (spare >= 0) return `${needed}, in time (${until})`;
  return `${needed}, ${counted(Math.ceil(-spare), 'minute')} too many (${until})`;
}

/** The same for a place with little room. */
export function roundInShort(round: Pick<Round, 'entries' | 'by'>, now: EpochMs): string {
  const left = round.entries.filter(({ standing }) => standing === 'waiting').length;
  const minutes = minutesLeft(round);
  const needed = `${left} of ${round.entries.length} left, ${Math.max(1, Math.round(minutes))} min`;
  if (round.by === null) return needed;
  const spare = (round.by - now) / MINUTE_MS - minutes;
  return spare >= 0 ? `${needed}, in time` : `${needed}, ${Math.ceil(-spare)} too many`;
}

/** What is to be done with an instrument after the round; empty for nothing. */
export function laterInWords(
  { standing }: Pick<RoundEntry, 'standing'>,
  off: readonly { readonly course: number; readonly cents: number }[],
  due: EpochMs | null,
  { zone, now, reader }: Clock,
): string {
  if (standing === 'waiting' || standing === 'skipped') return 'Still to be looked at.';
  if (standing === 'needs a string') return 'Put a string on.';
  if (standing === 'to the repairer') return 'Take it to the repairer.';
  if (off.length > 0) {
    const strings = off.map(
      ({ course, cents }) =>
        `string ${course} ${fixed(Math.abs(cents))} cents ${cents < 0 ? 'low' : 'high'}`,
    );
    return `To be tuned: ${strings.join(', ')}.`;
  }
  return due === null ? '' : `Look again ${dayAsSaid(due, zone, now, reader)}.`;
}
