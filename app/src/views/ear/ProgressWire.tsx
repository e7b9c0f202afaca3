import type { EarPoint, EarProgress } from '@rosefinch/core/ear';
import { list } from '@rosefinch/core/message';
import { inShort } from '@rosefinch/core/sentences';
import { useWords } from '../../parts/words/index.ts';

const WIDE = 220;
const HIGH = 44;
const PLACES = 12;
/** From the finest to the coarsest that is drawn, cents; or minutes. */
const SPAN = { fine: 1, coarse: 100 } as const;

/** How small a difference was noticed or left, the newest at the right: the lower, the finer; thin lines reach as far as it may be. */
export function ProgressWire({
  progress: { points, minutes },
}: {
  readonly progress: EarProgress;
}) {
  const t = useWords();
  // Of whole instruments the minutes are what a learner watches fall.
  const shown = (minutes.length > 0 ? minutes.map(asPoint) : points).slice(-PLACES);
  if (shown.length === 0) return null;
  const y = (cents: number) => {
    const held = Math.min(SPAN.coarse, Math.max(SPAN.fine, cents));
    return HIGH - 3 - ((HIGH - 6) * Math.log(held / SPAN.fine)) / Math.log(SPAN.coarse / SPAN.fine);
  };
  const step = WIDE / PLACES;
  const says = list(shown.map(({ cents }) => inShort(cents)));
  return (
    <svg
      className="chart"
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      role="img"
      aria-label={
        minutes.length > 0
          ? t('ear.minutesOldestFirst', { says })
          : t('ear.centsOldestFirst', { says })
      }
    >
      <line className="ear-wire" x1={0} x2={WIDE} y1={HIGH - 2} y2={HIGH - 2} />
      {shown.map(({ at, cents, low, high }, i) => {
        const x = (PLACES - shown.length + i + 0.5) * step;
        return (
          <g key={at}>
            <line className="ear-from" x1={x} x2={x} y1={y(low)} y2={y(high)} />
            <rect className="mark" x={x - 6} y={y(cents) - 2} width={12} height={4} />
          </g>
        );
      })}
    </svg>
  );
}

/** Minutes in the place of cents: they are what they are. */
function asPoint({ at, minutes }: EarProgress['minutes'][number]): EarPoint {
  return { at, cents: minutes, low: minutes, high: minutes };
}
