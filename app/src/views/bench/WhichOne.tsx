import { Button, Group, Stack, TextInput } from '@mantine/core';
import { BENCH_SAYS, STANDINGS } from '@rosefinch/core/words';
import { useState } from 'react';
import { Dialog } from '../../parts/frame/index.ts';
import { LabelReader } from './LabelReader.tsx';
import type { BenchRound } from './useBenchRound.ts';

/** Which instrument is in hand now: by its number, its name or its label. */
export function WhichOne({ round }: { readonly round: BenchRound }) {
  return (
    <Dialog title={BENCH_SAYS.whichOne} opened={round.asked} onClose={round.answered}>
      {round.asked && <Choice round={round} />}
    </Dialog>
  );
}

function Choice({ round }: { readonly round: BenchRound }) {
  const [typed, setTyped] = useState('');
  const [reads, setReads] = useState(false);
  const { entries } = round.round;
  const wanted = typed.trim().toLowerCase();
  const found = entries.filter(
    ({ number, instrumentId }) =>
      wanted === '' ||
      String(number) === wanted ||
      round.nameOf(instrumentId).toLowerCase().includes(wanted),
  );
  const exact = entries.find(({ number }) => String(number) === wanted) ?? found[0];
  const take = (id: string) => {
    round.answered();
    round.take(id);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (exact && wanted !== '') take(exact.instrumentId);
      }}
    >
      <Stack>
        <Group align="end">
          <TextInput
            label="Number or name"
            data-autofocus
            value={typed}
            onChange={(event) => setTyped(event.currentTarget.value)}
          />
          <Button type="submit" disabled={wanted === '' || !exact}>
            Take it
          </Button>
          <Button variant="default" onClick={() => setReads(!reads)}>
            {reads ? 'Close the camera' : 'Read its label'}
          </Button>
        </Group>
        {reads && (
          <LabelReader
            onRead={(id) => {
              const entry = entries.find(({ instrumentId }) => instrumentId === id);
              if (entry) take(id);
              return entry !== undefined;
            }}
          />
        )}
        <ul className="which">
          {found.map(({ number, instrumentId, standing }) => (
            <li key={instrumentId}>
              <Button variant="default" onClick={() => take(instrumentId)}>
                {number} {round.nameOf(instrumentId)}, {STANDINGS[standing]}
              </Button>
            </li>
          ))}
        </ul>
      </Stack>
    </form>
  );
}
