import type { BenchEvent } from './events.ts';

type Attributed = Extract<BenchEvent, { type: 'attributed' }>;

/**
 * A log as it is read: every pluck with the string that it was put to in the end. Lines keep
 * their places, and what put a pluck to another string stays among them.
 */
export function withAttributions<Line extends { readonly event: BenchEvent }>(
  log: readonly Line[],
): readonly Line[] {
  const last = new Map<number, Attributed>();
  for (const { event } of log) if (event.type === 'attributed') last.set(event.hz, event);
  if (last.size === 0) return log;
  return log.map((line) => ({ ...line, event: attributed(line.event, last) }));
}

function attributed(event: BenchEvent, last: ReadonlyMap<number, Attributed>): BenchEvent {
  if (event.type === 'reading') {
    const to = last.get(event.reading.hz);
    if (!to || to.course === event.reading.course) return event;
    const { aim: _, ...reading } = event.reading;
    return { ...event, reading: { ...reading, ...placeOf(to) } };
  }
  if (event.type !== 'unattributed') return event;
  const to = last.get(event.pitch.hz);
  if (!to) return event;
  const { pitch, ...rest } = event;
  return { ...rest, type: 'reading', reading: { ...pitch, ...placeOf(to) } };
}

function placeOf({ course, cents, aim }: Attributed) {
  return { course, cents, ...(aim !== undefined && { aim }) };
}
