import type { CSSProperties, ReactNode } from 'react';

interface Props {
  readonly figure: string;
  /** What the figure means. */
  readonly note: ReactNode;
  /** The reading is on the disk. */
  readonly stored?: boolean;
}

/** The figure is set as if it had so many characters at least, so that it does not jump about. */
const LEAST_CHARACTERS = 4;

/** The one figure of the stage, and what it means. */
export function StageFigure({ figure, note, stored = true }: Props) {
  const characters = { '--characters': Math.max(LEAST_CHARACTERS, figure.length) };
  return (
    <section className="stage-figure" aria-label="Deviation">
      <div className="figure" data-testid="figure" style={characters as CSSProperties}>
        {figure}
      </div>
      <div className="figure-note">
        {note}
        {!stored && (
          <span role="img" aria-label="not stored yet" title="not stored yet">
            {' ○'}
          </span>
        )}
      </div>
    </section>
  );
}
