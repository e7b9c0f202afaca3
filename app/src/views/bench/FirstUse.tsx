import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { steelGuitar } from '@rosefinch/core/strings';
import { useSearchParams } from 'react-router';
import { useData } from '../../data/index.ts';
import { newId } from '../../environment.ts';

/** An empty shelf: what the bench is for, and two ways to begin. */
export function FirstUse() {
  const { repository } = useData();
  const [, setSearch] = useSearchParams();
  const begin = async (practise: boolean) => {
    await repository.addInstruments([steelGuitar(newId(), 'My guitar')]);
    if (practise) setSearch({ listen: 'practice' });
  };
  return (
    <Stack align="flex-start" maw={560} py="xl">
      <Title order={1}>Tune string by string</Title>
      <Text>
        Pluck a string. Rosefinch says how far it lies from its note, which way to turn, and when to
        stop. It keeps every reading on this machine.
      </Text>
      <Group>
        <Button size="lg" onClick={() => void begin(false)}>
          Put a guitar on the bench
        </Button>
        <Button size="lg" variant="default" onClick={() => void begin(true)}>
          Try it with the practice guitar
        </Button>
      </Group>
      <Text size="sm">
        Caution: a string under tension can snap. Keep your face away; children with an adult.
      </Text>
    </Stack>
  );
}
