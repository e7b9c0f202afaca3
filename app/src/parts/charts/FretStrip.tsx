import { useWords } from '../words/index.ts';
import { NumberedString } from './NumberedString.tsx';
import './charts.css';
import { fretPlace } from '@rosefinch/core/fretboard';

const WIDTH = 300;
const HEIGHT = 74;
const NUT = 34;
const UPPER = 16;
const LOWER = 42;
/** Half the width of the label under the finger. */
const LABEL = 24;
/** Any scale will do: only the spacing counts. */
const SCALE = 1000;

interface Props {
  /** The string that is held, and at which fret; 0 when it sounds open. */
  readonly held: { readonly course: number; readonly fret: number };
  /** The string that sounds open. */
  readonly open: number;
  /** Drawn with the nut on the right. */
  readonly leftHanded?: boolean;
}

/** A short strip of the neck: the finger's place on one string, and the open string beside it. */
export function FretStrip({ held, open, leftHanded = false }: Props) {
  const t = useWords();
  const frets = Math.max(4, held.fret);
  const across = (x: number) => (leftHanded ? WIDTH - x : x);
  const x = (fret: number) =>
    across(NUT + (fretPlace(SCALE, fret) / fretPlace(SCALE, frets + 0.4)) * (WIDTH - NUT));
  const finger = (x(held.fret) + x(held.fret - 1)) / 2;
  // As one looks down on the instrument: the higher number lies on top.
  const heldY = held.course > open ? UPPER : LOWER;
  const openY = held.course > open ? LOWER : UPPER;
  return (
    <svg className="chart fret-strip" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
      {Array.from({ length: frets + 1 }, (_, fret) => (
        <line
          key={x(fret)}
          x1={x(fret)}
          x2={x(fret)}
          y1={6}
          y2={52}
          stroke={fret === 0 ? 'var(--soft-ink)' : 'var(--hairline)'}
          strokeWidth={fret === 0 ? 5 : 2}
        />
      ))}
      {[
        { course: held.course, y: heldY },
        { course: open, y: openY },
      ].map(({ course, y }) => (
        <NumberedString
          key={course}
          course={course}
          label={across(4)}
          from={across(NUT)}
          to={across(WIDTH)}
          y={y}
          width={2}
          leftHanded={leftHanded}
        />
      ))}
      {held.fret > 0 && (
        <>
          <rect className="mark" x={finger - 11} y={heldY - 6} width={22} height={12} />
          <text
            x={Math.max(LABEL, Math.min(WIDTH - LABEL, finger))}
            y={HEIGHT - 5}
            textAnchor="middle"
          >
            {t('common.fretFret', { fret: held.fret })}
          </text>
        </>
      )}
      <rect className="open-bar" x={across(NUT) - 6} y={openY - 6} width={12} height={12} />
    </svg>
  );
}
