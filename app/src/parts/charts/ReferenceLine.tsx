import { useWords } from '../words/index.ts';
import './charts.css';
import { BY_TONE, referenceInWords } from '@rosefinch/core/sentences';
import type { Comparison } from '@rosefinch/core/state';
import { FretStrip } from './FretStrip.tsx';

interface Props {
  readonly references: readonly Comparison[];
  /** With a picture of the finger's place; otherwise the sentence alone. */
  readonly drawn?: boolean;
  readonly leftHanded?: boolean | undefined;
}

/** Beside the best comparison so many others are told. */
const MOST_OTHERS = 2;

/** What to compare a string with, in a sentence and a picture; the reference tone when no string serves. */
export function ReferenceLine({ references, drawn = true, leftHanded = false }: Props) {
  const t = useWords();
  const [best, ...others] = references;
  if (!best) return <p className="reference">{t(BY_TONE)}</p>;
  return (
    <div className="reference">
      <p>{t('common.compareBest', { best: referenceInWords(best) })}</p>
      {others.slice(0, MOST_OTHERS).map((other) => (
        <p className="soft" key={`${other.held.course} ${other.held.fret} ${other.open}`}>
          {t('common.orOther', { other: referenceInWords(other) })}
        </p>
      ))}
      {drawn && <FretStrip held={best.held} open={best.open} leftHanded={leftHanded} />}
    </div>
  );
}
