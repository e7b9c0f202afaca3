import type { Sentence } from '@rosefinch/core/words';

interface Props {
  readonly sentence: Sentence;
  /** Without the line of why or how. */
  readonly short?: boolean;
}

/** What to do now: one sentence and, for learners, one more line. */
export function SentenceLine({ sentence: { say, more }, short = false }: Props) {
  return (
    <div role="status" aria-live="polite">
      <p className="advice">{say}</p>
      {!short && <p className="advice-more">{more}</p>}
    </div>
  );
}
