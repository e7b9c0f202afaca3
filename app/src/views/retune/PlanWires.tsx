import { useMediaQuery } from '@mantine/hooks';
import type { Accidental } from '@rosefinch/core/music';
import { hzToMidi, noteName } from '@rosefinch/core/music';
import type { PlanStep, PlanString } from '@rosefinch/core/retune';
import type { Hz } from '@rosefinch/core/units';
import { scaleLinear } from 'd3-scale';

/** On a phone the drawing is narrower, so that its notes stay as large. */
const WIDTH = { wide: 720, narrow: 400 } as const;
const STEP_APART = { wide: 26, narrow: 14 } as const;
const HEIGHT = 340;
const SIDE = 96;
/** Labels keep at least this far apart. */
const LINE = 20;

interface Props {
  readonly strings: readonly PlanString[];
  readonly steps: readonly PlanStep[];
  readonly a4: Hz;
  readonly accidental: Accidental;
}

/** Wires from the pitches now (left) to the target (right): those that move slope, with the number of their step. */
export function PlanWires({ strings, steps, a4, accidental }: Props) {
  const size = useMediaQuery('(max-width: 900px)') ? 'narrow' : 'wide';
  const width = WIDTH[size];
  const now = (s: PlanString) => hzToMidi(s.nowHz, a4);
  const pitches = strings.flatMap((s) => [now(s), s.targetMidi]);
  const y = scaleLinear([Math.min(...pitches) - 1, Math.max(...pitches) + 1], [HEIGHT - 14, 14]);
  const left = spread(strings.map((s) => y(now(s))));
  const right = spread(strings.map((s) => y(s.targetMidi)));
  return (
    <svg
      className="chart plan-wires"
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={`${steps.length} of ${strings.length} strings move`}
    >
      {strings.map((s, i) => {
        const step = steps.findIndex((entry) => entry.course === s.course);
        const from = y(now(s));
        const to = y(s.targetMidi);
        const middle = width / 2 + (s.course - strings.length / 2) * STEP_APART[size];
        const share = (middle - SIDE) / (width - 2 * SIDE);
        const at = from + (to - from) * share;
        return (
          <g key={s.course}>
            <line
              x1={SIDE}
              x2={width - SIDE}
              y1={from}
              y2={to}
              stroke={step >= 0 ? 'var(--rose)' : 'var(--ink)'}
              strokeWidth={0.8 + 0.3 * s.course}
            />
            <text x={SIDE - 10} y={(left[i] ?? from) + 4} textAnchor="end" className="note">
              {s.course} · {noteName(now(s), accidental)}
            </text>
            <text x={width - SIDE + 10} y={(right[i] ?? to) + 4} className="note">
              {noteName(s.targetMidi, accidental)}
            </text>
            {step >= 0 && (
              <g transform={`translate(${middle},${at})`}>
                <circle r={12} fill="var(--panel)" stroke="var(--rose)" strokeWidth={2} />
                <text textAnchor="middle" dy="0.35em" className="note">
                  {step + 1}
                </text>
              </g>
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** Places moved apart where they would overlap, as little as needed, from the top down. */
function spread(places: readonly number[]): number[] {
  const order = places.map((_, i) => i).sort((a, b) => (places[a] ?? 0) - (places[b] ?? 0));
  const out = [...places];
  let last = Number.NEGATIVE_INFINITY;
  for (const i of order) {
    out[i] = Math.max(places[i] ?? 0, last + LINE);
    last = out[i];
  }
  return out;
}
