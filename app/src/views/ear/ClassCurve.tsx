import { type EarTrial, shareAt, sharesOf } from '@rosefinch/core/ear';
import { list, message, signed } from '@rosefinch/core/message';
import type { Cents } from '@rosefinch/core/units';
import { wireHeight } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { Picture, tick } from './Picture.tsx';

interface CurveProps {
  readonly trials: readonly EarTrial[];
  /** What the class notices; null before that is known. */
  readonly noticed: Cents | null;
  readonly width: number;
  readonly height: number;
}

/** Ticks of a class's curve, in cents. */
const CURVE_TICKS = [-100, -30, -10, 10, 30, 100];
const CURVE_STEPS = 60;
/** Room for the last label. */
const MARGIN = 22;
const FARTHEST: Cents = 100;

/** Hands of a class: which share of them heard a difference as higher, with the curve that lies nearest. */
export function ClassCurve({ trials, noticed, width, height }: CurveProps) {
  const t = useWords();
  const [left, base, high] = [40, height - 34, height - 48];
  const x = (cents: Cents) => left + (0.5 + wireHeight(cents) / 2) * (width - left - MARGIN);
  const y = (share: number) => base - share * high;
  const shares = sharesOf(trials);
  const curve = Array.from({ length: CURVE_STEPS + 1 }, (_, i) => {
    // Closer together where the curve is steep.
    const share = (2 * i) / CURVE_STEPS - 1;
    const cents = FARTHEST * share * Math.abs(share);
    return `${i === 0 ? 'M' : 'L'}${x(cents)},${y(noticed === null ? 0.5 : shareAt(cents, noticed))}`;
  }).join('');
  return (
    <Picture
      says={t('ear.shareOfHandsForHigher', {
        value: list(
          shares.map(({ cents, higher }) =>
            message('ear.shareAt', { cents: signed(cents), percent: Math.round(100 * higher) }),
          ),
        ),
      })}
      {...{ width, height }}
    >
      {[0, 0.5, 1].map((share) => (
        <g key={share}>
          <line className="ear-from" x1={left} x2={width} y1={y(share)} y2={y(share)} />
          <text className="axis-text" x={0} y={y(share) + 4}>
            {100 * share} %
          </text>
        </g>
      ))}
      {CURVE_TICKS.map((cents) => (
        <text key={cents} className="axis-text" x={x(cents)} y={height - 18} textAnchor="middle">
          {tick(cents)}
        </text>
      ))}
      <text className="axis-text" x={width - 8} y={height - 3} textAnchor="end">
        {t('ear.shareOfHandsForHigher2')}
      </text>
      {noticed !== null && <path className="ear-path" d={curve} />}
      {shares.map(({ cents, higher }, i) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: questions do not move
          key={i}
          className={i === shares.length - 1 ? 'ear-second' : 'mark'}
          x={x(cents) - 5}
          y={y(higher) - 5}
          width={10}
          height={10}
        />
      ))}
    </Picture>
  );
}
