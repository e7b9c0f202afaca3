import { fittedStretch, type Reading, stretchCents, stretchResidual } from '@rosefinch/core/listen';
import type { Hz } from '@rosefinch/core/units';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { AxisX, AxisY } from '../../parts/charts/index.ts';
import { useWords } from '../../parts/words/index.ts';

const WIDTH = 590;
const HEIGHT = 260;

/** How wide each partial is of n times f0, the fitted stiffness through them, and what is left over. */
export function Partials({ reading }: { reading: Reading }) {
  const t = useWords();
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
        {t('recording.partialsFacts', {
          f0: f0Hz,
          stiffness: inharmonicity.toExponential(2),
          residual,
        })}
      </figcaption>
      <svg
        className="chart"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={t('recording.lengthPartialsWithTheFitted', { length: partials.length })}
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
        <AxisX scale={x} y={HEIGHT - 44} label={t('recording.partialNumber')} />
        <AxisY scale={y} x={56} label={t('recording.centsAboveNF0')} />
      </svg>
    </figure>
  );
}
