import type { Tuning } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';
import { type ScaleTime, scaleTime } from 'd3-scale';
import type { Life } from '../../data/index.ts';
import { now, zone } from '../../environment.ts';
import { Sized } from '../../parts/charts/index.ts';
import { FoundBar } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';

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

/** Every string as a wire along the weeks: as it was found in each session, and behind it as it was left; what happened to the instrument as marks. */
export function LogChart(props: Props) {
  const { instrument } = props;
  const height = TOP + instrument.courses.length * ROW + AXIS;
  return (
    <div className="log-chart" style={{ height }}>
      <Sized>{(width) => <Drawing {...props} width={width} height={height} />}</Sized>
    </div>
  );
}

interface Place {
  readonly x: ScaleTime<number, number>;
  readonly width: number;
  readonly bottom: number;
}

function Drawing({
  instrument,
  tuning,
  life,
  tolerance,
  width,
  height,
}: Props & { readonly width: number; readonly height: number }) {
  const t = useWords();
  const end = now();
  const first = Math.min(end - 1, ...life.sittings.map(({ session }) => session.startedAt));
  const x = scaleTime([first, end], [LEFT + 8, width - RIGHT - BAR]);
  const place = { x, width, bottom: height - AXIS };
  const rows = [...instrument.courses].reverse();
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={t('log.theStringsOfNameAs', {
        name: instrument.name,
        first: t.moment(first, { now: end, zone: zone() }, 'spoken day'),
      })}
    >
      <Happened life={life} first={first} place={place} />
      {rows.map(({ number }, i) => {
        const y = TOP + (i + 0.5) * ROW;
        const midi = tuning?.courses[number - 1]?.[0];
        return (
          <g key={number}>
            <text className="log-note" x={LEFT - 8} y={y + 5} textAnchor="end">
              {number} {midi === undefined ? '' : t.note(midi, tuning?.accidental)}
            </text>
            <line
              x1={LEFT}
              x2={width - RIGHT}
              y1={y}
              y2={y}
              stroke="var(--ink)"
              strokeWidth={0.6 + 0.25 * number}
            />
            <Perches life={life} course={number} tolerance={tolerance} x={x} y={y} />
          </g>
        );
      })}
      <Days {...place} />
    </svg>
  );
}

const HAPPENED = {
  strings: 'log.newStrings',
  loan: 'log.markLoan',
  repair: 'log.markRepair',
  note: 'log.markNote',
} as const;

/** New strings, loans, repairs and notes, as marks along the weeks. */
function Happened({
  life: { restringings, marks },
  first,
  place: { x, width, bottom },
}: {
  readonly life: Life;
  readonly first: number;
  readonly place: Place;
}) {
  const t = useWords();
  const all = [
    ...restringings.map(({ fittedAt }) => ({
      at: fittedAt,
      until: null,
      what: 'strings' as const,
    })),
    ...marks.map(({ at, until, kind }) => ({ at, until, what: kind })),
  ].filter(({ at, until }) => (until ?? at) >= first);
  return all.map(({ at, until, what }) => {
    const from = x(Math.max(at, first));
    return (
      <g key={`${what} ${at}`}>
        {until !== null && (
          <rect
            className="log-lent"
            x={from}
            width={Math.max(2, x(until) - from)}
            y={TOP}
            height={bottom - TOP}
          />
        )}
        <line className="log-mark" x1={from} x2={from} y1={TOP - 4} y2={bottom} />
        <text x={from} y={TOP - 8} textAnchor={from > width - 120 ? 'end' : 'start'}>
          {t(HAPPENED[what])}
        </text>
      </g>
    );
  });
}

interface PerchesProps extends Pick<Place, 'x'> {
  readonly life: Life;
  readonly course: number;
  readonly tolerance: Cents;
  readonly y: number;
}

/** One string as it was found in each session, and close behind it as it was left. */
function Perches({ life, course, tolerance, x, y }: PerchesProps) {
  return life.sittings.map(({ session, summary }) => {
    const string = summary.strings.find((one) => one.course === course && one.member === 1);
    const at = x(session.startedAt);
    const same = { y, tolerance, reach: REACH };
    return (
      <g key={session.id}>
        <FoundBar cents={string?.found ?? null} x={at - BAR} width={BAR} {...same} />
        <FoundBar cents={string?.left ?? null} x={at + 1} width={LEFT_BAR} {...same} />
      </g>
    );
  });
}

function Days({ x, width, bottom }: Place) {
  const t = useWords();
  const named = x.ticks(Math.max(2, Math.floor(width / 130))).map((tick) => ({
    tick,
    day: t.moment(tick.getTime(), { now: now(), zone: zone() }, 'spoken day'),
  }));
  // A day is named once, however much of the chart it takes.
  const days = named.filter(({ day }, i) => day !== named[i - 1]?.day);
  return (
    <g className="axis">
      <line x1={LEFT} x2={width - RIGHT} y1={bottom} y2={bottom} />
      {days.map(({ tick, day }) => (
        <text key={day} x={x(tick)} y={bottom + 17} textAnchor="middle">
          {day}
        </text>
      ))}
    </g>
  );
}
