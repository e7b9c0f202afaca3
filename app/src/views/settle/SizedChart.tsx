import type { Value } from '@rosefinch/core/message';
import type { Restringing } from '@rosefinch/core/records';
import type { StringHistory } from '@rosefinch/core/settling';
import type { Cents } from '@rosefinch/core/units';
import { Sized } from '../../parts/charts/index.ts';
import type { Charts } from './charts.ts';
import { SettleChart } from './SettleChart.tsx';

interface Props {
  readonly name: Value;
  readonly history: StringHistory;
  readonly restringing: Restringing;
  readonly charts: Charts;
  readonly tolerance: Cents;
  /** The chart of the stage; a slim one stands in the wires’ band. */
  readonly tall?: boolean;
  readonly gauge: number;
}

/** One string over time, as large as its place. */
export function SizedChart({ name, history, restringing, charts, tolerance, tall, gauge }: Props) {
  const { course, taken } = history;
  const { lowest, now, lesson } = charts;
  const sure = charts.sure(course);
  return (
    <Sized>
      {(width, height) => (
        <SettleChart
          since={restringing.fittedAt}
          ahead={charts.ahead(course)}
          x={charts.x(width)}
          tall={tall ?? false}
          {...{ name, taken, width, height, lowest, tolerance, now, lesson, sure, gauge }}
        />
      )}
    </Sized>
  );
}
