import { NativeSelect } from '@mantine/core';
import type { Restringing } from '@rosefinch/core/records';
import { STEPS, type Step } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import { STEP_WORDS } from '@rosefinch/core/words';
import { useData } from '../../data/index.ts';
import { Action, KEY_TABLE } from '../../parts/frame/index.ts';
import { NextLooks } from './NextLooks.tsx';
import type { Settling } from './useSettling.ts';

const KEYS = KEY_TABLE.settle;

interface Props {
  readonly settling: Settling;
  readonly instrument: Instrument;
  readonly restringing: Restringing;
  readonly note: (course: number) => string;
  readonly onNote: () => void;
  readonly onKeys: () => void;
}

/** What can be done, what the last reading was, and when to look again. */
export function SettleActions(props: Props) {
  const { settling, instrument, restringing, note, onNote, onKeys } = props;
  const { send, last, course } = settling;
  const finish = useFinish(settling, restringing);
  const say = (step: Step) => last && send({ type: 'say', reading: last, step });
  return (
    <section className="bench-more" aria-label="Actions and looks">
      <div className="actions">
        <Action
          onAct={() => send({ type: 'correct' })}
          hotkey={KEYS.correct.shown}
          disabled={!last || last.step === 'left out'}
        >
          It was something else
        </Action>
        <Action onAct={() => send({ type: 'sound target' })} hotkey={KEYS.target.shown}>
          Hear {note(course)}
        </Action>
        <Action onAct={onNote} hotkey={KEYS.room.shown}>
          Note the room
        </Action>
        <Action onAct={onKeys} hotkey={KEYS.keys.shown}>
          Keys
        </Action>
        <Action onAct={() => void finish()}>They have settled</Action>
      </div>
      <NativeSelect
        label="The last reading was"
        mt="sm"
        disabled={!last}
        data={STEPS.map((step) => ({ value: step, label: STEP_WORDS[step] }))}
        value={last ? last.step : 'first'}
        onChange={(event) => say(event.currentTarget.value as Step)}
      />
      <NextLooks settling={settling} restringing={restringing} instrument={instrument} />
    </section>
  );
}

function useFinish({ sitting, now }: Settling, { id }: Restringing) {
  const { repository } = useData();
  return async () => {
    if (sitting.session) await repository.endSession(sitting.session.id, now());
    await repository.changeRestringing(id, { doneAt: now() });
  };
}
