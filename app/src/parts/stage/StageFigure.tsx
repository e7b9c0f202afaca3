import type { CSSProperties } from 'react';

interface Props {
  readonly figure: string;
  /** What the figure means. */
  readonly note: string;
  /** What is measured, where it is no deviation. */
  readonly label?: string;
  /** The reading is on the disk. */
  readonly stored?: boolean;
}

/** The figure is set as if it had so many characters at least, so that it does not jump about. */
const LEAST_CHARACTERS = 4;

/** A word is wider than a figure of as many characters. */
const WORD = 1.3;

/** The one figure of the stage, and what it means. */
export function StageFigure({ figure, note, label = 'Deviation', stored = true }: Props) {
  const wide = figure.length * (/^[a-z]/.test(figure) ? WORD : 1);
  const characters = { '--characters': Math.max(LEAST_CHARACTERS, wide) };
  return (
    <section className="stage-figure" aria-label={label}>
      <div className="figure" data-testid="figure" style={characters as CSSProperties}>
        {/* Another figure is another text: none of it moves where an older one stood. */}
        <span key={figure}>{figure}</span>
      </div>
      <div className="figure-note">
        <span key={`${note} ${stored}`}>
          {note}
          {!stored && (
            <span role="img" aria-label="not stored yet" title="not stored yet">
              {' ○'}
            </span>
          )}
        </span>
      </div>
    </section>
  );
}
