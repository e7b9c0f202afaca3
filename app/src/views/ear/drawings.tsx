import { type EarTrial, shareAt, sharesOf } from '@rosefinch/core/ear';
import { BEAT_LASTS } from '@rosefinch/core/practice';
import type { Cents } from '@rosefinch/core/units';
import { cellInWords, signedCents } from '@rosefinch/core/words';
import { FoundBar, type WireLine } from '../../parts/wires/index.ts';

/** Half of what is shown above and below a wire. */
const REACH = 100;

/** Linear near the wire, by the logarithm further off: as wires are everywhere. */
function heightOf(cents: Cents): number {
  const size = Math.abs(cents);
  const share = size <= 10 ? size / 20 : 0.5 + 0.5 * (Math.log(size / 10) / Math.log(30));
  return Math.sign(cents) * Math.min(1, share) * REACH;
}

interface StrokesProps {
  /** How far the second lay above the first; null while that is the question. */
  readonly cents: Cents | null;
  /** What the two are called. */
  readonly names?: readonly [string, string];
  readonly width: number;
  readonly height: number;
}

/** Two strokes on a wire: the second one lies where it lay only after the ear has spoken. */
export function TwoStrokes({
  cents,
  names: [first, second] = ['first', 'second'],
  width,
  height,
}: StrokesProps) {
  const middle = height / 2;
  const scale = (0.42 * height) / REACH;
  const x = (share: number) => share * width;
  const says =
    cents === null
      ? 'Two notes; how far they lie apart is shown after the answer'
      : `What was heard second lay ${signedCents(cents)} cents from the first`;
  return (
    <svg className="chart" viewBox={`0 0 ${width} ${height}`} role="img" aria-label={says}>
      <line className="ear-wire" x1={0} x2={width} y1={middle} y2={middle} />
      <rect className="mark" x={x(0.12)} y={middle - 4} width={x(0.28)} height={8} />
      {cents === null ? (
        <rect className="ear-asked" x={x(0.58)} y={middle - 4} width={x(0.28)} height={8} />
      ) : (
        <>
          <line
            className="ear-from"
            x1={x(0.72)}
            x2={x(0.72)}
            y1={middle}
            y2={middle - scale * heightOf(cents)}
          />
          <rect
            className="ear-second"
            x={x(0.58)}
            y={middle - scale * heightOf(cents) - 4}
            width={x(0.28)}
            height={8}
          />
        </>
      )}
      <text className="axis-text" x={x(0.26)} y={height - 6} textAnchor="middle">
        {first}
      </text>
      <text className="axis-text" x={x(0.72)} y={height - 6} textAnchor="middle">
        {second}
      </text>
    </svg>
  );
}

interface PathProps {
  /** Milliseconds and cents by turns. */
  readonly path: readonly number[];
  readonly width: number;
  readonly height: number;
}

const MARGIN = 44;

