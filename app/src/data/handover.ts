import { message } from '@rosefinch/core/message';
import { singleTuningId } from '@rosefinch/core/music';
import { noContents, type Tables, writeBackup } from '@rosefinch/core/records';
import type { RosefinchDatabase } from './database.ts';
import { logOf } from './log.ts';
import { StoreProblem } from './stored.ts';

/**
 * One instrument as a file for a colleague: a backup that holds nothing else, so that restoring it merges by id. With
 * its log all that is known of it goes along; the tunings of one's own that it is or was in always do.
 * @throws StoreProblem if it is not there
 */
export async function writeInstrument(
  db: RosefinchDatabase,
  { instrumentId, log }: { readonly instrumentId: string; readonly log: boolean },
  exportedAt: Date,
): Promise<Blob> {
  const contents = noContents();
  const kept = db.kept();
  await db.transaction('r', Object.values(kept), async () => {
    const instrument = await db.instruments.get(instrumentId);
    if (!instrument) throw new StoreProblem(message('records.notOnShelf'));
    contents.instruments = [instrument];
    const tunings = new Set([instrument.tuningId, instrument.homeTuningId]);
    if (log) {
      const of = <Name extends 'restringings' | 'fretChecks' | 'sessions' | 'marks'>(name: Name) =>
        db.table<Tables[Name], string>(name).where('instrumentId').equals(instrumentId).toArray();
      contents.restringings = await of('restringings');
      contents.fretChecks = await of('fretChecks');
      contents.sessions = await of('sessions');
      contents.marks = await of('marks');
      for (const { id, tuningId } of contents.sessions) {
        tunings.add(tuningId);
        contents.events.push(...(await logOf(db, id)));
        const measurements = await db.measurements.where('sessionId').equals(id).toArray();
        contents.measurements.push(...measurements);
      }
      for (const { tuningId } of contents.fretChecks) tunings.add(tuningId);
    }
    const own = await db.tunings.bulkGet([
      ...new Set([...tunings].flatMap((id) => (id === undefined ? [] : [id, singleTuningId(id)]))),
    ]);
    contents.tunings = own.filter((tuning) => tuning !== undefined);
  });
  return new Blob([writeBackup(contents, exportedAt)], { type: 'application/json' });
}
