import './listening.css';
import type { ReactNode } from 'react';

interface Props {
  /** Which string, above the figure. */
  readonly name: string;
  readonly figure: string;
  /** What the figure means, below it. */
  readonly note: ReactNode;
  /** The reading is on the disk. */
  readonly stored: boolean;
}

/** The active deviation, readable from two metres. */
export function BigFigure({ name, figure, note, stored }: Props) {
  return (
    <section aria-label="Deviation">
      <div className="figure-note">
        {name}
        {!stored && (
          <span role="img" aria-label="not stored yet" title="not stored yet">
            {' ○'}
          </span>
        )}
      </div>
      <div className="figure" data-testid="figure">
        {figure}
      </div>
      <div className="figure-note">{note}</div>
    </section>
  );
}
