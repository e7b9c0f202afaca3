import type { Value } from '@rosefinch/core/message';
import { shortDuration } from '@rosefinch/core/sentences';
import type { BandPoint, Taken } from '@rosefinch/core/settling';
import type { Cents, EpochMs, Seconds } from '@rosefinch/core/units';
import { type ScaleContinuousNumeric, scaleLinear, scaleLog } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useWords } from '../../parts/words/index.ts';

const LEFT = 62;
const RIGHT = 8;
/** Room for the marks of time, in pixels. */
const AXIS = 40;
const HIGHEST = 8;
/** Marks of time since the strings were fitted, in seconds. */
const TICKS: readonly Seconds[] = [
  60, 300, 900, 3600, 10_800, 43_200, 86_400, 259_200, 604_800, 1_209_600,
];
/** Labels keep so far apart. */
const APART = 44;

export type TimeScale = ScaleContinuousNumeric<number, number>;

/** Seconds since the strings were fitted → place, by the logarithm or by the clock. */
export function timeScale(
  kind: 'log' | 'clock',
  [from, to]: readonly [number, number],
  width: number,
): TimeScale {
  const range = [LEFT, width - RIGHT];
  return kind === 'log' ? scaleLog([Math.max(1, from), to], range) : scaleLinear([0, to], range);
}

interface Props {
  readonly name: Value;
  readonly taken: readonly Taken[];
  /** When the string was fitted, in ms. */
  readonly since: EpochMs;
  /** From its last reading on. */
  readonly ahead: readonly BandPoint[] | null;
  readonly x: TimeScale;
  readonly width: number;
  readonly height: number;
  readonly lowest: Cents;
  readonly tolerance: Cents;
  /** Now and a lesson's length, in seconds, the first since the string was fitted. */
  readonly now: number;
  readonly lesson: Seconds;
  /** What is sure from now on. */
  readonly sure: Seconds;
  /** The chart of the stage, with its scales; a slim one stands in the wires’ band. */
  readonly tall: boolean;
  readonly gauge: number;
}

/** One string as a wire over time. */
export function SettleChart(props: Props) {
  const t = useWords();
  const { name, taken, since, ahead, x, width, height, lowest, tolerance, now, lesson, sure } =
    props;
  const bottom = height - (props.tall ? AXIS : 4);
  const y = scaleLinear([HIGHEST, lowest], [4, bottom]).clamp(true);
  const at = (look: Taken) => x(Math.max(1, (look.really - since) / 1000));
  const counts = taken.filter(({ step }) => step !== 'left out');
  const path = counts.map((look) => `${at(look)},${y(look.cents)}`).join(' ');
  const piece = line<{ at: number; cents: Cents }>(
    (p) => x(Math.max(1, p.at)),
    (p) => y(p.cents),
  );
  const band = area<{ at: number; low: number; high: number }>()
    .x((p) => x(p.at))
    .y0((p) => y(p.low))
    .y1((p) => y(p.high));
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={
        ahead?.length
          ? t('settle.chartForecast', { name, readings: counts.length })
          : t('settle.chartReadings', { name, readings: counts.length })
      }
    >
      <rect
        x={LEFT}
        width={width - LEFT - RIGHT}
        y={y(tolerance)}
        height={y(-tolerance) - y(tolerance)}
        fill="var(--rest-band)"
      />
      <line
        x1={LEFT}
        x2={width - RIGHT}
        y1={y(0)}
        y2={y(0)}
        stroke="var(--ink)"
        strokeWidth={props.gauge}
      />
      {ahead && <path d={band([...ahead]) ?? ''} className="forecast-band" />}
      {ahead && <path d={piece([...ahead]) ?? ''} className="line" strokeDasharray="5 4" />}
      <polyline points={path} fill="none" stroke="var(--soft-ink)" strokeDasharray="1 3" />
      {taken.map((look) => (
        <Mark
          key={`${look.at} ${look.cents}`}
          look={look}
          x={at(look)}
          y={y}
          tolerance={tolerance}
        />
      ))}
      <line x1={x(now)} x2={x(now)} y1={4} y2={bottom} className="active" />
      <Promised from={x(now)} lesson={x(now + lesson)} sure={x(now + sure)} />
      {props.tall && <CentsAxis y={y} lowest={lowest} />}
      {props.tall && <TimeAxis x={x} y={bottom + 4} width={width} />}
    </svg>
  );
}

/** The lesson from now on as an open bar, and what is sure of it, or beyond it, filled. */
function Promised({ from, lesson, sure }: { from: number; lesson: number; sure: number }) {
  return (
    <g>
      <rect x={from} y={2} width={Math.max(0, lesson - from)} height={8} className="open-bar" />
      <rect x={from} y={2} width={Math.max(0, sure - from)} height={8} className="mark" />
    </g>
  );
}

/** A reading: solid where it is in tune, hanging or standing open where it is not, dotted where it does not count. */
function Mark({
  look,
  x,
  y,
  tolerance,
}: {
  look: Taken;
  x: number;
  y: (c: number) => number;
  tolerance: Cents;
}) {
  const place = { x: x - 4, y: y(look.cents) - 3, width: 8, height: 6 };
  if (look.step === 'left out')
    return <rect {...place} className="open-bar" strokeDasharray="2 2" />;
  return <rect {...place} className={Math.abs(look.cents) <= tolerance ? 'mark' : 'open-bar'} />;
}

function CentsAxis({ y, lowest }: { y: (cents: Cents) => number; lowest: Cents }) {
  const t = useWords();
  const ticks = lowest < -60 ? [0, -50, -100] : lowest < -25 ? [0, -20, -40] : [0, -10];
  return (
    <g>
      {ticks
        .filter((tick) => tick >= lowest)
        .map((tick) => (
          <text key={tick} x={LEFT - 6} y={y(tick)} dy="0.35em" textAnchor="end">
            {tick === 0 ? t('settle.0Cents') : String(tick).replace('-', '−')}
          </text>
        ))}
    </g>
  );
}

function TimeAxis({ x, y, width }: { x: TimeScale; y: number; width: number }) {
  const t = useWords();
  const [from = 0, to = 0] = x.domain();
  let last = Number.NEGATIVE_INFINITY;
  const ticks = TICKS.filter((at) => {
    if (at < from || at > to || x(at) < last + APART || x(at) > width - 24) return false;
    last = x(at);
    return true;
  });
  return (
    <g className="axis">
      <line x1={LEFT} x2={width - RIGHT} y1={y} y2={y} />
      {ticks.map((at) => (
        <g key={at} transform={`translate(${x(at)},${y})`}>
          <line y2={5} />
          <text y={16} textAnchor="middle">
            {t(shortDuration(at))}
          </text>
        </g>
      ))}
      <text x={width - RIGHT} y={y + 32} textAnchor="end">
        {t('settle.sinceFittedBarALesson')}
      </text>
    </g>
  );
}
