import { isBridgeCheck } from '@rosefinch/core/intonation';
import { message, type Text } from '@rosefinch/core/message';
import type { FretCheck } from '@rosefinch/core/records';
import { faultyPartInWords } from '@rosefinch/core/sentences';
import { tellsOfInstrument } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { type Stock, useData, useLive } from '../../data/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { endOf, octavesSaid, verdictSaid } from './Findings.tsx';
import { judgedBefore } from './judged.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
}

/** What the newest fret check of an instrument came to. */
export function FretSummary({ instrument, stock }: Props) {
  const checks = useLive((r) => r.fretChecks(instrument.id), instrument.id);
  const { shelf } = useData();
  const newest = checks?.find((check) => tellsOfInstrument(check, shelf === 'demo'));
  return newest ? <Summary {...{ instrument, stock }} check={newest} /> : null;
}

function Summary({ instrument, stock, check }: Props & { readonly check: FretCheck }) {
  const t = useWords();
  const said = useMemo(() => saidOf(instrument, stock, check), [instrument, stock, check]);
  return (
    <section className="card medium" aria-label={t('frets.frets')}>
      <strong>
        {t('frets.fretsCheckedStartedAt', {
          startedAt: t.moment(check.startedAt, { now: check.startedAt, zone: check.zone }, 'day'),
        })}
      </strong>
      <ul className="way">
        {said
          .map((say) => t(say))
          .map((say) => (
            <li key={say}>{say}</li>
          ))}
      </ul>
      <Link to="/frets">{t('frets.theWholeCheck')}</Link>
    </section>
  );
}

function saidOf(instrument: Instrument, { tunings }: Stock, check: FretCheck): readonly Text[] {
  if (isBridgeCheck(check))
    return [octavesSaid(instrument, check)?.say ?? message('frets.octavesOpen')];
  const judgement = judgedBefore(instrument, check, tunings);
  const { verdict } = judgement;
  if (verdict.kind !== 'at fault' || check.proves)
    return [verdictSaid(judgement, instrument, check).say];
  return verdict.faults.map((fault) => faultyPartInWords(fault, endOf(instrument)).say);
}
