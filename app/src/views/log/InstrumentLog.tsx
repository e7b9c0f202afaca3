import {
  causeInWords,
  diagnosisInWords,
  needInWords,
  withAirInWords,
} from '@rosefinch/core/sentences';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import type { Stock } from '../../data/index.ts';
import { now, zone } from '../../environment.ts';
import { type Judged, useJudged } from '../../parts/drift/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { DriftTable } from './DriftTable.tsx';
import { LogChart } from './LogChart.tsx';
import { Marks } from './Marks.tsx';
import { NothingYet } from './NothingYet.tsx';
import { StringWear } from './StringWear.tsx';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
}

/** The story of one instrument: its strings over time, why they drift, how worn they are, what happened to it. */
export function InstrumentLog({ instrument, stock }: Props) {
  const t = useWords();
  const one = useMemo(() => [instrument], [instrument]);
  const judged = useJudged(one, stock)?.[0];
  if (!judged) return <p>{t('common.moment')}</p>;
  const { life } = judged;
  return (
    <>
      {life.sittings.length === 0 ? (
        <NothingYet />
      ) : (
        <>
          <Says judged={judged} />
          <LogChart
            instrument={instrument}
            tuning={homeTuning(instrument, stock.tunings)}
            life={life}
            tolerance={stock.settings.tolerance}
          />
          {judged.told && judged.told.drift.spans.length > 0 && <DriftTable told={judged.told} />}
        </>
      )}
      <div className="log-columns">
        <StringWear instrument={instrument} stock={stock} life={life} />
        <Marks instrument={instrument} marks={life.marks} />
      </div>
    </>
  );
}

/** Why it drifts, and when it is to be looked at again. */
function Says({ judged: { facts, need, told } }: { readonly judged: Judged }) {
  const t = useWords();
  const clock = { now: now(), zone: zone() };
  const diagnosis = t(diagnosisInWords(facts, clock));
  const cause = facts.drift ? t(causeInWords(facts.drift, facts)) : '';
  const { withAir } = facts;
  return (
    <section aria-label={t('log.whyItDrifts')} className="log-says">
      <p className="log-diagnosis">{diagnosis}</p>
      {cause !== '' && cause !== diagnosis && <p>{cause}</p>}
      <p>
        {need.kind === 'now'
          ? t('log.lookNow', { due: needInWords(need, clock) })
          : t('log.lookWhen', { due: needInWords(need, clock) })}
        {told?.due?.days != null && ` ${t('log.outAfter', { days: told.due.days })}`}
      </p>
      {withAir && <p className="soft">{t(withAirInWords(withAir))}</p>}
    </section>
  );
}
