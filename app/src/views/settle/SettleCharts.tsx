import { Group, NativeSelect } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { targetName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { Cents } from '@rosefinch/core/units';
import { useState } from 'react';
import { SettleChart, timeScale } from './SettleChart.tsx';
import type { Settling } from './useSettling.ts';

interface Props {
  readonly settling: Settling;
  readonly restringing: Restringing;
  readonly tolerance: Cents;
  readonly onChoose: (course: number) => void;
}

const WIDTH = { wide: 820, narrow: 380 } as const;
/** All charts together are about so high. */
const HEIGHT = 340;
const LEAST_CENTS = 12;

/** A wire for each new string over time: rounds as drops and lifts, the fit, and what is to come. */
export function SettleCharts({ settling, restringing, tolerance, onChoose }: Props) {
  const [shown, setShown] = useState<number | null>(null);
  const [time, setTime] = useState<'log' | 'clock'>('log');
  const width = WIDTH[useMediaQuery('(max-width: 900px)') ? 'narrow' : 'wide'];
  const { fresh, report, targets, active } = settling;
  const rows = shown === null ? fresh : fresh.filter(({ course }) => course === shown);
  const curves = new Map(
    report?.strings.map(({ history }, i) => [history.course, report.curves[i] ?? null]),
  );
  const now = (settling.now() - restringing.fittedAt) / 1000;
  const lesson = 60 * restringing.lessonMinutes;
  const times = rows.flatMap(({ taken }) =>
    taken.map(({ really }) => seconds(restringing, really)),
  );
  const ends = rows.map(({ course }) => curves.get(course)?.ahead.at(-1)?.at ?? 0);
  const x = timeScale(time, [Math.min(60, ...times), Math.max(now + lesson, ...ends)], width);
  const lowest = Math.min(
    -LEAST_CENTS,
    ...rows.flatMap(({ taken }) => taken.filter(({ doubt }) => !doubt).map(({ cents }) => cents)),
  );
  const names = (course: number) => `string ${course} · ${targetName(targets[course - 1])}`;
  const height = Math.max(76, Math.min(240, HEIGHT / rows.length));
  return (
    <>
      <Group gap="xs" className="screen-only">
        <NativeSelect
          aria-label="Strings shown"
          size="sm"
          data={[
            { value: '', label: 'all new strings' },
            ...fresh.map(({ course }) => ({ value: String(course), label: names(course) })),
          ]}
          value={shown ?? ''}
          onChange={(event) => setShown(Number(event.currentTarget.value) || null)}
        />
        <NativeSelect
          aria-label="Time"
          size="sm"
          data={[
            { value: 'log', label: 'early times drawn wide' },
            { value: 'clock', label: 'time by the clock' },
          ]}
          value={time}
          onChange={(event) => setTime(event.currentTarget.value === 'clock' ? 'clock' : 'log')}
        />
      </Group>
      {rows.map(({ course, taken }, i) => (
        <button
          type="button"
          key={course}
          className="settle-row printed"
          data-active={course === active}
          aria-pressed={settling.sitting.state.chosen === course}
          aria-label={`String ${course}`}
          onClick={(event) => {
            event.currentTarget.blur();
            onChoose(course);
          }}
        >
          <SettleChart
            name={names(course)}
            taken={taken}
            since={restringing.fittedAt}
            curve={curves.get(course) ?? null}
            x={x}
            width={width}
            height={height}
            lowest={lowest}
            tolerance={tolerance}
            now={now}
            lesson={lesson}
            axis={i === rows.length - 1}
            gauge={0.8 + 0.3 * course}
          />
        </button>
      ))}
    </>
  );
}

function seconds({ fittedAt }: Restringing, at: number): number {
  return Math.max(1, (at - fittedAt) / 1000);
}
