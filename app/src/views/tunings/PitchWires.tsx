import type { Tuning } from '@rosefinch/core/music';
import { scaleLinear } from 'd3-scale';

const WIDTH = 220;
const HEIGHT = 56;

/** The strings as wires, each as high as it sounds: B1 lies at the bottom edge, C5 at the top. */
export function PitchWires({ tuning }: { tuning: Tuning }) {
  const y = scaleLinear([35, 72], [HEIGHT - 3, 3]);
  return (
    <svg className="chart" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
      {tuning.courses.map(([midi], i) => (
        <line
          // Two strings may sound the same note; their order never changes.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          key={i}
          x1={(i * WIDTH) / 24}
          x2={WIDTH}
          y1={y(midi ?? 0)}
          y2={y(midi ?? 0)}
          stroke="var(--ink)"
          strokeWidth={0.8 + 0.25 * i}
        />
      ))}
    </svg>
  );
}
