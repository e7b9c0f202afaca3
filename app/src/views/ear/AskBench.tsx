import { Group, SegmentedControl } from '@mantine/core';
import { type AskingTalk, amongOf, type EarChord } from '@rosefinch/core/dialogue';
import { type Asked, DIRECTIONS, type Heard, heardIn, noticedBy } from '@rosefinch/core/ear';
import { type LabelId, type Message, message, type Sentence } from '@rosefinch/core/message';
import {
  beginInWords,
  cellInWords,
  EXERCISE_OVER,
  heardInWords,
  inShort,
  noticedInWords,
  questionInWords,
  staircaseInWords,
  toldInWords,
} from '@rosefinch/core/sentences';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { type Settings, useData } from '../../data/index.ts';
import { Sized } from '../../parts/charts/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { Answers } from './Answers.tsx';
import { ClassCurve } from './ClassCurve.tsx';
import { cellLines } from './cellLines.tsx';
import { EarJob } from './EarJob.tsx';
import { chordFor } from './exercises.ts';
import { TwoStrokes } from './strokes.tsx';
import { type Asking, type AskingProps, useAsking } from './useAsking.ts';

const LOW_TO_HIGH = [
  'high pluck',
  'high tone',
  'middle pluck',
  'middle tone',
  'low pluck',
  'low tone',
];

/** What the two strokes of an exercise are called. */
const NAMES: Readonly<Record<Asked, readonly [LabelId, LabelId]>> = {
  direction: ['ear.first', 'ear.second'],
  class: ['ear.first', 'ear.second'],
  string: ['ear.inTune', 'ear.stringThatWasOut'],
  pure: ['ear.pureOne', 'ear.otherChord'],
};

function cellsOf(exercise: Asked, { name, hz }: EarChord): readonly string[] {
  if (exercise === 'pure') return [name];
  return exercise === 'string' ? hz.map((_, i) => `string ${hz.length - i}`) : LOW_TO_HIGH;
}

/** Questions to the ear that are answered by keys: higher or lower, which string, which chord, the hands of a class. */
export function AskBench(props: AskingProps) {
  const t = useWords();
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
      buttons={[{ act: 'again', label: t('ear.hearItAgain') }]}
      more={[
        staircase
          ? { label: t('ear.questionsThatTellMost'), act: () => void navigate(`/ear/${exercise}`) }
          : {
              label: t('ear.theClassicStaircaseTwoDown'),
              act: () => void navigate(`/ear/${exercise}?by=staircase`),
            },
      ]}
      says={stairsSaid(talk)}
      stage={
        <Stage
          label={t('ear.question')}
          name={talk.question ? `${talk.trials.length + (told ? 0 : 1)}` : '–'}
          under={[t('ear.questionOne'), ...(hand === null ? [] : [cellInWords(hand)])]}
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
                  <TwoStrokes
                    cents={shown}
                    names={[t(NAMES[exercise][0]), t(NAMES[exercise][1])]}
                    {...{ width, height }}
                  />
                )
              }
            </Sized>
          }
          figure={
            <StageFigure
              label={t('ear.justNoticeableDifference')}
              figure={result.noticed ? inShort(result.noticed.cents) : '–'}
              note={
                result.noticed
                  ? t('ear.noticesNoticed', { noticed: noticedInWords(result.noticed) })
                  : t('ear.centsAfterTwelveAnswers')
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

function stairsSaid({ stairs }: AskingTalk): Message | null {
  const noticed = stairs && noticedBy(stairs);
  return stairs && (noticed === null ? message('ear.twoDownOneUp') : staircaseInWords(noticed));
}

const FEEDBACK: readonly { readonly value: string; readonly label: LabelId }[] = [
  { value: 'stroke', label: 'ear.wordsAndStroke' },
  { value: 'words', label: 'ear.words' },
  { value: 'none', label: 'ear.nothing' },
];

/** What follows each answer. */
function Feedback({ settings }: { readonly settings: Settings }) {
  const t = useWords();
  const { repository } = useData();
  return (
    <Group gap="xs">
      <span className="soft">{t('ear.afterAnAnswer')}</span>
      <SegmentedControl
        size="xs"
        aria-label={t('ear.afterAnAnswer')}
        data={FEEDBACK.map(({ value, label }) => ({ value, label: t(label) }))}
        value={settings.earFeedback}
        onChange={(value) =>
          void repository.saveSettings({ earFeedback: value as Settings['earFeedback'] })
        }
      />
    </Group>
  );
}
