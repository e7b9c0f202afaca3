import { bridgeEndsOf, saddlesOf } from '@rosefinch/core/intonation';
import { type Target, targetNote } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';
import { scaleLinear } from 'd3-scale';
import { useWords } from '../../parts/words/index.ts';

/** Cents that half a wire stands for. */
const REACH: Cents = 15;
const LEFT = 150;
const RIGHT = 150;

interface Props {
  readonly instrument: Instrument;
  readonly check: FretCheck;
  readonly targets: readonly Target[];
  /** In pixels. */
  readonly width: number;
  readonly height: number;
}

/** The octave of each string on a wire of its own: how sharp it is, as wide as its error. */
export function OctaveWires({ instrument, check, targets, width, height }: Props) {
  const t = useWords();
  const x = scaleLinear([-REACH, REACH], [LEFT, width - RIGHT]).clamp(true);
  const row = height / check.courses.length;
  const whole = (instrument.bridge === 'fixed' ? saddlesOf : bridgeEndsOf)(instrument, check);
  return (
    <svg
      className="chart octave-wires"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={t('frets.fretboardWithLengthReadingsHow', {
        length: check.readings.filter(({ struckOut }) => !struckOut).length,
      })}
    >
      <line x1={x(0)} x2={x(0)} y1={0} y2={height} stroke="var(--hairline)" />
      {check.courses.map((course, i) => {
        // What was read so far, until it is judged with the others.
        const own = whole ?? saddlesOf(instrument, { ...check, courses: [course] });
        const end = own?.find((one) => one.course === course);
        const y = row * (i + 0.5);
        return (
          <g key={course}>
            <text x={0} y={y + 5} className="note">
              {t.value(targetNote(targets[course - 1]))}
            </text>
            <text x={44} y={y + 5}>
              {t('frets.strCourse', { course })}
            </text>
            <line x1={LEFT} x2={width - RIGHT} y1={y} y2={y} stroke="var(--ink)" />
            {end && (
              <g>
                <rect
                  x={x(end.sharp - end.errorCents)}
                  y={y - 9}
                  width={Math.max(3, x(end.sharp + end.errorCents) - x(end.sharp - end.errorCents))}
                  height={18}
                  className={end.right ? 'mark' : 'open-bar'}
                />
                <text x={width - RIGHT + 12} y={y + 5}>
                  {t.signed(end.sharp)} ± {t.number(end.errorCents, 1)}
                </text>
              </g>
            )}
          </g>
        );
      })}
    </svg>
  );
}
