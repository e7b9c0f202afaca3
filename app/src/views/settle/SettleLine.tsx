import { NativeSelect } from '@mantine/core';
import { STEPS, type Step } from '@rosefinch/core/sitting';
import type { Seconds } from '@rosefinch/core/units';
import { STEP_WORDS } from '@rosefinch/core/words';
import { IconArrowsVertical, IconClockHour1, IconClockPlay, IconMoon } from '@tabler/icons-react';
import { IconAction, KEY_TABLE } from '../../parts/frame/index.ts';
import { type Hands, PracticeLine } from '../../parts/listening/index.ts';
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
  const { last, send, course, elapse } = settling;
  const say = (step: Step) => last && send({ type: 'say', reading: last, step });
  return (
    <>
      <NativeSelect
        aria-label="The last reading was"
        disabled={!last}
        data={STEPS.map((step) => ({ value: step, label: `last: ${STEP_WORDS[step]}` }))}
        value={last ? last.step : 'first'}
        onChange={(event) => say(event.currentTarget.value as Step)}
      />
      <NativeSelect
        aria-label="Time"
        data={[
          { value: 'log', label: 'early times drawn wide' },
          { value: 'clock', label: 'time by the clock' },
        ]}
        value={time}
        onChange={(event) => onTime(event.currentTarget.value === 'clock' ? 'clock' : 'log')}
      />
      {hands && (
        <PracticeLine hands={hands} course={course}>
          <IconAction label={`Pull string ${course}`} hotkey={KEYS.pull.shown} onAct={onPull}>
            <IconArrowsVertical size={SIZE} />
          </IconAction>
          <IconAction label="A minute passes" onAct={() => elapse(MINUTE)}>
            <IconClockPlay size={SIZE} />
          </IconAction>
          <IconAction label="An hour passes" onAct={() => elapse(HOUR)}>
            <IconClockHour1 size={SIZE} />
          </IconAction>
          <IconAction label="A night passes" onAct={() => elapse(NIGHT)}>
            <IconMoon size={SIZE} />
          </IconAction>
        </PracticeLine>
      )}
    </>
  );
}
