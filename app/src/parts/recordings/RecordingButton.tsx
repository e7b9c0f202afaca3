import { Button, FileButton, Group, Progress, Text } from '@mantine/core';
import { PARTS_SAYS, RECORDING_SAYS } from '@rosefinch/core/words';
import { type RecordingPlace, useRecording } from './useRecording.ts';

interface Props {
  readonly place: RecordingPlace;
  /** One that was dropped on the page, to be read at once. */
  readonly dropped?: File | null;
}

/** Chooses or takes a dropped recording, reads it with progress, and opens its report. */
export function RecordingButton({ place, dropped = null }: Props) {
  const { read, share, problem, cancelled, cancel } = useRecording(place, dropped);
  if (share !== null)
    return (
      <Group gap="xs" role="status">
        <Progress value={100 * share} w={120} aria-label="Reading the recording" />
        <Button size="sm" variant="default" onClick={cancel}>
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
          {PARTS_SAYS.cancelled}
        </Text>
      )}
      {problem && (
        <div className="problem" role="alert">
          <strong>{problem.message}</strong>
          <Text>
            {problem.wayOn} {RECORDING_SAYS.nothingKept}
          </Text>
        </div>
      )}
    </>
  );
}
