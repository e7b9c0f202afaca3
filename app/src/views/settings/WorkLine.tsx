import { Button, Group, Progress, Text } from '@mantine/core';
import { SETTINGS_SAYS } from '@rosefinch/core/words';
import type { Work } from './useArchive.ts';

interface Props {
  readonly work: Work;
  readonly name: string;
  readonly onCancel: () => void;
}

/** How far a piece of work is, or how it went. */
export function WorkLine({ work, name, onCancel }: Props) {
  switch (work.kind) {
    case 'idle':
      return null;
    case 'running':
      return (
        <Group mt="sm">
          <Progress.Root size="lg" w={240}>
            <Progress.Section
              value={100 * (work.share ?? 1)}
              striped={work.share === null}
              animated={work.share === null}
              aria-label={name}
            />
          </Progress.Root>
          <Button variant="default" onClick={onCancel}>
            Cancel
          </Button>
        </Group>
      );
    case 'done':
      return (
        <Text role="status" mt="sm">
          {work.says}
        </Text>
      );
    case 'failed':
      return (
        <div className="problem" role="alert">
          <strong>{work.says}</strong>
          {SETTINGS_SAYS.unchanged}
        </div>
      );
  }
}
