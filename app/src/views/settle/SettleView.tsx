import { useWords } from '../../parts/words/index.ts';
import './settle.css';
import { Stack } from '@mantine/core';
import type { Instrument } from '@rosefinch/core/strings';
import { type Stock, useLive } from '../../data/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { WithInstrument } from '../../parts/instruments/index.ts';
import { SettlingBench } from './SettlingBench.tsx';
import { StartForm } from './StartForm.tsx';
import { StringAges } from './StringAges.tsx';

/** New strings: how many rounds more, will they hold this lesson, when to check again. */
export function SettleView() {
  const t = useWords();
  return (
    <WithInstrument says={t('settle.about')}>
      {(instrument, stock) => (
        <SettleOf key={instrument.id} instrument={instrument} stock={stock} />
      )}
    </WithInstrument>
  );
}

function SettleOf({ instrument, stock }: { instrument: Instrument; stock: Stock }) {
  const t = useWords();
  const restringings = useLive((r) => r.restringings(instrument.id), instrument.id);
  if (!restringings) return <p>{t('common.moment')}</p>;
  const open = restringings.find(({ doneAt }) => doneAt === null);
  if (open)
    return <SettlingBench key={open.id} instrument={instrument} stock={stock} restringing={open} />;
  return (
    <Stack>
      <ViewHead title={t('settle.newStringsOnName', { name: instrument.name })} />
      <StartForm instrument={instrument} />
      <StringAges instrument={instrument} />
    </Stack>
  );
}
