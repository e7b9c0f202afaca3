import { Button, Stack, Text, Title } from '@mantine/core';
import { Link } from 'react-router';
import { useWords } from './parts/words/index.ts';

export default function NotFound() {
  const t = useWords();
  return (
    <Stack align="flex-start" p="lg">
      <Title order={1}>{t('views.thereIsNoSuchPage')}</Title>
      <Text>{t('page.nothingLost')}</Text>
      <Button component={Link} to="/">
        {t('views.toTheBench')}
      </Button>
    </Stack>
  );
}
