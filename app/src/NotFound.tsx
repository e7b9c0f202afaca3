import { Button, Stack, Text, Title } from '@mantine/core';
import { PAGE_SAYS } from '@rosefinch/core/words';
import { Link } from 'react-router';

export default function NotFound() {
  return (
    <Stack align="flex-start" p="lg">
      <Title order={1}>There is no such page</Title>
      <Text>{PAGE_SAYS.nothingLost}</Text>
      <Button component={Link} to="/">
        To the bench
      </Button>
    </Stack>
  );
}
