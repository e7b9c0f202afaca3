import type { Recording } from '@rosefinch/core/records';
import { scaleLinear } from 'd3-scale';
import { area } from 'd3-shape';
import { AxisX } from '../../parts/charts/index.ts';
import { useWords } from '../../parts/words/index.ts';

const WIDTH = 1200;
const HEIGHT = 150;
const MIDDLE = 58;

interface Props {
  readonly recording: Recording;
  readonly chosen: number;
}

/** The whole recording's wave with a mark for each pluck. */
export function Wave({ recording, chosen }: Props) {
  const t = useWords();
  const { envelope, duration, plucks } = recording;
  const columns = envelope.length / 2;
  const peak = envelope.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-6);
  const x = scaleLinear([0, duration], [8, WIDTH - 8]);
  const y = scaleLinear([-peak, peak], [MIDDLE + 50, MIDDLE - 50]);
  const shape = area<number>()
    .x((i) => x((i / columns) * duration))
    .y0((i) => y(envelope[2 * i]!))
    .y1((i) => y(envelope[2 * i + 1]!));
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={t('recording.waveWithLengthPlucks', { length: plucks.length })}
    >
      <path d={shape(Array.from({ length: columns }, (_, i) => i)) ?? ''} className="mark" />
      {plucks.map((pluck, i) => (
        <g key={pluck.start} className={i === chosen ? 'active' : 'mark'}>
          <rect
            x={x(pluck.start) - 1}
            y={2}
            width={i === chosen ? 4 : 2}
            height={112}
            opacity={0.8}
          />
          <text x={x(pluck.start) + 6} y={13}>
            {i + 1}
          </text>
        </g>
      ))}
      <AxisX scale={x} y={120} label={t('recording.timeS')} />
    </svg>
  );
}
