import { useWords } from '../words/index.ts';
import './wires.css';
import type { Cents } from '@rosefinch/core/units';
import { FoundBar } from './FoundBar.tsx';

const ROW = 17;
const WIDTH = 300;
const BAR = 44;
const REACH = 7;

interface Props {
  /** Course 1 first. */
  readonly strings: readonly {
    readonly course: number;
    readonly found: number | null;
    readonly left: number | null;
  }[];
  readonly tolerance: Cents;
}

/** All strings of a session as a small set of wires: found on the left, left on the right. */
export function MiniWires({ strings, tolerance }: Props) {
  const t = useWords();
  const rows = [...strings].reverse();
  return (
    <svg
      className="chart mini-wires"
      viewBox={`0 0 ${WIDTH} ${rows.length * ROW}`}
      role="img"
      aria-label={t('parts.stringsAsWiresFoundOn')}
    >
      {rows.map((row, i) => {
        const y = (i + 0.5) * ROW;
        const gauge = 0.6 + 0.25 * row.course;
        return (
          <g key={row.course}>
            <line x1={0} x2={WIDTH} y1={y} y2={y} stroke="var(--ink)" strokeWidth={gauge} />
            <FoundBar cents={row.found} x={60} {...{ y, tolerance, width: BAR, reach: REACH }} />
            <FoundBar cents={row.left} x={200} {...{ y, tolerance, width: BAR, reach: REACH }} />
          </g>
        );
      })}
    </svg>
  );
}
