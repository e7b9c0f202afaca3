import { useWords } from '../words/index.ts';
import type { Listening } from './useListening.ts';

/** Why nothing is heard, and the way on. */
export function ListeningProblem({ problem }: Pick<Listening, 'problem'>) {
  const t = useWords();
  if (!problem) return null;
  return (
    <div className="problem" role="alert">
      <strong>{t(problem.say)}</strong>
      {t(problem.more)}
    </div>
  );
}
