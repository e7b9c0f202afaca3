import { Button, Group, Stack, TextInput } from '@mantine/core';
import { standingOf } from '@rosefinch/core/sentences';
import { useState } from 'react';
import { Dialog } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { LabelReader } from './LabelReader.tsx';
import type { BenchRound } from './useBenchRound.ts';

/** Which instrument is in hand now: by its number, its name or its label. */
export function WhichOne({ round }: { readonly round: BenchRound }) {
  const t = useWords();
  return (
    <Dialog title={t('bench.whichOne')} opened={round.asked} onClose={round.answered}>
      {round.asked && <Choice round={round} />}
    </Dialog>
  );
}

function Choice({ round }: { readonly round: BenchRound }) {
  const t = useWords();
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
            label={t('bench.numberOrName')}
            data-autofocus
            value={typed}
            onChange={(event) => setTyped(event.currentTarget.value)}
          />
          <Button type="submit" disabled={wanted === '' || !exact}>
            {t('bench.takeIt')}
          </Button>
          <Button variant="default" onClick={() => setReads(!reads)}>
            {reads ? t('bench.closeTheCamera') : t('bench.readItsLabel')}
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
                {number} {round.nameOf(instrumentId)}, {t(standingOf(standing))}
              </Button>
            </li>
          ))}
        </ul>
      </Stack>
    </form>
  );
}
