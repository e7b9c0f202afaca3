import { Button, Group, NumberInput } from '@mantine/core';
import { type LabelId, type Message, message } from '@rosefinch/core/message';
import { questionOf, settlingStepInWords } from '@rosefinch/core/sentences';
import type { Taken } from '@rosefinch/core/settling';
import type { Step } from '@rosefinch/core/sitting';
import { useState } from 'react';
import { decimals } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Settling } from './useSettling.ts';

interface Props {
  readonly settling: Settling;
  /** A reading that the sound alone does not explain; until it is answered it does not count. */
  readonly question: Taken;
}

/** The answers to the question on the stage. */
export function Answers({ settling, question }: Props) {
  const t = useWords();
  if (!question.doubt) return null;
  // What the room did it did to every string.
  const alike = settling.fresh.flatMap(({ taken }) => taken.filter(sameKind(question)));
  const say = (step: Step) => {
    for (const reading of step === 'room' ? alike : [question])
      settling.send({ type: 'say', reading, step });
  };
  if (question.doubt.kind === 'clock back')
    return <HowLong settling={settling} question={question} />;
  return (
    <Group gap="xs" role="group" aria-label={t('settle.answers')}>
      {questionOf(question.course, question.doubt).answers.map((step) => (
        <Button key={step} variant="default" onClick={() => say(step)}>
          {t(answerInWords(step))}
        </Button>
      ))}
    </Group>
  );
}

const MINUTE_MS = 60_000;

function HowLong({ settling, question: reading }: Props) {
  const t = useWords();
  const [minutes, setMinutes] = useState<number | string>('');
  const waited = () =>
    settling.send({ type: 'say', reading, step: 'waited', elapsed: MINUTE_MS * Number(minutes) });
  return (
    <Group align="end" gap="xs" role="group" aria-label={t('settle.answers')}>
      <NumberInput
        {...decimals(t.reader)}
        label={t('settle.minutes')}
        w={110}
        min={0}
        value={minutes}
        onChange={setMinutes}
      />
      <Button disabled={typeof minutes !== 'number'} onClick={waited}>
        {t('settle.soLong')}
      </Button>
      <Button
        variant="default"
        onClick={() => settling.send({ type: 'say', reading, step: 'left out' })}
      >
        {t('settle.leaveItOut')}
      </Button>
    </Group>
  );
}

const ANSWERS: Partial<Record<Step, LabelId>> = {
  retuned: 'settle.somebodyTurned',
  room: 'settle.roomMovedAll',
  'new string': 'settle.anotherPutOn',
  'left out': 'settle.leaveItOut',
  stretched: 'settle.wasPulled',
  waited: 'settle.letGoItself',
};

/** What an answer says of a reading. */
function answerInWords(step: Step): Message {
  const id = ANSWERS[step];
  return id === undefined ? settlingStepInWords(step) : message(id);
}

const sameKind = (reading: Taken) => (other: Taken) => other.doubt?.kind === reading.doubt?.kind;
