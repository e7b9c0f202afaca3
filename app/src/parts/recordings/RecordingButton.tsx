import { Button, FileButton, Group, Progress, Text } from '@mantine/core';
import { useWords } from '../words/index.ts';
import { type RecordingPlace, useRecording } from './useRecording.ts';

interface Props {
  readonly place: RecordingPlace;
  /** One that was dropped on the page, to be read at once. */
  readonly dropped?: File | null;
}

/** Chooses or takes a dropped recording, reads it with progress, and opens its report. */
export function RecordingButton({ place, dropped = null }: Props) {
  const t = useWords();
  const { read, share, problem, cancelled, cancel } = useRecording(place, dropped);
  if (share !== null)
    return (
      <Group gap="xs" role="status">
        <Progress value={100 * share} w={120} aria-label={t('parts.readingTheRecording')} />
        <Button size="sm" variant="default" onClick={cancel}>
          {t('parts.cancel')}
        </Button>
      </Group>
    );
  return (
    <>
      <FileButton
        onChange={(file) => void read(file)}
        accept="audio/*,.wav"
        inputProps={{ 'aria-label': t('recording.file') }}
      >
        {(props) => (
          <Button {...props} size="sm" variant="default">
            {t('parts.recording')}
          </Button>
        )}
      </FileButton>
      {cancelled && (
        <Text role="status" size="sm">
          {t('parts.cancelled')}
        </Text>
      )}
      {problem && (
        <div className="problem" role="alert">
          <strong>{t(problem.sentence.say)}</strong>
          <Text>
            {t(problem.sentence.more)} {t('recording.nothingKept')}
          </Text>
        </div>
      )}
    </>
  );
}
