import { BEAT_LASTS } from '@rosefinch/core/practice';
import type { Cents } from '@rosefinch/core/units';
import { wireHeight } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { Picture, tick } from './Picture.tsx';

interface StrokesProps {
  /** How far the second lay above the first; null while that is the question. */
  readonly cents: Cents | null;
  /** What the two are called. */
  readonly names?: readonly [string, string];
  readonly width: number;
  readonly height: number;
}

/** Two strokes on a wire: the second one lies where it lay only after the ear has spoken. */
export function TwoStrokes({ cents, names, width, height }: StrokesProps) {
  const t = useWords();
  const middle = height / 2;
  const scale = 0.42 * height;
  const x = (share: number) => share * width;
  const says =
    cents === null
      ? t('ear.twoNotes')
      : t('ear.secondLay', {
          cents: t.signed(cents),
        });
  const [first, second] = names ?? [t('ear.first'), t('ear.second')];
  return (
    <Picture says={says} {...{ width, height }}>
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
            y2={middle - scale * wireHeight(cents)}
          />
          <rect
            className="ear-second"
            x={x(0.58)}
            y={middle - scale * wireHeight(cents) - 4}
            width={x(0.28)}
            height={8}
          />
        </>
      )}
      <text className="ear-name" x={x(0.26)} y={height - 12} textAnchor="middle">
        {first}
      </text>
      <text className="ear-name" x={x(0.72)} y={height - 12} textAnchor="middle">
        {second}
      </text>
    </Picture>
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
  const t = useWords();
  const points = Array.from({ length: path.length / 2 }, (_, i) => ({
    ms: path[2 * i] ?? 0,
    cents: path[2 * i + 1] ?? 0,
  }));
  const last = points.at(-1);
  const longest = Math.max(1000, last?.ms ?? 0);
  const middle = height / 2 - 8;
  const scale = 0.4 * height;
  const x = (ms: number) => MARGIN + (ms / longest) * (width - 2 * MARGIN);
  const y = (cents: Cents) => middle - scale * wireHeight(cents);
  const line = points
    .map(({ ms, cents }, i) => (i === 0 ? `M${x(ms)},${y(cents)}` : `H${x(ms)}V${y(cents)}`))
    .join('');
  return (
    <Picture
      says={t('ear.turnedFromSignedCentsToSignedCents2', {
        signedCents: t.signed(points[0]?.cents ?? 0),
        signedCents2: t.signed(last?.cents ?? 0),
        value: Math.round(longest / 1000),
      })}
      {...{ width, height }}
    >
      <line className="ear-wire" x1={0} x2={width} y1={middle} y2={middle} />
      {[30, 10, -10, -30].map((cents) => (
        <text key={cents} className="axis-text" x={2} y={y(cents) + 4}>
          {tick(cents)}
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
        {t('ear.fixedSCentsFromWhere', { fixed: t.number(longest / 1000) })}
      </text>
    </Picture>
  );
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
  const t = useWords();
  const middle = height / 2;
  const x = (at: number) => ((at - (since ?? at)) / BEAT_MS) * width;
  return (
    <Picture
      says={t('ear.lengthTapsInBEATLASTS', { length: taps.length, BEAT_LASTS })}
      {...{ width, height }}
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
        {t('ear.bEATLASTSSeconds', { BEAT_LASTS })}
      </text>
    </Picture>
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
  const t = useWords();
  const middle = 0.62 * height;
  const scale = 0.5 * height;
  const step = width / places;
  const lightest = held.length > 0 ? Math.min(...held) : null;
  const says = held.map(t.signed).join(', ');
  return (
    <Picture
      says={held.length > 0 ? t('ear.centsFromTheNoteSays', { says }) : t('ear.nothingHeldYet')}
      {...{ width, height }}
    >
      <line className="ear-wire" x1={0} x2={width} y1={middle} y2={middle} />
      {lightest !== null && (
        <line
          className="ear-from"
          x1={0}
          x2={width}
          y1={middle - scale * wireHeight(lightest)}
          y2={middle - scale * wireHeight(lightest)}
        />
      )}
      {held.map((cents, i) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: places do not move
          key={i}
          className={i === held.length - 1 ? 'ear-second' : 'mark'}
          x={(i + 0.15) * step}
          y={middle - scale * wireHeight(cents) - 3}
          width={0.7 * step}
          height={6}
        />
      ))}
    </Picture>
  );
}
