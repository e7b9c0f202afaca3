import type { Listening } from './useListening.ts';

/** Why nothing is heard, and the way on. */
export function ListeningProblem({ problem }: Pick<Listening, 'problem'>) {
  if (!problem) return null;
  return (
    <div className="problem" role="alert">
      <strong>{problem.message}</strong>
      {problem.wayOn}
    </div>
  );
}
