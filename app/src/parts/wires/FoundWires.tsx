import './wires.css';
import type { Cents } from '@rosefinch/core/units';
import { FoundBar } from './FoundBar.tsx';

const ROW = 7;
const STEP = 27;
const BAR = 17;
const REACH = 5;
/** So many sessions have a place. */
const PLACES = 8;

interface Props {
  /** Oldest first; each course 1 first. */
  readonly sittings: readonly (readonly (Cents | null)[])[];
  readonly strings: number;
  readonly tolerance: Cents;
  /** What it is, for those who do not see it. */
  readonly label: string;
}

/** The last sessions as they were found, on small wires: the newest at the right. */
export function FoundWires({ sittings, strings, tolerance, label }: Props) {
  const shown = sittings.slice(-PLACES);
  const width = PLACES * STEP;
  const rows = Array.from({ length: strings }, (_, i) => strings - i);
  return (
    <svg
      className="chart found-wires"
      viewBox={`0 0 ${width} ${strings * ROW + 4}`}
      role="img"
      aria-label={label}
    >
      {rows.map((course, i) => {
        const y = (i + 0.5) * ROW + 2;
        return (
          <g key={course}>
            <line
              x1={0}
              x2={width}
              y1={y}
              y2={y}
              stroke="var(--ink)"
              strokeWidth={0.5 + 0.15 * course}
            />
            {shown.map((found, s) => (
              <FoundBar
                // biome-ignore lint/suspicious/noArrayIndexKey: places do not move
                key={s}
                cents={found[course - 1] ?? null}
                x={(PLACES - shown.length + s) * STEP + 5}
                y={y}
                {...{ tolerance, width: BAR, reach: REACH }}
              />
            ))}
          </g>
        );
      })}
    </svg>
  );
}
