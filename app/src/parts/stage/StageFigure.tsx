import type { Value } from '@rosefinch/core/message';
import type { CSSProperties } from 'react';
import { useWords } from '../words/index.ts';

interface Props {
  readonly figure: Value;
  /** What the figure means. */
  readonly note: Value;
  /** What was read before what the sentence asks for now: it stands apart from it, and smaller. */
  readonly past?: Value;
  /** What is measured, where it is no deviation. */
  readonly label?: Value;
  /** The reading is on the disk. */
  readonly stored?: boolean;
}

/** The figure is set as if it had so many characters at least, so that it does not jump about. */
const LEAST_CHARACTERS = 4;

/** No figure yet: its place stays, empty. */
const NONE = '–';

/** A word is wider than a figure of as many characters. */
const WORD = 1.3;

/** The one figure of the stage, and what it means. */
export function StageFigure({ label, past, stored = true, ...said }: Props) {
  const t = useWords();
  const [figure, note] = [t.value(said.figure), t.value(said.note)];
  const wide = figure.length * (/^\p{L}/u.test(figure) ? WORD : 1);
  const characters = { '--characters': Math.max(LEAST_CHARACTERS, wide) };
  return (
    <section
      className="stage-figure"
      data-past={past !== undefined}
      aria-label={label === undefined ? t('common.deviationFigure') : t.value(label)}
    >
      {past !== undefined && <div className="figure-past">{t.value(past)}</div>}
      <div
        className="figure"
        data-testid="figure"
        data-empty={figure === NONE}
        style={characters as CSSProperties}
      >
        {/* Another figure is another text: none of it moves where an older one stood. */}
        <span key={figure}>{figure}</span>
      </div>
      <div className="figure-note">
        <span key={`${note} ${stored}`}>
          {note}
          {!stored && (
            <span role="img" aria-label={t('common.notStoredYet')} title={t('common.notStoredYet')}>
              {' ○'}
            </span>
          )}
        </span>
      </div>
    </section>
  );
}
