import { fittedStretch, type Reading, stretchCents, stretchResidual } from '@rosefinch/core/listen';
import type { Hz } from '@rosefinch/core/units';
import { fixed } from '@rosefinch/core/writing';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { AxisX, AxisY } from '../../parts/charts/index.ts';

const WIDTH = 590;
const HEIGHT = 260;

/** How wide each partial is of n times f0, the fitted stiffness through them, and what is left over. */
export function Partials({ reading }: { reading: Reading }) {
  const { partials, f0Hz, inharmonicity } = reading;
  const wide = (n: number, hz: Hz) => stretchCents(n, hz, f0Hz);
  const fitted = (n: number) => fittedStretch(reading, n);
  const last = partials.at(-1)?.number ?? 1;
  const values = partials.map((p) => wide(p.number, p.hz));
  const residual = stretchResidual(reading);
  const x = scaleLinear([0, last + 1], [56, WIDTH - 12]);
  const y = scaleLinear(
    [Math.min(-2, ...values) - 1, Math.max(4, ...values, fitted(last)) + 1],
    [HEIGHT - 44, 14],
  );
  const path = line<number>(
    (n) => x(n),
    (n) => y(fitted(n)),
  );
  return (
    <figure className="card">
      <figcaption>
        <strong>Partials</strong>: f0 {fixed(f0Hz, 3)} Hz, stiffness B{' '}
        {inharmonicity.toExponential(2)}, residual {fixed(residual, 2)} cents rms
      </figcaption>
      <svg
        className="chart"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`${partials.length} partials with the fitted stiffness`}
      >
        <path d={path(Array.from({ length: last }, (_, i) => i + 1)) ?? ''} className="line" />
        {partials.map((p) => (
          <g key={p.number}>
            <line
              x1={x(p.number)}
              x2={x(p.number)}
              y1={y(wide(p.number, p.hz) - p.errorCents)}
              y2={y(wide(p.number, p.hz) + p.errorCents)}
              stroke="var(--ink)"
            />
            <circle className="mark" cx={x(p.number)} cy={y(wide(p.number, p.hz))} r={4} />
          </g>
        ))}
        <AxisX scale={x} y={HEIGHT - 44} label="partial number" />
        <AxisY scale={y} x={56} label="cents above n · f0" />
      </svg>
    </figure>
  );
}
