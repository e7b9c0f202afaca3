import {
  cellInWords,
  comesToInWords,
  exerciseName,
  nextInWords,
  noticedInWords,
} from '@rosefinch/core/sentences';
import { useWords } from '../../parts/words/index.ts';
import './ear.css';
import { Button } from '@mantine/core';
import { type EarProgress, nextPractice } from '@rosefinch/core/ear';
import { useLive } from '../../data/index.ts';
import { now, zone } from '../../environment.ts';
import { download, EmptyView, ViewHead, Wide } from '../../parts/frame/index.ts';
import { Learners } from './Learners.tsx';
import { ProgressWire } from './ProgressWire.tsx';
import { answersCsv } from './progressCsv.ts';
import { useProgress } from './useProgress.ts';

/** One ear on paper: every exercise over time, and what to practise next. */
export function ProgressPage() {
  const t = useWords();
  const ear = useProgress();
  const learners = useLive((r) => r.ears.learners(), 'learners');
  if (!ear?.progress || !learners) return <p>{t('common.moment')}</p>;
  const { learnerId, runs } = ear;
  const name = learners.find(({ id }) => id === learnerId)?.name ?? t('ear.withoutAName');
  const progress = ear.progress.filter(({ lastAt }) => lastAt !== null);
  const next = nextPractice(progress, now());
  return (
    <>
      <ViewHead title={t('ear.howWellOneHearsName', { name })}>
        <Learners learnerId={learnerId} />
        {progress.length > 0 && (
          <>
            <Button
              variant="default"
              onClick={() => download(`ear ${name}.csv`, answersCsv(name, runs), 'text/csv')}
            >
              {t('ear.saveAsCSV')}
            </Button>
            <Button onClick={() => window.print()}>{t('ear.printIt')}</Button>
          </>
        )}
      </ViewHead>
      {progress.length === 0 ? (
        <EmptyView says={t('ear.nothingYet')} offer={null} />
      ) : (
        <Wide label={t('views.earProgress')}>
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">{t('ear.exercise2')}</th>
                <th scope="col">{t('ear.overTimeLowerIsFiner')}</th>
                <th scope="col">{t('ear.byNow')}</th>
                <th scope="col">{t('ear.where')}</th>
                <th scope="col">{t('ear.last')}</th>
              </tr>
            </thead>
            <tbody>
              {progress.map((one) => (
                <Row key={one.exercise} progress={one} />
              ))}
            </tbody>
          </table>
        </Wide>
      )}
      {next && <p>{t(nextInWords(next).say)}</p>}
      <p className="soft">{t('ear.inCents')}</p>
    </>
  );
}

function Row({ progress }: { readonly progress: EarProgress }) {
  const t = useWords();
  const { exercise, heard, lastAt, days } = progress;
  return (
    <tr>
      <th scope="row">{t(exerciseName(exercise))}</th>
      <td>
        <ProgressWire progress={progress} />
      </td>
      <td>{t(comesToInWords(progress))}</td>
      <td>
        {[...(heard?.cells ?? [])].map(([cell, noticed]) => (
          <div key={cell}>
            {t.value(cellInWords(cell))}: {t(noticedInWords(noticed))}
          </div>
        ))}
      </td>
      <td>
        {lastAt !== null && t.moment(lastAt, { now: lastAt, zone: zone() }, 'day')}
        <br />
        <span className="soft">{t('ear.days', { days })}</span>
      </td>
    </tr>
  );
}
