import { useWords } from '../../parts/words/index.ts';
import './ear.css';
import { isAsked } from '@rosefinch/core/dialogue';
import { EXERCISES, type ExerciseKind } from '@rosefinch/core/ear';
import { useState } from 'react';
import { Navigate, useParams, useSearchParams } from 'react-router';
import { useLive, useStock } from '../../data/index.ts';
import { AskBench } from './AskBench.tsx';
import { BeatBench } from './BeatBench.tsx';
import type { ExerciseProps } from './exercises.ts';
import { MatchBench } from './MatchBench.tsx';
import { SingBench } from './SingBench.tsx';
import { TouchBench } from './TouchBench.tsx';
import { WholeBench } from './WholeBench.tsx';

/** One exercise, on the stage. */
export function ExercisePage() {
  const t = useWords();
  const { exercise } = useParams();
  const kind = EXERCISES.find((one) => one === exercise);
  const stock = useStock();
  if (!kind) return <Navigate to="/ear" replace />;
  if (!stock) return <p>{t('common.moment')}</p>;
  return <Exercise key={`${kind} ${stock.settings.learnerId}`} exercise={kind} stock={stock} />;
}

function Exercise({ exercise, stock }: Pick<ExerciseProps, 'exercise' | 'stock'>) {
  const t = useWords();
  const [search] = useSearchParams();
  const { learnerId } = stock.settings;
  const runs = useLive((r) => r.ears.runs(learnerId), `ear ${learnerId}`);
  // What was answered before this page was opened: what is answered now is counted as of today.
  const [before, setBefore] = useState<ExerciseProps['before'] | null>(null);
  if (runs && !before)
    setBefore(runs.filter((run) => run.exercise === exercise).flatMap(({ trials }) => trials));
  if (!before) return <p>{t('common.moment')}</p>;
  const props: ExerciseProps = { exercise, stock, before, minute: search.has('minute') };
  const staircase = search.get('by') === 'staircase';
  return <Shown key={String(staircase)} {...props} staircase={staircase} />;
}

function Shown({ staircase, ...props }: ExerciseProps & { readonly staircase: boolean }) {
  const { exercise } = props;
  if (isAsked(exercise)) return <AskBench {...props} exercise={exercise} staircase={staircase} />;
  const Bench = DEEDS[exercise as keyof typeof DEEDS];
  return Bench ? <Bench {...props} /> : <Navigate to="/ear" replace />;
}

const DEEDS = {
  match: MatchBench,
  beats: BeatBench,
  sing: SingBench,
  whole: WholeBench,
  touch: TouchBench,
} satisfies Partial<Record<ExerciseKind, typeof MatchBench>>;