/** How a string was turned until it was left: cents over seconds. */
export function PathStroke({ path, width, height }: PathProps) {
  const points = Array.from({ length: path.length / 2 }, (_, i) => ({
    ms: path[2 * i] ?? 0,
    cents: path[2 * i + 1] ?? 0,
  }));
  const last = points.at(-1);
  const longest = Math.max(1000, last?.ms ?? 0);
  const middle = height / 2 - 8;
  const scale = (0.4 * height) / REACH;
  const x = (ms: number) => MARGIN + (ms / longest) * (width - 2 * MARGIN);
  const y = (cents: Cents) => middle - scale * heightOf(cents);
  const line = points
    .map(({ ms, cents }, i) => (i === 0 ? `M${x(ms)},${y(cents)}` : `H${x(ms)}V${y(cents)}`))
    .join('');
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Turned from ${signedCents(points[0]?.cents ?? 0)} to ${signedCents(last?.cents ?? 0)} cents in ${Math.round(longest / 1000)} seconds`}
    >
      <line className="ear-wire" x1={0} x2={width} y1={middle} y2={middle} />
      {[30, 10, -10, -30].map((cents) => (
        <text key={cents} className="axis-text" x={2} y={y(cents) + 4}>
          {cents > 0 ? `+${cents}` : `−${-cents}`}
        </text>
      ))}
      <path className="ear-path" d={line} />
      {last && (
        <rect
          className="ear-second"
          x={x(last.ms) - 2}
          y={y(last.cents) - 4}
          width={36}
          height={8}
        />
      )}
      <text className="axis-text" x={width - MARGIN} y={height - 4} textAnchor="end">
        {(longest / 1000).toFixed(0)} s; cents from where they agree
      </text>
    </svg>
  );
}

const WIDE = 640;
const HIGH = 34;
const PLACES = 24;

/** The newest trials of one kind along a wire: solid what was right or near, open what was not. */
function TrialWire({ trials }: { readonly trials: readonly EarTrial[] }) {
  const shown = trials.slice(-PLACES);
  const scale = (0.44 * HIGH) / REACH;
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      preserveAspectRatio="xMinYMid meet"
      role="img"
      aria-label={`${trials.length} answers`}
    >
      <line className="ear-wire" x1={0} x2={WIDE} y1={HIGH / 2} y2={HIGH / 2} />
      {shown.map((trial, i) => {
        const cents = trial.off ?? trial.asked;
        return (
          <rect
            key={trial.at}
            className={isRight(trial) ? 'mark' : 'open-bar'}
            x={(i + 0.2) * (WIDE / PLACES)}
            y={HIGH / 2 - scale * heightOf(cents) - 2.5}
            width={0.6 * (WIDE / PLACES)}
            height={5}
          />
        );
      })}
    </svg>
  );
}

/** A deed that is nearer than this is drawn as one that came to rest. */
const NEAR = 3;

/** Whether an answer was right, or a deed came near. */
function isRight({ asked, answer, off, hands }: EarTrial): boolean {
  if (off !== undefined) return Math.abs(off) <= NEAR;
  const way = asked < 0 ? 'lower' : 'higher';
  if (hands) {
    const all = Object.values(hands).reduce((sum, one) => sum + one, 0);
    return 2 * (hands[way] ?? 0) > all;
  }
  return answer === 'right' || answer === way;
}

/** A line for each kind that is asked about. */
export function cellLines(
  cells: readonly string[],
  trials: readonly EarTrial[],
  hand: string | null,
  figure: (cell: string) => string,
): WireLine[] {
  return cells.map((cell, i) => {
    const own = trials.filter((one) => one.cell === cell);
    const right = own.filter(isRight).length;
    return {
      course: i + 1,
      name: cell.split(' ')[0] ?? cell,
      small: cell.split(' ')[1] ?? '',
      label: cellInWords(cell),
      says: `${own.length} answers, ${right} right or near; ${figure(cell)}`,
      active: cell === hand,
      chosen: false,
      picture: <TrialWire trials={own} />,
      to: figure(cell),
      word: own.length > 0 ? `${right} of ${own.length}` : '',
    };
  });
}

interface TapProps {
  /** By a clock that never jumps, milliseconds. */
  readonly taps: readonly number[];
  readonly since: number | null;
  readonly width: number;
  readonly height: number;
}

/** A beat is listened to for so long. */
const BEAT_MS = 1000 * BEAT_LASTS;

/** Taps along the time that a beat sounds. */
export function TapWire({ taps, since, width, height }: TapProps) {
  const middle = height / 2;
  const x = (at: number) => ((at - (since ?? at)) / BEAT_MS) * width;
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`${taps.length} taps in ${BEAT_LASTS} seconds`}
    >
      <line className="ear-wire" x1={0} x2={width} y1={middle} y2={middle} />
      {taps.map((tap) => (
        <rect
          key={tap}
          className="ear-second"
          x={x(tap) - 2}
          y={middle - 18}
          width={4}
          height={36}
        />
      ))}
      <text className="axis-text" x={width} y={height - 4} textAnchor="end">
        {BEAT_LASTS} seconds
      </text>
    </svg>
  );
}

interface OutProps {
  readonly out: Cents | null;
  readonly left: Cents | null;
  readonly tolerance: Cents;
}

/** A string as it was put out, on the left of its wire, and as it was left, on the right. */
export function OutAndLeft({ out, left, tolerance }: OutProps) {
  const bar = { y: HIGH / 2, tolerance, width: 70, reach: 0.42 * HIGH };
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      preserveAspectRatio="xMinYMid meet"
      role="img"
      aria-label={
        left === null
          ? 'Nothing shown yet'
          : `Put out ${signedCents(out ?? 0)}, left ${signedCents(left)} cents`
      }
    >
      <line className="ear-wire" x1={0} x2={WIDE} y1={HIGH / 2} y2={HIGH / 2} />
      <FoundBar cents={out} x={90} {...bar} />
      <FoundBar cents={left} x={430} {...bar} />
    </svg>
  );
}

interface HeldProps {
  readonly held: readonly Cents[];
  readonly places: number;
  readonly width: number;
  readonly height: number;
}

/** One perch for each touch, and the lightest as a line: lower is lighter. */
export function HeldPerches({ held, places, width, height }: HeldProps) {
  const middle = 0.62 * height;
  const scale = (0.5 * height) / REACH;
  const step = width / places;
  const lightest = held.length > 0 ? Math.min(...held) : null;
  const says = held.map(signedCents).join(', ');
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={held.length > 0 ? `Cents from the note: ${says}` : 'Nothing held yet'}
    >
      <line className="ear-wire" x1={0} x2={width} y1={middle} y2={middle} />
      {lightest !== null && (
        <line
          className="ear-from"
          x1={0}
          x2={width}
          y1={middle - scale * heightOf(lightest)}
          y2={middle - scale * heightOf(lightest)}
        />
      )}
      {held.map((cents, i) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: places do not move
          key={i}
          className={i === held.length - 1 ? 'ear-second' : 'mark'}
          x={(i + 0.15) * step}
          y={middle - scale * heightOf(cents) - 3}
          width={0.7 * step}
          height={6}
        />
      ))}
    </svg>
  );
}

interface CurveProps {
  readonly trials: readonly EarTrial[];
  /** What the class notices; null before that is known. */
  readonly noticed: Cents | null;
  readonly width: number;
  readonly height: number;
}

/** Ticks of a class's curve, in cents. */
const CURVE_TICKS = [-100, -30, -10, 10, 30, 100];
const CURVE_STEPS = 60;

/** Hands of a class: which share of them heard a difference as higher, with the curve that lies nearest. */
export function ClassCurve({ trials, noticed, width, height }: CurveProps) {
  const [left, base, high] = [40, height - 34, height - 48];
  const x = (cents: Cents) => left + (0.5 + heightOf(cents) / (2 * REACH)) * (width - left - 8);
  const y = (share: number) => base - share * high;
  const shares = sharesOf(trials);
  const curve = Array.from({ length: CURVE_STEPS + 1 }, (_, i) => {
    const cents = centsAt((2 * i) / CURVE_STEPS - 1);
    return `${i === 0 ? 'M' : 'L'}${x(cents)},${y(noticed === null ? 0.5 : shareAt(cents, noticed))}`;
  }).join('');
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Share of hands for higher: ${shares.map(({ cents, higher }) => `${signedCents(cents)} cents ${Math.round(100 * higher)} %`).join(', ')}`}
    >
      {[0, 0.5, 1].map((share) => (
        <g key={share}>
          <line className="ear-from" x1={left} x2={width} y1={y(share)} y2={y(share)} />
          <text className="axis-text" x={0} y={y(share) + 4}>
            {100 * share} %
          </text>
        </g>
      ))}
      {CURVE_TICKS.map((cents) => (
        <text key={cents} className="axis-text" x={x(cents)} y={height - 18} textAnchor="middle">
          {cents > 0 ? `+${cents}` : `−${-cents}`}
        </text>
      ))}
      <text className="axis-text" x={width - 8} y={height - 3} textAnchor="end">
        share of hands for higher, by cents
      </text>
      {noticed !== null && <path className="ear-path" d={curve} />}
      {shares.map(({ cents, higher }, i) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: questions do not move
          key={i}
          className={i === shares.length - 1 ? 'ear-second' : 'mark'}
          x={x(cents) - 5}
          y={y(higher) - 5}
          width={10}
          height={10}
        />
      ))}
    </svg>
  );
}

/** The difference at a share of the half height, −1 to 1: the other way round. */
function centsAt(share: number): Cents {
  const size = Math.abs(share);
  return Math.sign(share) * (size <= 0.5 ? 20 * size : 10 * 30 ** (2 * size - 1));
}
