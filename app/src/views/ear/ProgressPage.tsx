import {
  cellInWords,
  comesToInWords,
  counted,
  dayInWords,
  EAR_VIEW_SAYS,
  EXERCISE_WORDS,
  nextInWords,
  noticedInWords,
} from '@rosefinch/core/words';
import './ear.css';
import { Button } from '@mantine/core';
import { type EarProgress, nextPractice } from '@rosefinch/core/ear';
import { useLive } from '../../data/index.ts';
import { locale, now, zone } from '../../environment.ts';
import { download, EmptyView, ViewHead } from '../../parts/frame/index.ts';
import { Learners } from './Learners.tsx';
import { ProgressWire } from './ProgressWire.tsx';
import { answersCsv } from './progressCsv.ts';
import { useProgress } from './useProgress.ts';

/** One ear on paper: every exercise over time, and what to practise next. */
export function ProgressPage() {
  const ear = useProgress();
  const learners = useLive((r) => r.ears.learners(), 'learners');
  if (!ear?.progress || !learners) return <p>One moment …</p>;
  const { learnerId, runs } = ear;
  const name = learners.find(({ id }) => id === learnerId)?.name ?? 'without a name';
  const progress = ear.progress.filter(({ lastAt }) => lastAt !== null);
  const next = nextPractice(progress, now());
  return (
    <>
      <ViewHead title={`How well one hears: ${name}`}>
        <Learners learnerId={learnerId} />
        {progress.length > 0 && (
          <>
            <Button
              variant="default"
              onClick={() => download(`ear ${name}.csv`, answersCsv(name, runs), 'text/csv')}
            >
              Save as CSV
            </Button>
            <Button onClick={() => window.print()}>Print it</Button>
          </>
        )}
      </ViewHead>
      {progress.length === 0 ? (
        <EmptyView says={EAR_VIEW_SAYS.nothingYet} offer={null} />
      ) : (
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">exercise</th>
              <th scope="col">over time, lower is finer</th>
              <th scope="col">by now</th>
              <th scope="col">where</th>
              <th scope="col">last</th>
            </tr>
          </thead>
          <tbody>
            {progress.map((one) => (
              <Row key={one.exercise} progress={one} />
            ))}
          </tbody>
        </table>
      )}
      {next && <p>{nextInWords(next).say}</p>}
      <p className="soft">{EAR_VIEW_SAYS.inCents}</p>
    </>
  );
}

function Row({ progress }: { readonly progress: EarProgress }) {
  const { exercise, heard, lastAt, days } = progress;
  return (
    <tr>
      <th scope="row">{EXERCISE_WORDS[exercise].say}</th>
      <td>
        <ProgressWire progress={progress} />
      </td>
      <td>{comesToInWords(progress)}</td>
      <td>
        {[...(heard?.cells ?? [])].map(([cell, noticed]) => (
          <div key={cell}>
            {cellInWords(cell)}: {noticedInWords(noticed)}
          </div>
        ))}
      </td>
      <td>
        {lastAt !== null && dayInWords(lastAt, zone(), locale())}
        <br />
        <span className="soft">{counted(days, 'day')}</span>
      </td>
    </tr>
  );
}
