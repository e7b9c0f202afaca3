import { useWords } from '../../parts/words/index.ts';
import './frets.css';
import { Button, Stack } from '@mantine/core';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Stock, useLive } from '../../data/index.ts';
import { EmptyView, ViewHead } from '../../parts/frame/index.ts';
import { WithInstrument } from '../../parts/instruments/index.ts';
import { FretBench } from './FretBench.tsx';
import type { BridgePlace } from './practice.ts';
import { StartForm } from './StartForm.tsx';

/** Open strings right, fretted notes not: which cause, how much, what to do. */
export function FretsView() {
  const t = useWords();
  return (
    <WithInstrument says={t('frets.about')}>
      {(instrument, stock) =>
        instrument.frets === 0 ? (
          <EmptyView
            says={t('frets.noFrets', { instrument: instrument.name })}
            offer={
              <Button component={Link} to="/">
                {t('parts.toTheBench')}
              </Button>
            }
          />
        ) : (
          <FretsOf key={instrument.id} instrument={instrument} stock={stock} />
        )
      }
    </WithInstrument>
  );
}

function FretsOf({ instrument, stock }: { instrument: Instrument; stock: Stock }) {
  const t = useWords();
  const checks = useLive((r) => r.fretChecks(instrument.id), instrument.id);
  const [fresh, setFresh] = useState(false);
  // On the practice banjo the bridge stays where it was moved to.
  const [bridge, setBridge] = useState<BridgePlace>({ firstMm: 0, lastMm: 0 });
  if (!checks) return <p>{t('common.moment')}</p>;
  const [newest] = checks;
  if (newest && !(fresh && newest.doneAt !== null))
    return (
      <FretBench
        key={newest.id}
        instrument={instrument}
        stock={stock}
        kept={newest}
        bridge={bridge}
        onMoveBridge={({ firstMm, lastMm }) =>
          setBridge((at) => ({ firstMm: at.firstMm + firstMm, lastMm: at.lastMm + lastMm }))
        }
        onAgain={() => setFresh(true)}
      />
    );
  return (
    <Stack>
      <ViewHead title={t('frets.fretsOfName', { name: instrument.name })} />
      <StartForm {...{ instrument, stock, checks }} onBegun={() => setFresh(false)} />
    </Stack>
  );
}
