import { Button, Group, Progress, Text } from '@mantine/core';
import { useWords } from '../../parts/words/index.ts';
import type { Work } from './useArchive.ts';

interface Props {
  readonly work: Work;
  readonly name: string;
  readonly onCancel: () => void;
}

/** How far a piece of work is, or how it went. */
export function WorkLine({ work, name, onCancel }: Props) {
  const t = useWords();
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
            {t('parts.cancel')}
          </Button>
        </Group>
      );
    case 'done':
      return (
        <Text role="status" mt="sm">
          {t(work.says)}
        </Text>
      );
    case 'failed':
      return (
        <div className="problem" role="alert">
          <strong>{t.value(work.says)}</strong>
          {t('settings.unchanged')}
        </div>
      );
  }
}
