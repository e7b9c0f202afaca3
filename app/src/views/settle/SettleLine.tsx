import { NativeSelect } from '@mantine/core';
import { settlingStepInWords } from '@rosefinch/core/sentences';
import { STEPS, type Step } from '@rosefinch/core/sitting';
import type { Seconds } from '@rosefinch/core/units';
import { IconArrowsVertical, IconClockHour1, IconClockPlay, IconMoon } from '@tabler/icons-react';
import { IconAction, KEY_TABLE } from '../../parts/frame/index.ts';
import { type Hands, PracticeLine } from '../../parts/listening/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { TimeKind } from './charts.ts';
import type { Settling } from './useSettling.ts';

const KEYS = KEY_TABLE.settle;
const MINUTE: Seconds = 60;
const HOUR: Seconds = 3600;
const NIGHT: Seconds = 10 * HOUR;
const SIZE = 20;

interface Props {
  readonly settling: Settling;
  /** The hands on the practice instrument, while it is played. */
  readonly hands: Hands | null;
  readonly onPull: () => void;
  readonly time: TimeKind;
  readonly onTime: (time: TimeKind) => void;
}

/** Above the foot: what the last reading was, how time is drawn, and the practice hands. */
export function SettleLine({ settling, hands, onPull, time, onTime }: Props) {
  const t = useWords();
  const { last, send, course, elapse } = settling;
  const say = (step: Step) => last && send({ type: 'say', reading: last, step });
  return (
    <>
      <NativeSelect
        aria-label={t('settle.theLastReadingWas')}
        disabled={!last}
        data={STEPS.map((step) => ({
          value: step,
          label: t('settle.lastValue', { value: settlingStepInWords(step) }),
        }))}
        value={last ? last.step : 'first'}
        onChange={(event) => say(event.currentTarget.value as Step)}
      />
      <NativeSelect
        aria-label={t('settle.time')}
        data={[
          { value: 'log', label: t('settle.earlyTimesDrawnWide') },
          { value: 'clock', label: t('settle.timeByTheClock') },
        ]}
        value={time}
        onChange={(event) => onTime(event.currentTarget.value === 'clock' ? 'clock' : 'log')}
      />
      {hands && (
        <PracticeLine hands={hands} course={course}>
          <IconAction
            label={t('settle.pullStringCourse', { course })}
            hotkey={KEYS.pull.shown}
            onAct={onPull}
          >
            <IconArrowsVertical size={SIZE} />
          </IconAction>
          <IconAction label={t('settle.aMinutePasses')} onAct={() => elapse(MINUTE)}>
            <IconClockPlay size={SIZE} />
          </IconAction>
          <IconAction label={t('settle.anHourPasses')} onAct={() => elapse(HOUR)}>
            <IconClockHour1 size={SIZE} />
          </IconAction>
          <IconAction label={t('settle.aNightPasses')} onAct={() => elapse(NIGHT)}>
            <IconMoon size={SIZE} />
          </IconAction>
        </PracticeLine>
      )}
    </>
  );
}
