import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { EmptyView } from '../../parts/frame/index.ts';

/** A log before its first sitting. */
export function NothingYet() {
  return (
    <EmptyView
      says="Every sitting at the bench is kept here: what each string was found at, and where it was left."
      offer={
        <Button component={Link} to="/?listen=practice">
          Try it with a practice instrument
        </Button>
      }
    />
  );
}
