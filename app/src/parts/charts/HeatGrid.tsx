import { useWords } from '../words/index.ts';
import './charts.css';
import type { Cents } from '@rosefinch/core/units';
import { scaleLinear } from 'd3-scale';

const CELL = { width: 52, height: 26 };
const LEFT = 90;
const TOP = 20;
/** Errors from here on have the full colour, in cents. */
const FULL = 15;

const depth = scaleLinear([0, FULL], [0, 0.75]).clamp(true);

/** One string's errors, in the order of the columns; null where there is none. */
interface HeatRow {
  readonly name: string;
  readonly cents: readonly (Cents | null)[];
}

interface Props {
  readonly label: string;
  readonly frets: readonly number[];
  readonly rows: readonly HeatRow[];
}

/** Strings by frets: how far each note is off, by figure, sign and depth of colour. */
export function HeatGrid({ label, frets, rows }: Props) {
  const t = useWords();
  return (
    <svg
      className="chart heat"
      viewBox={`0 0 ${LEFT + frets.length * CELL.width} ${TOP + rows.length * CELL.height}`}
      role="img"
      aria-label={label}
    >
      <text x={0} y={14}>
        {t('parts.centsAtFret')}
      </text>
      {frets.map((fret, k) => (
        <text key={fret} x={LEFT + (k + 0.5) * CELL.width} y={14} textAnchor="middle">
          {fret}
        </text>
      ))}
      {rows.map(({ name, cents }, row) => (
        <g key={name} transform={`translate(0,${TOP + row * CELL.height})`}>
          <text x={0} y={17}>
            {name}
          </text>
          {frets.map((fret, k) => {
            const own = cents[k] ?? null;
            return own !== null && <Cell key={fret} column={k} cents={own} />;
          })}
        </g>
      ))}
    </svg>
  );
}

function Cell({ column, cents }: { readonly column: number; readonly cents: Cents }) {
  const t = useWords();
  return (
    <g transform={`translate(${LEFT + column * CELL.width},0)`}>
      <rect
        width={CELL.width - 2}
        height={CELL.height - 2}
        className={cents < 0 ? 'flat' : 'sharp'}
        fillOpacity={depth(Math.abs(cents))}
      />
      <text x={CELL.width / 2} y={17} textAnchor="middle" className="value">
        {cents < 0 ? '−' : '+'}
        {t.number(Math.abs(cents), 1)}
      </text>
    </g>
  );
}
