import type { ReactNode } from 'react';

interface Props {
  /** What is in it, for those who come to it by keys. */
  readonly label: string;
  readonly children: ReactNode;
}

/** A table that may be wider than the page: it scrolls by itself, by keys too. */
export function Wide({ label, children }: Props) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keys (axe: scrollable-region-focusable)
    <section className="wide" tabIndex={0} aria-label={label}>
      {children}
    </section>
  );
}
