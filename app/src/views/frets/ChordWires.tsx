import type { ShapeOutcome } from '@rosefinch/core/intonation';
import { list, message, signed } from '@rosefinch/core/message';
import type { Cents } from '@rosefinch/core/units';
import { scaleLinear } from 'd3-scale';
import { useWords } from '../../parts/words/index.ts';

/** Cents that half a wire stands for. */
const REACH: Cents = 12;
const SIZE = { width: 150, row: 12, head: 20 } as const;

interface Props {
  readonly outcome: ShapeOutcome;
}

/** One chord, a wire a string, the highest number on top: an open perch where it is now, a closed one where it would be. */
export function ChordWires({ outcome: { name, before, after, worstBefore, worstAfter } }: Props) {
  const t = useWords();
  const x = scaleLinear([-REACH, REACH], [0, SIZE.width]).clamp(true);
  const height = SIZE.head + SIZE.row * before.length;
  const rows = before
    .map((cents, i) => ({ course: i + 1, cents, later: after[i] ?? null }))
    .reverse();
  return (
    <figure>
      <figcaption>
        <strong>{name}</strong>{' '}
        {t('frets.widestPair', {
          before: worstBefore,
          after: worstAfter,
        })}
      </figcaption>
      <svg
        className="chart"
        width={SIZE.width}
        viewBox={`0 0 ${SIZE.width} ${height - SIZE.head + 4}`}
        role="img"
        aria-label={t('frets.chordSays', {
          chord: name,
          strings: list(
            rows.map(({ course, later }) =>
              later === null
                ? message('frets.stringNotPlayed', { string: course })
                : message('parts.stringCents', { string: course, cents: signed(later) }),
            ),
          ),
        })}
      >
        <line x1={x(0)} x2={x(0)} y1={0} y2={height} stroke="var(--hairline)" />
        {rows.map(({ course, cents, later }, row) => {
          const y = SIZE.row * (row + 0.5) + 2;
          return (
            <g key={course}>
              <line x1={0} x2={SIZE.width} y1={y} y2={y} stroke="var(--hairline)" />
              {cents !== null && <circle cx={x(cents)} cy={y} r={4} className="open-bar" />}
              {later !== null && <circle cx={x(later)} cy={y} r={3} className="mark" />}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
