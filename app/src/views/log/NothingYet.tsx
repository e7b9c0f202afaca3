import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { EmptyView } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** A log before its first session. */
export function NothingYet() {
  const t = useWords();
  return (
    <EmptyView
      says={t('log.nothingYet')}
      offer={
        <Button component={Link} to="/?listen=practice">
          {t('log.tryItWithAPractice')}
        </Button>
      }
    />
  );
}
