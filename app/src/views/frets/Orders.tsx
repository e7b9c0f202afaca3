import { Button } from '@mantine/core';
import { isBridgeCheck, type Ordered } from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import { faultyPartInWords } from '@rosefinch/core/sentences';
import { tellsOfInstrument } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { endOf } from './Findings.tsx';
import { judgedBefore } from './judged.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  /** The newest first. */
  readonly checks: readonly FretCheck[];
  readonly onProve: (ordered: Ordered) => void;
}

/** What the last check found at fault: about ten plucks show whether it was tuned since. */
export function Orders({ instrument, stock, checks, onProve }: Props) {
  const t = useWords();
  const { shelf } = useData();
  const last = checks.find(
    (check) => !check.proves && !isBridgeCheck(check) && tellsOfInstrument(check, shelf === 'demo'),
  );
  const faults = useMemo(
    () => (last ? faultsOf(instrument, stock, last) : []),
    [instrument, stock, last],
  );
  if (!last || faults.length === 0) return null;
  return (
    <section aria-label={t('frets.orderedBefore')}>
      <strong>
        {t('frets.foundOnStartedAt', {
          startedAt: t.moment(last.startedAt, { now: last.startedAt, zone: last.zone }, 'day'),
        })}
      </strong>
      <ul className="way">
        {faults.map((fault) => {
          const { part, cents, at } = fault;
          const say = t(faultyPartInWords(fault, endOf(instrument)).say);
          return (
            <li key={say}>
              {say}{' '}
              <Button variant="default" onClick={() => onProve({ part, cents, at })}>
                {t('frets.isItRight')}
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function faultsOf(instrument: Instrument, { tunings }: Stock, check: FretCheck) {
  const { verdict } = judgedBefore(instrument, check, tunings);
  return verdict.kind === 'at fault' ? verdict.faults : [];
}
