import { Button, Group, NumberInput } from '@mantine/core';
import type { Taken } from '@rosefinch/core/settling';
import type { Step } from '@rosefinch/core/sitting';
import { questionOf, STEP_WORDS } from '@rosefinch/core/words';
import { useState } from 'react';
import { decimals } from '../../parts/frame/index.ts';
import type { Settling } from './useSettling.ts';

interface Props {
  readonly settling: Settling;
  /** A reading that the sound alone does not explain; until it is answered it does not count. */
  readonly question: Taken;
}

/** The answers to the question on the stage. */
export function Answers({ settling, question }: Props) {
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
    <Group gap="xs" role="group" aria-label="Answers">
      {questionOf(question.course, question.doubt).answers.map((step) => (
        <Button key={step} variant="default" onClick={() => say(step)}>
          {ANSWERS[step] ?? STEP_WORDS[step]}
        </Button>
      ))}
    </Group>
  );
}

const MINUTE_MS = 60_000;

function HowLong({ settling, question: reading }: Props) {
  const [minutes, setMinutes] = useState<number | string>('');
  const waited = () =>
    settling.send({ type: 'say', reading, step: 'waited', elapsed: MINUTE_MS * Number(minutes) });
  return (
    <Group align="end" gap="xs" role="group" aria-label="Answers">
      <NumberInput
        {...decimals()}
        label="Minutes"
        w={110}
        min={0}
        value={minutes}
        onChange={setMinutes}
      />
      <Button disabled={typeof minutes !== 'number'} onClick={waited}>
        So long
      </Button>
      <Button
        variant="default"
        onClick={() => settling.send({ type: 'say', reading, step: 'left out' })}
      >
        Leave it out
      </Button>
    </Group>
  );
}

const ANSWERS: Partial<Record<Step, string>> = {
  retuned: 'Somebody turned its peg',
  room: 'The room moved all strings',
  'new string': 'Another string was put on',
  'left out': 'Leave it out',
  stretched: 'It was pulled',
  waited: 'It let go by itself',
};

const sameKind = (reading: Taken) => (other: Taken) => other.doubt?.kind === reading.doubt?.kind;
