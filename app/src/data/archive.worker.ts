import type { Progress } from '../worker/protocol.ts';
import { serve } from '../worker/serve.ts';
import type { ArchiveAnswers, ArchiveRequest } from './archiveJobs.ts';
import {
  checkStore,
  clearAll,
  RosefinchDatabase,
  restoreArchive,
  surveyArchive,
  undoChange,
  writeArchive,
  writeInstrument,
  writeReadings,
} from './archives.ts';

async function answerTo(
  request: ArchiveRequest,
  progress: Progress,
): Promise<ArchiveAnswers[keyof ArchiveAnswers]> {
  const db = new RosefinchDatabase(request.shelf);
  switch (request.job) {
    case 'write':
      return writeArchive(db, request.unstored, new Date(request.at), progress);
    case 'readings':
      return writeReadings(db, request.unstored, request.locale, progress);
    case 'instrument':
      return writeInstrument(db, request, new Date(request.at));
    case 'survey':
      return surveyArchive(db, request.file, progress);
    case 'restore':
      return restoreArchive(db, request.file, request.how, request.at, progress);
    case 'undo':
      return undoChange(db, request.id, request.at);
    case 'clear':
      return clearAll(db, request.at);
    case 'check':
      return checkStore(db, request.foundAgain, progress);
  }
}

serve(answerTo);
