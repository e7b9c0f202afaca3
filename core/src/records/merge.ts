import type { Session } from '../sitting/index.ts';
import type { TableName, Tables } from './shapes.ts';
import type { Kept } from './types.ts';

/** How a record of a file stands to the one of the same id that is here. */
export type Newness = 'new' | 'same' | 'newer' | 'older' | 'different';

/** Which one stays where both are there and differ. */
export type Preference = 'newer' | 'file' | 'here';

/** How a record that comes in stands to what is here. Those without a date of change are older than any that has one. */
export function newnessOf<K extends TableName>(
  incoming: Tables[K],
  present: Tables[K] | undefined,
): Newness {
  if (present === undefined) return 'new';
  if (canonical(incoming) === canonical(present)) return 'same';
  const [theirs, ours] = [changedAt(incoming), changedAt(present)];
  if (theirs === ours) return 'different';
  return theirs > ours ? 'newer' : 'older';
}

/**
 * What is to be stored of a record that comes in; null where what is here stays. An ended
 * session is never opened again.
 */
export function merged<K extends TableName>(
  table: K,
  incoming: Tables[K],
  present: Tables[K] | undefined,
  preference: Preference,
): Tables[K] | null {
  const standing = newnessOf(incoming, present);
  if (standing === 'same' || (preference === 'here' && standing !== 'new')) return null;
  if (preference === 'newer' && (standing === 'older' || standing === 'different')) return null;
  if (table !== 'sessions' || present === undefined) return incoming;
  const { endedAt } = present as Session;
  const session = incoming as Session;
  return (session.endedAt === null && endedAt !== null
    ? { ...session, endedAt }
    : session) as unknown as Tables[K];
}

function changedAt(record: Kept<object>): number {
  return record.changedAt ?? 0;
}

/** The same text for the same content, whatever the order of its fields; when it was changed does not count. */
function canonical(record: object): string {
  return JSON.stringify({ ...record, changedAt: undefined }, (_, value) => {
    if (value instanceof Float32Array) return [...value];
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
    return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
  });
}
