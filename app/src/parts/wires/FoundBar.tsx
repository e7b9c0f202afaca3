import type { Cents } from '@rosefinch/core/units';
import { wireHeight } from './scale.ts';

interface Props {
  readonly cents: Cents | null;
  readonly x: number;
  readonly y: number;
  readonly tolerance: Cents;
  readonly width: number;
  /** How far 100 cents reach from the wire. */
  readonly reach: number;
}

/** A marker on a small line: solid on the line when in tune, open below it when flat, open above it when sharp. */
export function FoundBar({ cents, x, y, tolerance, width, reach }: Props) {
  if (cents === null) return null;
  const thick = Math.max(2.4, reach / 1.4);
  if (Math.abs(cents) <= tolerance)
    return <rect className="mark" x={x} y={y - thick / 2} width={width} height={thick} />;
  const size = Math.max(thick / 1.6, Math.abs(wireHeight(cents)) * reach);
  return (
    <rect className="open-bar" x={x} y={cents < 0 ? y : y - size} width={width} height={size} />
  );
}
