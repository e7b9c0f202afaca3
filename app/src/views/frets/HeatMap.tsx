import { errorOf } from '@rosefinch/core/intonation';
import { type Target, targetName } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import type { Cents } from '@rosefinch/core/units';
import { scaleLinear } from 'd3-scale';

const CELL = { width: 52, height: 26 };
const LEFT = 90;
const TOP = 20;
/** Errors from here on have the full colour, in cents. */
const FULL = 15;

const depth = scaleLinear([0, FULL], [0, 0.75]).clamp(true);

interface Props {
  readonly check: FretCheck;
  readonly targets: readonly Target[];
}

/** Strings by frets: how far each note is off, by figure, sign and depth of colour. */
export function HeatMap({ check, targets }: Props) {
  // The octaves of a bridge are sounded more than once.
  const frets = [...new Set(check.frets)].sort((a, b) => a - b);
  const errors = (course: number, fret: number) =>
    check.readings.flatMap((reading) => {
      const { place, struckOut } = reading;
      const own = reading.course === course && place.kind === 'fret' && place.fret === fret;
      return own && !struckOut && place.pressure === 'normal' && !place.capo
        ? (errorOf(check, reading) ?? [])
        : [];
    });
  return (
    <svg
      className="chart heat"
      viewBox={`0 0 ${LEFT + frets.length * CELL.width} ${TOP + check.courses.length * CELL.height}`}
      role="img"
      aria-label="Errors in cents, string by fret"
    >
      <text x={0} y={14}>
        cents at fret
      </text>
      {frets.map((fret, k) => (
        <text key={fret} x={LEFT + (k + 0.5) * CELL.width} y={14} textAnchor="middle">
          {fret}
        </text>
      ))}
      {check.courses.map((course, row) => (
        <g key={course} transform={`translate(0,${TOP + row * CELL.height})`}>
          <text x={0} y={17}>
            {course} {targetName(targets[course - 1])}
          </text>
          {frets.map((fret, k) => {
            const list = errors(course, fret);
            return (
              list.length > 0 && (
                <Cell
                  key={fret}
                  column={k}
                  cents={list.reduce((sum, value) => sum + value, 0) / list.length}
                />
              )
            );
          })}
        </g>
      ))}
    </svg>
  );
}

function Cell({ column, cents }: { readonly column: number; readonly cents: Cents }) {
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
        {Math.abs(cents).toFixed(1)}
      </text>
    </g>
  );
}
