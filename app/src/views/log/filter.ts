import type { Session } from '@rosefinch/core/sitting';
import { DAY_MS } from '@rosefinch/core/units';

/** Which sessions are wanted; what is empty excludes nothing. */
export interface Filter {
  readonly text: string;
  readonly tuningId: string;
  /** Days, as ISO 8601 writes them. */
  readonly from: string;
  readonly to: string;
}

export const NO_FILTER: Filter = { text: '', tuningId: '', from: '', to: '' };

/** True for a session that every part of a filter lets through. Days are those of this machine's clock. */
export function isWanted(
  { instrumentId: id, tuningId, startedAt, source, work }: Session,
  filter: Filter & { readonly instrumentId: string | null },
  names: { readonly instrument: string; readonly tuning: string },
): boolean {
  const text = [names.instrument, names.tuning, source, work ?? ''].join(' ').toLowerCase();
  const words = filter.text.toLowerCase().split(/\s+/);
  return (
    (filter.instrumentId === null || filter.instrumentId === id) &&
    (filter.tuningId === '' || filter.tuningId === tuningId) &&
    (filter.from === '' || startedAt >= dayStart(filter.from)) &&
    (filter.to === '' || startedAt < dayStart(filter.to) + DAY_MS) &&
    words.every((word) => text.includes(word))
  );
}

function dayStart(day: string): number {
  return new Date(`${day}T00:00`).getTime();
}
