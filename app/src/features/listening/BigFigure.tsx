import type { ReactNode } from 'react';

interface Props {
  /** Which string, above the figure. */
  readonly name: string;
  readonly figure: string;
  /** What the figure means, below it. */
  readonly note: ReactNode;
}

/** The active deviation, readable from two metres. */
export function BigFigure({ name, figure, note }: Props) {
  return (
    <section aria-label="Deviation">
      <div className="figure-note">{name}</div>
      <div className="figure" data-testid="figure">
        {figure}
      </div>
      <div className="figure-note">{note}</div>
    </section>
  );
}
