import { NativeSelect } from '@mantine/core';
import { A4_RANGE, type Tuning } from '@rosefinch/core/music';
import type { PlanOrder } from '@rosefinch/core/retune';
import { tuningName } from '@rosefinch/core/sentences';
import { type Settings, useData } from '../../data/index.ts';
import { CheckedNumber, type NumberRule } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

const A4: NumberRule = { name: 'parts.ruleA4', ...A4_RANGE, unit: 'Hz' };
const CAPO_FRETS = Array.from({ length: 13 }, (_, fret) => fret);

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
  const t = useWords();
  const { repository } = useData();
  return (
    <div className="plan-choices">
      <NativeSelect
        aria-label={t('retune.toTheTuning')}
        data={choices.map((tuning) => ({
          value: tuning.id,
          label: t('retune.toName', { name: tuningName(tuning) }),
        }))}
        value={target.id}
        onChange={(event) => onTarget(event.currentTarget.value)}
      />
      <NativeSelect
        aria-label={t('retune.order')}
        data={[
          { value: 'planned', label: t('retune.orderPlanned') },
          { value: 'thickestFirst', label: t('retune.thickestFirstLabel') },
          { value: 'thinnestFirst', label: t('retune.thinnestFirstLabel') },
        ]}
        value={settings.planOrder}
        onChange={(event) =>
          void repository.saveSettings({ planOrder: event.currentTarget.value as PlanOrder })
        }
      />
      <NativeSelect
        aria-label={t('retune.capo')}
        data={CAPO_FRETS.map((fret) => ({
          value: String(fret),
          label: fret === 0 ? t('retune.noCapo') : t('retune.capoFretFret', { fret }),
        }))}
        value={capo}
        onChange={(event) => onCapo(Number(event.currentTarget.value))}
      />
      <CheckedNumber
        rule={A4}
        aria-label={t('retune.a4Hz')}
        leftSection={<span className="soft">A4</span>}
        w={104}
        decimalScale={1}
        value={settings.a4}
        onValue={(a4) => void repository.saveSettings({ a4 })}
      />
    </div>
  );
}
