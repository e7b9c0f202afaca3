import { type Reference, referenceInWords } from '@rosefinch/core/retune';

/** What to compare a string with, in one sentence; the reference tone when no string serves. */
export function ReferenceLine({ references }: { references: readonly Reference[] }) {
  const [best] = references;
  return (
    <p className="reference">
      {best
        ? `Compare: ${referenceInWords(best)}`
        : 'No string to compare with yet: hear the note.'}
    </p>
  );
}
