import { fretPlace } from '@rosefinch/core/fretboard';
import {
  type FretReading,
  PRESSURES,
  type Pressure,
  type StringCauses,
} from '@rosefinch/core/intonation';
import { type Target, targetName } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Asked } from './sequence.ts';
import { errorOf } from './sequence.ts';

const WIDTH = 820;
const LEFT = 74;
const ROW = 66;
/** Cents that half a row stands for. */
const REACH = 20;
/** The fan of the fitted errors: soft, normal, hard. */
const DASH: Readonly<Record<Pressure, string>> = { soft: '2 4', normal: '5 3', hard: '9 2' };
const BAR: Readonly<Record<string, number>> = { soft: 8, normal: 14, hard: 22 };

interface Props {
  readonly check: FretCheck;
  readonly targets: readonly Target[];
  readonly causes: ReadonlyMap<number, StringCauses>;
  readonly asked: Asked | null;
}

/** The strings on a fretboard with its true spacing: each fretted note's error stands at its fret, the fitted causes run through them. */
export function FretMap({ check, targets, causes, asked }: Props) {
  const highest = Math.max(...check.frets);
  const x = scaleLinear([0, fretPlace(1, highest)], [LEFT, WIDTH - 20]);
  const at = (fret: number) => x(fretPlace(1, fret));
  const height = check.courses.length * ROW + 26;
  return (
    <svg
      className="chart fret-map"
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={`Fretboard with ${check.readings.filter(({ struckOut }) => !struckOut).length} readings: errors of fretted notes in cents against each string’s own open pitch`}
    >
      {Array.from({ length: highest }, (_, i) => i + 1).map((fret) => (
        <g key={fret}>
          <line x1={at(fret)} x2={at(fret)} y1={4} y2={height - 24} stroke="var(--hairline)" />
          {(fret < 8 || fret % 2 === 1 || fret === 12) && (
            <text x={at(fret)} y={height - 8} textAnchor="middle">
              {fret}
            </text>
          )}
        </g>
      ))}
      <text x={0} y={height - 8}>
        fret, cents
      </text>
      {check.courses.map((course, i) => (
        <StringRow
          key={course}
          y={i * ROW + ROW / 2 + 2}
          name={targetName(targets[course - 1])}
          course={course}
          readings={check.readings.filter((r) => r.course === course && !r.struckOut)}
          error={(reading) => errorOf(check, reading)}
          causes={causes.get(course)}
          pressures={check.pressures}
          highest={highest}
          at={at}
          asked={asked?.course === course ? asked : null}
        />
      ))}
    </svg>
  );
}

/** The widest mark lies behind the others. */
function widestFirst(a: FretReading, b: FretReading): number {
  const width = ({ place }: FretReading) =>
    place.kind === 'fret' ? (BAR[place.pressure] ?? 0) : 0;
  return width(b) - width(a);
}

interface RowProps {
  readonly y: number;
  readonly name: string;
  readonly course: number;
  readonly readings: readonly FretReading[];
  readonly error: (reading: FretReading) => number | null;
  readonly causes: StringCauses | undefined;
  readonly pressures: readonly Pressure[];
  readonly highest: number;
  readonly at: (fret: number) => number;
  readonly asked: Asked | null;
}

function StringRow({
  y,
  name,
  course,
  readings,
  error,
  causes,
  pressures,
  highest,
  at,
  asked,
}: RowProps) {
  const up = (cents: number) =>
    y - (Math.max(-REACH, Math.min(REACH, cents)) / REACH) * (ROW / 2 - 4);
  const path = (pressure: Pressure) =>
    line<number>(
      (fret) => at(fret),
      (fret) => up(causes?.kind === 'fitted' ? causes.at(fret, pressure) : 0),
    );
  const frets = Array.from({ length: highest }, (_, i) => i + 1);
  return (
    <g>
      <line
        x1={LEFT}
        x2={WIDTH - 20}
        y1={y}
        y2={y}
        stroke="var(--ink)"
        strokeWidth={0.8 + 0.3 * course}
      />
      <text x={0} y={y + 5} className="note">
        {name}
      </text>
      <text x={34} y={y + 5}>
        str. {course}
      </text>
      {causes?.kind === 'fitted' &&
        pressures.map((pressure) => (
          <path
            key={pressure}
            d={path(pressure)(frets) ?? ''}
            className="line"
            strokeDasharray={DASH[pressure]}
          />
        ))}
      {[...readings].sort(widestFirst).map((reading) => {
        const cents = error(reading);
        if (reading.place.kind !== 'fret' || cents === null) return null;
        const { fret, pressure } = reading.place;
        const width = BAR[pressure] ?? BAR.normal!;
        const top = Math.min(y, up(cents));
        return (
          <g key={`${reading.at} ${fret} ${pressure}`}>
            <rect
              x={at(fret) - width / 2}
              y={top}
              width={width}
              height={Math.max(2, Math.abs(up(cents) - y))}
              className={Math.abs(cents) < 2 ? 'mark' : 'open-bar'}
            />
            {pressure === PRESSURES[1] && Math.abs(cents) >= 2 && (
              <text x={at(fret)} y={cents > 0 ? top - 3 : up(cents) + 13} textAnchor="middle">
                {cents > 0 ? '+' : '−'}
                {Math.abs(cents).toFixed(0)}
              </text>
            )}
          </g>
        );
      })}
      {asked && (
        <circle
          cx={
            asked.place.kind === 'fret'
              ? at(asked.place.fret)
              : asked.place.kind === 'harmonic'
                ? at(12)
                : LEFT
          }
          cy={y}
          r={7}
          className="active"
        />
      )}
    </g>
  );
}
