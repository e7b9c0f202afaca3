import { Button, Stack } from '@mantine/core';
import { Link } from 'react-router';
import { EmptyView, ViewHead } from '../../parts/frame/index.ts';

/** Where the ear is practised: for now, tuning with the figures hidden until one commits. */
export function EarView() {
  return (
    <Stack>
      <ViewHead title="Ear" />
      <EmptyView
        says="Tune by ear: the figures stay hidden until you commit, then ear and display are compared, string by string."
        offer={
          <Button component={Link} to="/?by=ear" size="lg">
            Hide the figures at the bench
          </Button>
        }
      />
    </Stack>
  );
}
