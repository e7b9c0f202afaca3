import { fretPlace } from '@rosefinch/core/fretboard';
import type { FretAsked } from '@rosefinch/core/intonation';
import {
  type Explanations,
  errorOf,
  expectedError,
  type FretReading,
  PRESSURES,
  type Pressure,
  placeKey,
} from '@rosefinch/core/intonation';
import { type Message, message } from '@rosefinch/core/message';
import { type Target, targetNote } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import type { Cents } from '@rosefinch/core/units';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useWords } from '../../parts/words/index.ts';

const LEFT = 74;
const RIGHT = 20;
/** Below the strings the frets are numbered, in pixels. */
const FOOT = 26;
/** Cents that half a row stands for. */
const REACH = 20;
/** The fan of the fitted errors: soft, normal, hard. */
const DASH: Readonly<Record<Pressure, string>> = { soft: '2 4', normal: '5 3', hard: '9 2' };
const BAR: Readonly<Record<Pressure, number>> = { soft: 8, normal: 14, hard: 22 };
/** What keeps a row from the next, in pixels. */
const BETWEEN = 4;
/** Below this an error is drawn closed: no player hears it. */
const SMALL: Cents = 2;

interface Props {
  readonly check: FretCheck;
  readonly targets: readonly Target[];
  /** What explains the readings; null before they can be explained. */
  readonly explanations: Explanations | null;
  readonly asked: FretAsked | null;
  /** What the drawing is, where it is not the whole map. */
  readonly label?: string;
  /** Drawn with the nut on the right. */
  readonly leftHanded?: boolean | undefined;
  /** In pixels. */
  readonly width: number;
  readonly height: number;
}

/** The strings on a fretboard with its true spacing: each fretted note's error stands at its fret, what explains them runs through. */
export function FretMap(props: Props) {
  const t = useWords();
  const { check, targets, explanations, asked, label, leftHanded, width, height } = props;
  const highest = Math.max(...check.frets);
  const ends = [LEFT, width - RIGHT];
  const x = scaleLinear([0, fretPlace(1, highest)], leftHanded ? ends.toReversed() : ends);
  const at = (fret: number) => x(fretPlace(1, fret));
  const row = (height - FOOT) / check.courses.length;
  return (
    <svg
      className={label ? 'chart' : 'chart fret-map'}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label ?? t(mapInWords(check))}
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
        {t('frets.fretCents')}
      </text>
      {check.courses.map((course, i) => (
        <StringRow
          key={course}
          y={i * row + row / 2 + 2}
          half={row / 2 - BETWEEN}
          end={width - RIGHT}
          name={t.value(targetNote(targets[course - 1]))}
          course={course}
          readings={check.readings.filter((r) => r.course === course && isShown(r))}
          error={(reading) => errorOf(check, reading)}
          explanations={explanations}
          pressures={check.pressures}
          highest={highest}
          at={at}
          asked={asked?.course === course ? asked : null}
        />
      ))}
    </svg>
  );
}

function mapInWords({ readings }: FretCheck): Message {
  const count = readings.filter(({ struckOut }) => !struckOut).length;
  return message('frets.mapSays', { count });
}

/** What lies under a capo is against another beginning, and stands in no map. */
function isShown({ place, struckOut }: FretReading): boolean {
  return !struckOut && !(place.kind === 'fret' && place.capo);
}

/** The widest mark lies behind the others. */
function widestFirst(a: FretReading, b: FretReading): number {
  const width = ({ place }: FretReading) => (place.kind === 'fret' ? BAR[place.pressure] : 0);
  return width(b) - width(a);
}

interface RowProps {
  readonly y: number;
  /** Half the height that a row has for its errors. */
  readonly half: number;
  /** Where the strings end. */
  readonly end: number;
  readonly name: string;
  readonly course: number;
  readonly readings: readonly FretReading[];
  readonly error: (reading: FretReading) => number | null;
  readonly explanations: Explanations | null;
  readonly pressures: readonly Pressure[];
  readonly highest: number;
  readonly at: (fret: number) => number;
  readonly asked: FretAsked | null;
}

function StringRow(props: RowProps) {
  const t = useWords();
  const { y, half, end, name, course, readings, error, at, asked } = props;
  const up = (cents: Cents) => y - (Math.max(-REACH, Math.min(REACH, cents)) / REACH) * half;
  return (
    <g>
      <line x1={LEFT} x2={end} y1={y} y2={y} stroke="var(--ink)" strokeWidth={0.8 + 0.3 * course} />
      <text x={0} y={y + 5} className="note">
        {name}
      </text>
      <text x={34} y={y + 5}>
        {t('frets.strCourse', { course })}
      </text>
      <Fitted {...props} up={up} />
      {[...readings].sort(widestFirst).map((reading) => (
        <Mark
          key={`${reading.at} ${placeKey(reading.place)}`}
          reading={reading}
          cents={error(reading)}
          {...{ y, at, up }}
        />
      ))}
      {asked && <circle cx={askedAt(asked, at)} cy={y} r={7} className="active" />}
    </g>
  );
}

/** How a row turns cents into a height. */
interface Heights {
  readonly up: (cents: Cents) => number;
}

/** What explains the readings, a line for each pressure. */
function Fitted({
  explanations,
  course,
  readings,
  pressures,
  highest,
  at,
  up,
}: RowProps & Heights) {
  if (!explanations || readings.every(({ place }) => place.kind !== 'fret')) return null;
  const frets = Array.from({ length: highest }, (_, i) => i + 1);
  return pressures.map((pressure) => {
    const path = line<number>(at, (fret) =>
      up(expectedError(explanations, { course, fret, pressure })),
    );
    return (
      <path
        key={pressure}
        d={path(frets) ?? ''}
        className="line"
        strokeDasharray={DASH[pressure]}
      />
    );
  });
}

interface MarkProps extends Heights {
  readonly reading: FretReading;
  readonly cents: Cents | null;
  readonly y: number;
  readonly at: (fret: number) => number;
}

/** One fretted reading as a bar from its wire; its figure where it is worth one. */
function Mark({ reading: { place }, cents, y, at, up }: MarkProps) {
  const t = useWords();
  if (place.kind !== 'fret' || cents === null) return null;
  const { fret, pressure } = place;
  const width = BAR[pressure];
  const top = Math.min(y, up(cents));
  const small = Math.abs(cents) < SMALL;
  return (
    <g>
      <rect
        x={at(fret) - width / 2}
        y={top}
        width={width}
        height={Math.max(2, Math.abs(up(cents) - y))}
        className={small ? 'mark' : 'open-bar'}
      />
      {pressure === PRESSURES[1] && !small && (
        <text x={at(fret)} y={cents > 0 ? top - 3 : up(cents) + 13} textAnchor="middle">
          {cents > 0 ? '+' : '−'}
          {t.number(Math.abs(cents))}
        </text>
      )}
    </g>
  );
}

function askedAt({ place }: FretAsked, at: (fret: number) => number): number {
  if (place.kind === 'open') return at(0);
  return at(place.kind === 'fret' ? place.fret : 12);
}
