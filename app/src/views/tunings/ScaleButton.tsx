import { Button, FileButton } from '@mantine/core';
import { problemOf } from '@rosefinch/core/errors';
import { LONGEST_SCALE, readScale } from '@rosefinch/core/formats';
import type { Value } from '@rosefinch/core/message';
import type { Scale } from '@rosefinch/core/music';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  /** @throws Error where the scale cannot be used: it is said. */
  readonly onScale: (scale: Scale) => void;
  readonly onProblem: (problem: Value | null) => void;
}

/** Reads a scale of an open format. */
export function ScaleButton({ onScale, onProblem }: Props) {
  const t = useWords();
  const read = async (file: File | null) => {
    if (!file) return;
    // Whatever was chosen, no more of it is read than the longest scale has.
    const text = await file.slice(0, LONGEST_SCALE + 1).text();
    tried(() => onScale(readScale(text)), onProblem);
  };
  return (
    <FileButton accept=".scl,text/plain" onChange={(file) => void read(file)}>
      {(props) => (
        <Button {...props} variant="default">
          {t('tunings.fromAScaleFileScl')}
        </Button>
      )}
    </FileButton>
  );
}

/** Does what may be refused, and says why it was. */
export function tried(what: () => void, onProblem: (problem: Value | null) => void): void {
  try {
    what();
    onProblem(null);
  } catch (error) {
    onProblem(problemOf(error));
  }
}
