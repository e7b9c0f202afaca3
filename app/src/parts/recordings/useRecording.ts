import type { Target } from '@rosefinch/core/music';
import { readingStoppedInWords } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents, Hz } from '@rosefinch/core/units';
import type { Words } from '@rosefinch/words';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { type Repository, useData } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import { decodeRecording, RecordingProblem, readRecording } from '../../sound/index.ts';
import { Cancelled } from '../../worker/index.ts';
import { useWords } from '../words/index.ts';
import { recordingOf, sessionOf } from './keep.ts';

/** What a recording is put to. */
export interface RecordingPlace {
  readonly instrument: Instrument;
  readonly targets: readonly Target[];
  /** The reference pitch that the targets go with. */
  readonly a4: Hz;
  readonly tolerance: Cents;
}

/** The reading of a file, and how far it is. */
export interface RecordingReader {
  readonly read: (file: File | null) => Promise<void>;
  /** 0 to 1 while a file is read. */
  readonly share: number | null;
  readonly problem: RecordingProblem | null;
  readonly cancelled: boolean;
  readonly cancel: () => void;
}

/** Reads a chosen recording, or the one that was dropped, keeps what was found, and opens its report. */
export function useRecording(place: RecordingPlace, dropped: File | null): RecordingReader {
  const t = useWords();
  const { repository } = useData();
  const navigate = useNavigate();
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<RecordingProblem | null>(null);
  const [cancelled, setCancelled] = useState(false);
  const abort = useRef<AbortController | null>(null);
  const read = async (file: File | null) => {
    if (!file) return;
    abort.current = new AbortController();
    setProblem(null);
    setCancelled(false);
    setShare(0);
    try {
      const { signal } = abort.current;
      await navigate(`/recordings/${await kept(file, place, { repository, setShare, signal, t })}`);
    } catch (error) {
      if (error instanceof RecordingProblem) setProblem(error);
      else if (error instanceof Cancelled) setCancelled(true);
      else setProblem(new RecordingProblem(readingStoppedInWords(String(error))));
    } finally {
      setShare(null);
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: a dropped file is read once, at first
  useEffect(() => {
    void read(dropped);
    // Nobody waits for it once its dialog is shut.
    return () => abort.current?.abort();
  }, []);
  return { read, share, problem, cancelled, cancel: () => abort.current?.abort() };
}

interface Means {
  readonly repository: Repository;
  readonly setShare: (share: number) => void;
  readonly signal: AbortSignal;
  readonly t: Words;
}

/** Reads a file and stores what was found; answers the report's id. */
async function kept(
  file: File,
  { instrument, targets, a4, tolerance }: RecordingPlace,
  { repository, setShare, signal, t }: Means,
): Promise<string> {
  const sound = await unlessAborted(decodeRecording(file), signal);
  const found = await readRecording(sound, (done, of) => setShare(done / of), signal);
  if (signal.aborted) throw new Cancelled('Stopped.');
  const id = newId();
  const at = now();
  const { session, log } = sessionOf(id, found.plucks, {
    instrumentId: instrument.id,
    tuningId: instrument.tuningId,
    targets,
    a4,
    capo: instrument.capo ?? 0,
    tolerance,
    now: at,
    zone: zone(),
  });
  const sessionId = log.length > 0 ? session.id : null;
  await repository.addRecording(
    recordingOf(
      id,
      file,
      { ...sound, warnings: sound.warnings.map((one) => t(one)) },
      found,
      sessionId,
      at,
    ),
    session,
    log,
  );
  return id;
}

/** A decoding that runs cannot be stopped: once it is no longer wanted, what it comes to is dropped. */
function unlessAborted<T>(work: Promise<T>, signal: AbortSignal): Promise<T> {
  return new Promise((resolve, reject) => {
    const stop = () => reject(new Cancelled('Stopped.'));
    if (signal.aborted) stop();
    signal.addEventListener('abort', stop, { once: true });
    work.then(resolve, reject);
  });
}
