import { Button, Group, NumberInput, SegmentedControl } from '@mantine/core';
import {
  type AskingTalk,
  amongOf,
  askingTalk,
  type EarChord,
  startAsking,
} from '@rosefinch/core/dialogue';
import {
  type Asked,
  DIRECTIONS,
  type Direction,
  type Heard,
  heardIn,
  noticedBy,
} from '@rosefinch/core/ear';
import {
  beginInWords,
  cellInWords,
  EXERCISE_OVER,
  heardInWords,
  inShort,
  noticedInWords,
  questionInWords,
  type Sentence,
  staircaseInWords,
  toldInWords,
} from '@rosefinch/core/words';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { type Settings, useData } from '../../data/index.ts';
import { monotonic } from '../../environment.ts';
import { Sized } from '../../parts/charts/index.ts';
import { Action } from '../../parts/frame/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { ClassCurve } from './ClassCurve.tsx';
import { cellLines } from './cellLines.tsx';
import { EarJob } from './EarJob.tsx';
import { chordFor, type ExerciseProps } from './exercises.ts';
import { TwoStrokes } from './strokes.tsx';
import { useExercise } from './useExercise.ts';

const LOW_TO_HIGH = [
  'high pluck',
  'high tone',
  'middle pluck',
  'middle tone',
  'low pluck',
  'low tone',
];

/** What the two strokes of an exercise are called. */
const NAMES: Readonly<Record<Asked, readonly [string, string]>> = {
  direction: ['first', 'second'],
  class: ['first', 'second'],
  string: ['in tune', 'the string that was out'],
  pure: ['pure', 'the other chord'],
};

function cellsOf(exercise: Asked, { name, hz }: EarChord): readonly string[] {
  if (exercise === 'pure') return [name];
  return exercise === 'string' ? hz.map((_, i) => `string ${hz.length - i}`) : LOW_TO_HIGH;
}

type Props = ExerciseProps & { readonly exercise: Asked; readonly staircase: boolean };

/** Questions to the ear that are answered by keys: higher or lower, which string, which chord, the hands of a class. */
export function AskBench(props: Props) {
  const { exercise, stock, minute, staircase } = props;
  const { settings } = stock;
  const asking = useAsking(props);
  const { talk, send, heard } = asking;
  const navigate = useNavigate();
  const chord = chordFor(exercise, stock);
  const told = talk.phase === 'told';
  const last = talk.trials.at(-1);
  const among = amongOf({ exercise, chord });
  // Held against every ear anew after each answer, and not each time that something is drawn.
  const result = useMemo(
    () => heardIn(exercise, talk.trials, among),
    [exercise, talk.trials, among],
  );
  const cells = cellsOf(exercise, chord);
  // Which string it is, is the question: its line is marked once it is answered.
  const hand = exercise === 'string' && !told ? null : (talk.question?.cell ?? null);
  const shown = told && last && settings.earFeedback === 'stroke' ? last.asked : null;
  return (
    <EarJob
      exercise={exercise}
      settings={settings}
      phase={talk.phase}
      asked={minute ? talk.trials.length : null}
      onGo={() => send({ type: 'ask' })}
      onEnd={() => send({ type: 'end' })}
      acts={{ answer: answering(asking, exercise), again: () => send({ type: 'again' }) }}
      buttons={[{ act: 'again', label: 'Hear it again' }]}
      more={[
        staircase
          ? { label: 'Questions that tell most', act: () => void navigate(`/ear/${exercise}`) }
          : {
              label: 'The classic staircase: two down, one up',
              act: () => void navigate(`/ear/${exercise}?by=staircase`),
            },
      ]}
      says={stairsSaid(talk)}
      stage={
        <Stage
          label="Question"
          name={talk.question ? `${talk.trials.length + (told ? 0 : 1)}` : '–'}
          under={['question', ...(hand === null ? [] : [cellInWords(hand)])]}
          wire={
            <Sized>
              {(width, height) =>
                exercise === 'class' && told ? (
                  <ClassCurve
                    trials={talk.trials}
                    noticed={result.noticed?.cents ?? null}
                    {...{ width, height }}
                  />
                ) : (
                  <TwoStrokes cents={shown} names={NAMES[exercise]} {...{ width, height }} />
                )
              }
            </Sized>
          }
          figure={
            <StageFigure
              label="Just-noticeable difference"
              figure={result.noticed ? inShort(result.noticed.cents) : '–'}
              note={
                result.noticed
                  ? `notices ${noticedInWords(result.noticed)}`
                  : 'cents, after twelve answers'
              }
            />
          }
          sentence={sentenceOf(exercise, asking, result)}
          aside={
            talk.phase === 'asked' &&
            heard && <Answers {...{ exercise, talk, send }} strings={chord.hz.length} />
          }
        />
      }
      wires={
        <WireList
          lines={cellLines(cells, talk.trials, hand, (cell) => {
            const own = result.cells.get(cell);
            return own ? inShort(own.cents) : '';
          })}
        />
      }
      line={<Feedback settings={settings} />}
    />
  );
}

interface Asking {
  readonly talk: AskingTalk;
  readonly send: (input: Parameters<typeof askingTalk>[1]) => void;
  /** The question can be answered by now. */
  readonly heard: boolean;
}

