import { Button, FileButton, Group, Progress, Text } from '@mantine/core';
import type { Target } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { decodeRecording, RecordingProblem, readRecording } from '../../audio/index.ts';
import { useData } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import { recordingOf, sessionOf } from './keep.ts';

interface Props {
  readonly instrument: Instrument;
  readonly targets: readonly Target[];
  /** The reference pitch that the targets go with, in Hz. */
  readonly a4: number;
  readonly tolerance: number;
}

/** Chooses or takes a dropped recording, reads it with progress, and opens its report. */
export function RecordingButton({ instrument, targets, a4, tolerance }: Props) {
  const { repository } = useData();
  const navigate = useNavigate();
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<RecordingProblem | null>(null);
  const [cancelled, setCancelled] = useState(false);
  const cancel = useRef<AbortController | null>(null);

  const read = async (file: File | null) => {
    if (!file) return;
    const abort = new AbortController();
    cancel.current = abort;
    setProblem(null);
    setCancelled(false);
    setShare(0);
    try {
      const sound = await unlessAborted(decodeRecording(file), abort.signal);
      const found = await readRecording(sound, setShare, abort.signal);
      abort.signal.throwIfAborted();
      const id = newId();
      const at = now();
      const place = {
        instrumentId: instrument.id,
        tuningId: instrument.tuningId,
        targets,
        a4,
        capo: instrument.capo ?? 0,
        tolerance,
        now: at,
        zone: zone(),
      };
      const { session, log } = sessionOf(id, found.plucks, place);
      const kept = { plucks: found.plucks, envelope: found.envelope };
      const sessionId = log.length > 0 ? session.id : null;
      await repository.addRecording(
        recordingOf(id, file, sound, kept, sessionId, at),
        session,
        log,
      );
      await navigate(`/recordings/${id}`);
    } catch (error) {
      if (error instanceof RecordingProblem) setProblem(error);
      else if (error instanceof DOMException && error.name === 'AbortError') setCancelled(true);
      else setProblem(new RecordingProblem(String(error), 'Try it again.'));
    } finally {
      setShare(null);
    }
  };
  useDrop(read);

  if (share !== null)
    return (
      <Group gap="xs" role="status">
        <Progress value={100 * share} w={120} aria-label="Reading the recording" />
        <Button size="sm" variant="default" onClick={() => cancel.current?.abort()}>
          Cancel
        </Button>
      </Group>
    );
  return (
    <>
      <FileButton
        onChange={(file) => void read(file)}
        accept="audio/*,.wav"
        inputProps={{ 'aria-label': 'Recording file' }}
      >
        {(props) => (
          <Button {...props} size="sm" variant="default">
            Recording …
          </Button>
        )}
      </FileButton>
      {cancelled && (
        <Text role="status" size="sm">
          Cancelled; nothing is kept. The browser may be busy with the file a little longer.
        </Text>
      )}
      {problem && (
        <div className="problem" role="alert">
          <strong>{problem.message}</strong>
          <Text>{problem.wayOn} Nothing was kept.</Text>
        </div>
      )}
    </>
  );
}

/** A decoding that runs cannot be stopped: once it is no longer wanted, what it comes to is dropped. */
function unlessAborted<T>(work: Promise<T>, signal: AbortSignal): Promise<T> {
  return new Promise((resolve, reject) => {
    const stop = () => reject(new DOMException('cancelled', 'AbortError'));
    if (signal.aborted) stop();
    signal.addEventListener('abort', stop, { once: true });
    work.then(resolve, reject);
  });
}

/** Takes a file that is dropped anywhere on the page. */
function useDrop(take: (file: File) => void): void {
  const latest = useRef(take);
  latest.current = take;
  useEffect(() => {
    const over = (event: DragEvent) => event.preventDefault();
    const drop = (event: DragEvent) => {
      event.preventDefault();
      const file = event.dataTransfer?.files[0];
      if (file) latest.current(file);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  }, []);
}
