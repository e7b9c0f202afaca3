import type { Value } from '@rosefinch/core/message';
import type { Tuning } from '@rosefinch/core/music';
import { kindInWords } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';

/** What can be looked for: name, kind, note and groups, and the name of its tuning. */
export interface Sought {
  readonly instrument: Instrument;
  readonly tuning: Pick<Tuning, 'name'> | undefined;
}

/** True where every word that was typed stands somewhere in what is known of the instrument. */
export function isFound(
  { instrument, tuning }: Sought,
  typed: string,
  read: (name: Value) => string,
): boolean {
  const { name, kind, note, groups = [] } = instrument;
  const text = [name, read(kindInWords(kind)), note, read(tuning?.name ?? ''), ...groups]
    .join(' ')
    .toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** Every group that an instrument of the shelf belongs to, each once, as people count. */
export function groupsOf(
  shelf: readonly Pick<Sought, 'instrument'>[],
  order: Intl.Collator,
): string[] {
  const all = new Set(shelf.flatMap(({ instrument }) => instrument.groups ?? []));
  return [...all].sort(order.compare);
}
