import { useWords } from '../../parts/words/index.ts';
import './tunings.css';
import type { ChainLink } from '@rosefinch/core/fretboard';
import { scaleLinear } from 'd3-scale';

const STEP = 110;
const SIDE = 44;
const TOP = 26;
const HEIGHT = 96;

/** How the error of a chain of pure fourths adds up from string to string. */
export function ChainChart({ chain }: { chain: readonly ChainLink[] }) {
  const t = useWords();
  const lowest = Math.min(...chain.map(({ cents }) => cents));
  const y = scaleLinear([0, lowest], [TOP, HEIGHT - 26]);
  const x = (i: number) => SIDE + i * STEP;
  const width = 2 * SIDE + (chain.length - 1) * STEP;
  const path = chain.map(({ cents }, i) => `${x(i)},${y(cents)}`).join(' ');
  return (
    <svg
      className="chart chain"
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={t('tunings.aChainOfValuePure', {
        value: chain.length - 1,
        lowest: t.signed(lowest),
      })}
    >
      <line x1={0} x2={width} y1={TOP} y2={TOP} stroke="var(--hairline)" />
      <polyline points={path} fill="none" stroke="var(--ink)" strokeWidth={2} />
      {chain.map(({ course, cents }, i) => (
        <g key={course}>
          <rect className="mark" x={x(i) - 5} y={y(cents) - 5} width={10} height={10} />
          <text x={x(i)} y={14} textAnchor="middle">
            {t('parts.stringCourse', { course })}
          </text>
          <text x={x(i)} y={y(cents) + 20} textAnchor="middle">
            {t.signed(cents)}
          </text>
        </g>
      ))}
    </svg>
  );
}
