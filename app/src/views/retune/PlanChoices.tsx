import { NativeSelect } from '@mantine/core';
import { A4_RANGE, type Tuning } from '@rosefinch/core/music';
import type { PlanOrder } from '@rosefinch/core/retune';
import { type Settings, useData } from '../../data/index.ts';
import { CheckedNumber, type NumberRule } from '../../parts/frame/index.ts';

const A4: NumberRule = { name: 'A4', ...A4_RANGE, unit: ' Hz' };
const CAPO_FRETS = Array.from({ length: 13 }, (_, fret) => ({
  value: String(fret),
  label: fret === 0 ? 'no capo' : `capo, fret ${fret}`,
}));

interface Props {
  readonly settings: Settings;
  readonly choices: readonly Tuning[];
  readonly target: Tuning;
  readonly onTarget: (id: string) => void;
  readonly capo: number;
  readonly onCapo: (fret: number) => void;
}

/** To which tuning, in which order, with which capo and reference: one line. */
export function PlanChoices({ settings, choices, target, onTarget, capo, onCapo }: Props) {
  const { repository } = useData();
  return (
    <div className="plan-choices">
      <NativeSelect
        aria-label="To the tuning"
        data={choices.map(({ id, name }) => ({ value: id, label: `to ${name}` }))}
        value={target.id}
        onChange={(event) => onTarget(event.currentTarget.value)}
      />
      <NativeSelect
        aria-label="Order"
        data={['planned', 'thickest first', 'thinnest first']}
        value={settings.planOrder}
        onChange={(event) =>
          void repository.saveSettings({ planOrder: event.currentTarget.value as PlanOrder })
        }
      />
      <NativeSelect
        aria-label="Capo"
        data={CAPO_FRETS}
        value={capo}
        onChange={(event) => onCapo(Number(event.currentTarget.value))}
      />
      <CheckedNumber
        rule={A4}
        aria-label="A4, Hz"
        leftSection={<span className="soft">A4</span>}
        w={104}
        decimalScale={1}
        value={settings.a4}
        onValue={(a4) => void repository.saveSettings({ a4 })}
      />
    </div>
  );
}
