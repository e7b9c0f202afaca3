import type { Page } from '@playwright/test';

/** Everything in one table of the demo’s database, as it is on the disk. */
export function tableOf<T>(page: Page, name: string): Promise<T[]> {
  return page.evaluate(
    (store) =>
      new Promise<T[]>((resolve, reject) => {
        const opening = indexedDB.open('rosefinch-demo');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const all = opening.result.transaction(store).objectStore(store).getAll();
          all.onsuccess = () => {
            opening.result.close();
            resolve(all.result as T[]);
          };
          all.onerror = () => reject(all.error);
        };
      }),
    name,
  );
}

interface Line {
  readonly id: string;
  readonly sessionId: string;
  readonly number: number;
  readonly event: { readonly type: string };
}

/** What is half-stored or twice there; nothing if all is whole. */
export async function incongruities(page: Page): Promise<string[]> {
  const events = await tableOf<Line>(page, 'events');
  const sessions = new Set((await tableOf<{ id: string }>(page, 'sessions')).map(({ id }) => id));
  const measured = new Set(
    (await tableOf<{ id: string }>(page, 'measurements')).map(({ id }) => id),
  );
  const summaries = await tableOf<{ id: string; plucks: number }>(page, 'summaries');
  const readings = events.filter(({ event }) => event.type === 'reading');
  const faults: string[] = [];
  for (const { id, sessionId } of events)
    if (!sessions.has(sessionId)) faults.push(`event ${id} without its sitting`);
  for (const { id } of readings)
    if (!measured.has(id)) faults.push(`reading ${id} without its measurement`);
  if (measured.size !== readings.length) faults.push('measurements without their event');
  if (new Set(events.map(({ number }) => number)).size !== events.length)
    faults.push('a number was given twice');
  for (const { id, plucks } of summaries) {
    const counted = readings.filter(({ sessionId }) => sessionId === id).length;
    if (counted !== plucks) faults.push(`summary of ${id} says ${plucks}, its log ${counted}`);
  }
  if (summaries.length !== sessions.size) faults.push('sittings without a summary');
  return faults;
}
