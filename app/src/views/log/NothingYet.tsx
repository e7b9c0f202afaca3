import { Button } from '@mantine/core';
import { LOG_SAYS } from '@rosefinch/core/words';
import { Link } from 'react-router';
import { EmptyView } from '../../parts/frame/index.ts';

/** A log before its first sitting. */
export function NothingYet() {
  return (
    <EmptyView
      says={LOG_SAYS.nothingYet}
      offer={
        <Button component={Link} to="/?listen=practice">
          Try it with a practice instrument
        </Button>
      }
    />
  );
}
