import { useWords } from '../../parts/words/index.ts';
import './log.css';
import { SegmentedControl, Stack } from '@mantine/core';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { inHandOf, useStock } from '../../data/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { AirForm } from './AirForm.tsx';
import { InstrumentLog } from './InstrumentLog.tsx';
import { Sittings } from './Sittings.tsx';
import { WaysOut } from './WaysOut.tsx';

/** What happened to the instrument in hand, why it drifts, and every session of it or of all. */
export function LogView() {
  const t = useWords();
  const stock = useStock();
  const [search, setSearch] = useSearchParams();
  const [opened, setOpened] = useState(false);
  if (!stock) return <p>{t('common.moment')}</p>;
  const instrument = inHandOf(stock);
  const ofAll = search.has('all') || !instrument;
  return (
    <Stack>
      <ViewHead title={ofAll ? t('log.log') : t('log.logName', { name: instrument.name })}>
        {instrument && (
          <SegmentedControl
            aria-label={t('log.whoseLog')}
            data={[
              { value: 'one', label: instrument.name },
              { value: 'all', label: t('log.allInstruments') },
            ]}
            value={ofAll ? 'all' : 'one'}
            onChange={(whose) => setSearch(whose === 'all' ? { all: '' } : {}, { replace: true })}
          />
        )}
        <WaysOut stock={stock} instrument={ofAll ? null : instrument} />
      </ViewHead>
      {!ofAll && <InstrumentLog instrument={instrument} stock={stock} />}
      {/* With an instrument its story stands first; its sittings are opened where they are wanted. */}
      {ofAll ? (
        <>
          <Sittings instrumentId={null} />
          <AirForm />
        </>
      ) : (
        <details open={opened} onToggle={(event) => setOpened(event.currentTarget.open)}>
          <summary>{t('log.everySittingOfName', { name: instrument.name })}</summary>
          {opened && <Sittings instrumentId={instrument.id} />}
        </details>
      )}
    </Stack>
  );
}
