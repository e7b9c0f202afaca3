import { Button, Group, NumberInput } from '@mantine/core';
import type { AskingTalk } from '@rosefinch/core/dialogue';
import type { Asked, Direction } from '@rosefinch/core/ear';
import { useState } from 'react';
import { Action } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Asking } from './useAsking.ts';

interface AnswersProps {
  readonly exercise: Asked;
  readonly talk: AskingTalk;
  readonly send: Asking['send'];
  readonly strings: number;
}

/** The answers that can be given, as buttons with their keys. */
export function Answers({ exercise, talk, send, strings }: AnswersProps) {
  const t = useWords();
  if (exercise === 'class') return <Hands onCount={(hands) => send({ type: 'hands', hands })} />;
  const pick = (which: number) => send({ type: 'pick', which });
  const said = (answer: Direction) => send({ type: 'answer', answer });
  const ways = WAYS.filter(({ answer }) => answer !== 'same' || exercise === 'direction').map(
    ({ answer, label, hotkey }) => ({ label: t(label), hotkey, act: () => said(answer) }),
  );
  const chords = (['ear.theFirst', 'ear.theSecond'] as const).map((label, i) => ({
    label: t(label),
    hotkey: String(i + 1),
    act: () => pick(i + 1),
  }));
  const which = Array.from({ length: strings }, (_, i) => ({
    label: t('ear.stringValue', { value: strings - i }),
    hotkey: String(strings - i),
    act: () => pick(strings - i),
  }));
  const shown =
    exercise === 'pure' ? chords : exercise === 'string' && talk.picked === null ? which : ways;
  return (
    <Group role="group" aria-label={t('ear.answers')} gap="xs">
      {shown.map(({ label, hotkey, act }) => (
        <Action key={label} hotkey={hotkey} onAct={act}>
          {label}
        </Action>
      ))}
    </Group>
  );
}

const WAYS = [
  { answer: 'lower', label: 'ear.lower', hotkey: '1' },
  { answer: 'same', label: 'ear.theSame', hotkey: '2' },
  { answer: 'higher', label: 'ear.higher', hotkey: '3' },
] as const;
const NOBODY: Readonly<Record<Direction, number>> = { lower: 0, same: 0, higher: 0 };

/** Hands of a class, counted. */
function Hands({
  onCount,
}: {
  readonly onCount: (hands: Readonly<Record<string, number>>) => void;
}) {
  const t = useWords();
  const [hands, setHands] = useState(NOBODY);
  const all = Object.values(hands).reduce((sum, one) => sum + one, 0);
  return (
    <form
      aria-label={t('ear.hands')}
      onSubmit={(event) => {
        event.preventDefault();
        if (all > 0) onCount(hands);
      }}
    >
      <Group gap="xs" align="end" wrap="nowrap">
        {WAYS.map(({ answer, label }) => (
          <NumberInput
            key={answer}
            label={t(label)}
            w={84}
            min={0}
            max={200}
            allowDecimal={false}
            value={hands[answer]}
            onChange={(count) => setHands({ ...hands, [answer]: Number(count) || 0 })}
          />
        ))}
        <Button type="submit" disabled={all === 0}>
          {t('ear.count')}
        </Button>
      </Group>
    </form>
  );
}
