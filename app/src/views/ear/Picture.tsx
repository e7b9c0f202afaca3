import type { Cents } from '@rosefinch/core/units';
import type { ReactNode } from 'react';

interface Props {
  readonly width: number;
  readonly height: number;
  /** What it shows, for those who do not see it. */
  readonly says: string;
  readonly children: ReactNode;
}

/** A drawing of the ear's exercises. */
export function Picture({ width, height, says, children }: Props) {
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="xMinYMid meet"
      role="img"
      aria-label={says}
    >
      {children}
    </svg>
  );
}

/** @example tick(-30) // => '−30' */
export function tick(cents: Cents): string {
  return cents > 0 ? `+${cents}` : `−${-cents}`;
}
