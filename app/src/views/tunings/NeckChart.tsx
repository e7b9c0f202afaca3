import { NumberedString } from '../../parts/charts/index.ts';
import { useWords } from '../../parts/words/index.ts';
import './tunings.css';
import { type CrossCheck, fretPlace, type NeckCourse } from '@rosefinch/core/fretboard';

const WIDTH = 760;
const LEFT = 46;
const ROW = 30;
/** A scale of any length: only the spacing counts. */
const SCALE = 1000;

interface Props {
  readonly neck: readonly NeckCourse[];
  readonly checks: readonly CrossCheck[];
  readonly frets: number;
  /** Drawn with the nut on the right. */
  readonly leftHanded: boolean;
}

/** Wires on a neck with its true fret spacing; a tie runs from each held place to the open string it sounds. */
export function NeckChart({ neck, checks, frets, leftHanded }: Props) {
  const t = useWords();
  const end = fretPlace(SCALE, frets + 0.6);
  const across = (x: number) => (leftHanded ? WIDTH - x : x);
  const x = (place: number) => across(LEFT + (place / end) * (WIDTH - LEFT - 10));
  const rows = neck.toReversed();
  const y = (course: number) => 18 + rows.findIndex((row) => row.course === course) * ROW;
  const height = 18 + rows.length * ROW + 4;
  // The finger rests shortly before the fret.
  const finger = (fret: number) => x((fretPlace(SCALE, fret) + fretPlace(SCALE, fret - 1)) / 2);
  return (
    <svg
      className="chart neck"
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={t('tunings.lengthPlacesWhereAHeld', { length: checks.length })}
    >
      <Frets {...{ frets, height, finger }} at={(fret) => x(fretPlace(SCALE, fret))} />
      {rows.map(({ course, startFret }) => (
        <NumberedString
          key={course}
          course={course}
          label={across(4)}
          from={x(fretPlace(SCALE, startFret))}
          to={across(WIDTH)}
          y={y(course)}
          width={0.8 + 0.3 * course}
          leftHanded={leftHanded}
        />
      ))}
      {checks
        .filter(({ held }) => held.fret > 0)
        .map(({ held, open }) => (
          <Tie
            key={`${held.course} ${held.fret} ${open}`}
            x={finger(held.fret)}
            held={y(held.course)}
            open={y(open)}
          />
        ))}
    </svg>
  );
}

interface FretsProps {
  readonly frets: number;
  readonly height: number;
  readonly at: (fret: number) => number;
  /** Where a finger rests for a fret. */
  readonly finger: (fret: number) => number;
}

function Frets({ frets, height, at, finger }: FretsProps) {
  return Array.from({ length: frets + 1 }, (_, fret) => (
    <g key={at(fret)}>
      <line
        x1={at(fret)}
        x2={at(fret)}
        y1={12}
        y2={height - 20}
        stroke="var(--hairline)"
        strokeWidth={fret === 0 ? 5 : 2}
      />
      {fret > 0 && (
        <text x={finger(fret)} y={height - 4} textAnchor="middle">
          {fret}
        </text>
      )}
    </g>
  ));
}

/** From the held place to the open string that sounds like it. */
function Tie({ x, held, open }: Record<'x' | 'held' | 'open', number>) {
  return (
    <g>
      <line x1={x} y1={held} x2={x} y2={open} stroke="var(--soft-ink)" strokeDasharray="2 4" />
      <rect className="mark" x={x - 9} y={held - 4} width={18} height={8} />
      <rect className="open-bar" x={x - 4} y={open - 4} width={8} height={8} />
    </g>
  );
}
