import {
  checkStore,
  keepSnapshot,
  type Progress,
  RosefinchDatabase,
  restoreArchive,
  restoreSnapshot,
  surveyArchive,
  wipe,
  writeArchive,
  writeReadings,
} from '../data/archives.ts';
import { monotonic } from '../environment.ts';
import type { ArchiveAnswers, ArchiveReport, ArchiveRequest } from './archive.ts';

/** The page is told no more often than this, in ms. */
const TOLD_EVERY_MS = 100;
let told = 0;

const progress: Progress = (done, of) => {
  if (monotonic() - told < TOLD_EVERY_MS) return;
  told = monotonic();
  report({ type: 'progress', done, of });
};

function report(message: ArchiveReport): void {
  postMessage(message);
}

async function answerTo(request: ArchiveRequest): Promise<ArchiveAnswers[keyof ArchiveAnswers]> {
  const db = new RosefinchDatabase(request.shelf);
  switch (request.job) {
    case 'write':
      return writeArchive(db, request.unstored, new Date(request.at), progress);
    case 'readings':
      return writeReadings(db, request.unstored, request.locale, progress);
    case 'survey':
      return surveyArchive(db, request.file, progress);
    case 'restore':
      await keepSnapshot(db, request.at, () => {});
      await restoreArchive(db, request.file, request.how, progress);
      return null;
    case 'undo':
      await restoreSnapshot(db, progress);
      return null;
    case 'wipe':
      await keepSnapshot(db, request.at, progress);
      await wipe(db);
      return null;
    case 'check':
      return checkStore(db, progress);
  }
}

self.onmessage = ({ data }: MessageEvent<ArchiveRequest>) => {
  answerTo(data).then(
    (answer) => report({ type: 'done', answer }),
    (error: unknown) =>
      report({ type: 'failed', message: error instanceof Error ? error.message : String(error) }),
  );
};
