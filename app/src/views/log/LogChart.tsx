import { noteName, type Tuning } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';
import { dayAsSaid } from '@rosefinch/core/words';
import { scaleTime } from 'd3-scale';
import type { Life } from '../../data/index.ts';
import { locale, now, zone } from '../../environment.ts';
import { Sized } from '../../parts/charts/index.ts';
import { FoundBar } from '../../parts/wires/index.ts';

const LEFT = 56;
const RIGHT = 12;
const ROW = 40;
const TOP = 22;
const AXIS = 26;
const BAR = 9;
/** As it was left stands close behind it, narrower. */
const LEFT_BAR = 3;
/** How far 100 cents reach from the wire. */
const REACH = 19;

interface Props {
  readonly instrument: Instrument;
  readonly tuning: Tuning | undefined;
  readonly life: Life;
  readonly tolerance: Cents;
}

/** Every string as a wire along the weeks: as it was found in each sitting, and behind it as it was left; what happened to the instrument as marks. */
export function LogChart(props: Props) {
  const { instrument } = props;
  const height = TOP + instrument.courses.length * ROW + AXIS;
  return (
    <div className="log-chart" style={{ height }}>
      <Sized>{(width) => <Drawing {...props} width={width} height={height} />}</Sized>
    </div>
  );
}

function Drawing({
  instrument,
  tuning,
  life,
  tolerance,
  width,
  height,
}: Props & { readonly width: number; readonly height: number }) {
  const { sittings, restringings, marks } = life;
  const end = now();
  const first = Math.min(end - 1, ...sittings.map(({ session }) => session.startedAt));
  const x = scaleTime([first, end], [LEFT + 8, width - RIGHT - BAR]);
  const rows = [...instrument.courses].reverse();
  const bottom = height - AXIS;
  const clock = { zone: zone(), now: end, reader: locale() };
  const happened = [
    ...restringings.map(({ fittedAt }) => ({ at: fittedAt, until: null, what: 'new strings' })),
    ...marks.map(({ at, until, kind }) => ({ at, until, what: kind })),
  ].filter(({ at, until }) => (until ?? at) >= first);
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`The strings of ${instrument.name} as they were found and left, from ${dayAsSaid(first, clock.zone, end, clock.reader)} to today`}
    >
      {happened.map(({ at, until, what }) => (
        <g key={`${what} ${at}`}>
          {until !== null && (
            <rect
              className="log-lent"
              x={x(Math.max(at, first))}
              width={Math.max(2, x(until) - x(Math.max(at, first)))}
              y={TOP}
              height={bottom - TOP}
            />
          )}
          <line className="log-mark" x1={x(at)} x2={x(at)} y1={TOP - 4} y2={bottom} />
          <text x={x(at)} y={TOP - 8} textAnchor={x(at) > width - 120 ? 'end' : 'start'}>
            {what}
          </text>
        </g>
      ))}
      {rows.map(({ number }, i) => {
        const y = TOP + (i + 0.5) * ROW;
        const midi = tuning?.courses[number - 1]?.[0];
        return (
          <g key={number}>
            <text className="log-note" x={LEFT - 8} y={y + 5} textAnchor="end">
              {number} {midi === undefined ? '' : noteName(midi, tuning?.accidental)}
            </text>
            <line
              x1={LEFT}
              x2={width - RIGHT}
              y1={y}
              y2={y}
              stroke="var(--ink)"
              strokeWidth={0.6 + 0.25 * number}
            />
            {sittings.map(({ session, summary }) => {
              const string = stringOf(summary.strings, number);
              const at = x(session.startedAt);
              return (
                <g key={session.id}>
                  <FoundBar
                    cents={string?.found ?? null}
                    x={at - BAR}
                    y={y}
                    {...{ tolerance, width: BAR, reach: REACH }}
                  />
                  <FoundBar
                    cents={string?.left ?? null}
                    x={at + 1}
                    y={y}
                    {...{ tolerance, width: LEFT_BAR, reach: REACH }}
                  />
                </g>
              );
            })}
          </g>
        );
      })}
      <g className="axis">
        <line x1={LEFT} x2={width - RIGHT} y1={bottom} y2={bottom} />
        {x.ticks(Math.max(2, Math.floor(width / 130))).map((tick) => (
          <text key={tick.getTime()} x={x(tick)} y={bottom + 17} textAnchor="middle">
            {dayAsSaid(tick.getTime(), clock.zone, end, clock.reader)}
          </text>
        ))}
      </g>
    </svg>
  );
}

function stringOf(strings: Life['sittings'][number]['summary']['strings'], course: number) {
  return strings.find((string) => string.course === course && string.member === 1);
}