function useAsking(props: Props): Asking {
  const { exercise, stock, staircase, before } = props;
  const { settings } = stock;
  const { talk, send } = useExercise(props, {
    start: () => startAsking(staircase),
    machine: askingTalk,
    world: () => ({ exercise, before, chord: chordFor(exercise, stock) }),
    begun: { type: 'sounds' } as const,
    staircase,
  });
  const heard = useHeard(talk);
  const silent = settings.earFeedback === 'none' && talk.phase === 'told' && exercise !== 'class';
  useEffect(() => {
    if (silent) send({ type: 'ask' });
  }, [silent, send]);
  return { talk, send, heard };
}

/** Whether the question in hand has been heard far enough to be answered. */
function useHeard({ question, soundedAt }: AskingTalk): boolean {
  const [heard, setHeard] = useState<number | null>(null);
  useEffect(() => {
    if (!question || soundedAt === null) return;
    const left = soundedAt + 1000 * question.heardAfter - monotonic();
    const timer = setTimeout(() => setHeard(soundedAt), Math.max(0, left));
    return () => clearTimeout(timer);
  }, [question, soundedAt]);
  return soundedAt !== null && heard === soundedAt;
}

function sentenceOf(exercise: Asked, { talk, heard }: Asking, result: Heard): Sentence {
  const last = talk.trials.at(-1);
  const { question } = talk;
  if (talk.phase === 'over') return { say: heardInWords(result), more: EXERCISE_OVER.more };
  if (talk.phase === 'told' && question && last)
    return toldInWords(exercise, {
      asked: last.asked,
      answer: last.answer ?? '',
      which: question.which,
    });
  if (talk.phase === 'asked')
    return questionInWords(exercise, { heard, picked: talk.picked, tooQuick: talk.tooQuick });
  return beginInWords(exercise);
}

/** What a digit answers: a direction, a string, or a chord. */
function answering({ talk: { picked }, send }: Asking, exercise: Asked) {
  return (key: string) => {
    const digit = Number(key);
    const direction = DIRECTIONS[digit - 1];
    const names = exercise === 'string' && (picked === null || (digit !== 1 && digit !== 3));
    if (exercise === 'pure' || names) send({ type: 'pick', which: digit });
    else if (direction) send({ type: 'answer', answer: direction });
  };
}

function stairsSaid({ stairs }: AskingTalk): string | null {
  const noticed = stairs && noticedBy(stairs);
  return stairs && (noticed === null ? 'two down, one up' : staircaseInWords(noticed));
}

const FEEDBACK = [
  { value: 'stroke', label: 'Words and stroke' },
  { value: 'words', label: 'Words' },
  { value: 'none', label: 'Nothing' },
];

/** What follows each answer. */
function Feedback({ settings }: { readonly settings: Settings }) {
  const { repository } = useData();
  return (
    <Group gap="xs">
      <span className="soft">After an answer</span>
      <SegmentedControl
        size="xs"
        aria-label="After an answer"
        data={FEEDBACK}
        value={settings.earFeedback}
        onChange={(value) =>
          void repository.saveSettings({ earFeedback: value as Settings['earFeedback'] })
        }
      />
    </Group>
  );
}

const NOBODY = { lower: 0, same: 0, higher: 0 };

/** Hands of a class, counted. */
function Hands({
  onCount,
}: {
  readonly onCount: (hands: Readonly<Record<string, number>>) => void;
}) {
  const [hands, setHands] = useState<Readonly<Record<string, number>>>(NOBODY);
  const all = Object.values(hands).reduce((sum, one) => sum + one, 0);
  return (
    <form
      aria-label="Hands"
      onSubmit={(event) => {
        event.preventDefault();
        if (all > 0) onCount(hands);
      }}
    >
      <Group gap="xs" align="end" wrap="nowrap">
        {Object.keys(NOBODY).map((answer) => (
          <NumberInput
            key={answer}
            label={answer}
            w={84}
            min={0}
            max={200}
            allowDecimal={false}
            value={hands[answer] ?? 0}
            onChange={(count) => setHands({ ...hands, [answer]: Number(count) || 0 })}
          />
        ))}
        <Button type="submit" disabled={all === 0}>
          Count
        </Button>
      </Group>
    </form>
  );
}

interface AnswersProps {
  readonly exercise: Asked;
  readonly talk: AskingTalk;
  readonly send: Asking['send'];
  readonly strings: number;
}

/** The answers that can be given, as buttons with their keys. */
function Answers({ exercise, talk, send, strings }: AnswersProps) {
  if (exercise === 'class') return <Hands onCount={(hands) => send({ type: 'hands', hands })} />;
  const pick = (which: number) => send({ type: 'pick', which });
  const said = (answer: Direction) => send({ type: 'answer', answer });
  const ways = [
    { label: 'Lower', hotkey: '1', act: () => said('lower') },
    ...(exercise === 'direction'
      ? [{ label: 'The same', hotkey: '2', act: () => said('same') }]
      : []),
    { label: 'Higher', hotkey: '3', act: () => said('higher') },
  ];
  const chords = ['The first', 'The second'].map((label, i) => ({
    label,
    hotkey: String(i + 1),
    act: () => pick(i + 1),
  }));
  const which = Array.from({ length: strings }, (_, i) => ({
    label: `String ${strings - i}`,
    hotkey: String(strings - i),
    act: () => pick(strings - i),
  }));
  const shown =
    exercise === 'pure' ? chords : exercise === 'string' && talk.picked === null ? which : ways;
  return (
    <Group role="group" aria-label="Answers" gap="xs">
      {shown.map(({ label, hotkey, act }) => (
        <Action key={label} hotkey={hotkey} onAct={act}>
          {label}
        </Action>
      ))}
    </Group>
  );
}
