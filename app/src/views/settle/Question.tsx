import { Button, Group, NumberInput } from '@mantine/core';
import type { Taken } from '@rosefinch/core/settling';
import type { Step } from '@rosefinch/core/sitting';
import { questionOf, STEP_WORDS } from '@rosefinch/core/words';
import { useState } from 'react';
import type { Settling } from './useSettling.ts';

/** Asks about a reading that the sound alone does not explain; until it is answered it does not count. */
export function Question({ settling }: { settling: Settling }) {
  const [minutes, setMinutes] = useState<number | string>('');
  const doubtful = settling.fresh.flatMap(({ taken }) => taken.filter(({ doubt }) => doubt));
  const reading = doubtful[0];
  if (!reading?.doubt) return null;
  const { ask, answers } = questionOf(reading.course, reading.doubt);
  // What the room did it did to every string.
  const say = (step: Step) => {
    for (const one of step === 'room' ? doubtful.filter(sameKind(reading)) : [reading])
      settling.send({ type: 'say', reading: one, step });
  };
  return (
    <section className="card" aria-label="Question">
      <p className="plan-head">{ask}</p>
      {reading.doubt.kind === 'clock back' ? (
        <Group align="end">
          <NumberInput label="Minutes" w={110} min={0} value={minutes} onChange={setMinutes} />
          <Button
            disabled={typeof minutes !== 'number'}
            onClick={() =>
              settling.send({
                type: 'say',
                reading,
                step: 'waited',
                elapsed: 60_000 * Number(minutes),
              })
            }
          >
            So long
          </Button>
          <Button
            variant="default"
            onClick={() => settling.send({ type: 'say', reading, step: 'left out' })}
          >
            Leave it out
          </Button>
        </Group>
      ) : (
        <Group>
          {answers.map((step) => (
            <Button key={step} variant="default" onClick={() => say(step)}>
              {ANSWERS[step] ?? STEP_WORDS[step]}
            </Button>
          ))}
        </Group>
      )}
    </section>
  );
}

const ANSWERS: Partial<Record<Step, string>> = {
  retuned: 'Somebody turned its peg',
  room: 'The room moved all strings',
  'new string': 'Another string was put on',
  'left out': 'Leave it out',
  stretched: 'It was pulled',
};

const sameKind = (reading: Taken) => (other: Taken) => other.doubt?.kind === reading.doubt?.kind;
