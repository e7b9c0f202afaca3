import { Button, Group, Stack, Title } from '@mantine/core';
import type { Instrument } from '@rosefinch/core/strings';
import { Link } from 'react-router';
import { type Stock, useLive, useStock } from '../../data/index.ts';
import { EmptyView } from '../../ui/index.ts';
import { InstrumentChoice } from '../listening/index.ts';
import { SettlingBench } from './SettlingBench.tsx';
import { StartForm } from './StartForm.tsx';
import { StringAges } from './StringAges.tsx';

/** New strings: how many rounds more, will they hold this lesson, when to look again. */
export function SettleView() {
  const stock = useStock();
  if (!stock) return <p>One moment …</p>;
  const { settings, shelf } = stock;
  const instrument = shelf.find((entry) => entry.id === settings.instrumentId) ?? shelf[0];
  if (!instrument)
    return (
      <EmptyView
        says="New strings fall as soon as they are tuned. This view reads by how much, and says how many rounds of pulling are left, whether they hold a lesson, and when to look again. Put an instrument on the bench first."
        offer={
          <Button component={Link} to="/">
            To the bench
          </Button>
        }
      />
    );
  return <SettleOf key={instrument.id} instrument={instrument} stock={stock} />;
}

function SettleOf({ instrument, stock }: { instrument: Instrument; stock: Stock }) {
  const restringings = useLive((r) => r.restringings(instrument.id), instrument.id);
  if (!restringings) return <p>One moment …</p>;
  const open = restringings.find(({ doneAt }) => doneAt === null);
  if (open)
    return <SettlingBench key={open.id} instrument={instrument} stock={stock} restringing={open} />;
  return (
    <Stack>
      <Group align="end">
        <Title order={1} size="h2">
          Settle
        </Title>
        <InstrumentChoice shelf={stock.shelf} instrument={instrument} />
      </Group>
      <StartForm instrument={instrument} />
      <StringAges instrument={instrument} />
    </Stack>
  );
}
