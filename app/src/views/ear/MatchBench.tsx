import { type MatchingTalk, matchingTalk, NO_MATCH, pairsOf } from '@rosefinch/core/dialogue';
import { leftIn } from '@rosefinch/core/ear';
import { message, type Sentence } from '@rosefinch/core/message';
import {
  beginInWords,
  cellInWords,
  EXERCISE_OVER,
  inShort,
  matchedInWords,
  noticedInWords,
  pairTaskInWords,
} from '@rosefinch/core/sentences';
import { Sized } from '../../parts/charts/index.ts';
import { type FootButton, Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { cellLines } from './cellLines.tsx';
import { EarJob } from './EarJob.tsx';
import { type ExerciseProps, stringsOf } from './exercises.ts';
import { PathStroke, TwoStrokes } from './strokes.tsx';
import { useExercise } from './useExercise.ts';

/** A practice peg is turned by ear until two strings agree; then the way there is drawn. */
export function MatchBench(props: ExerciseProps) {
  const t = useWords();
  const { stock, minute } = props;
  const { talk, send } = useExercise(props, {
    start: () => NO_MATCH,
    machine: matchingTalk,
    world: () => ({ strings: stringsOf(stock) }),
  });
  const { pair, phase } = talk;
  const told = phase === 'told';
  const left = leftIn(talk.trials);
  const turn = (way: 1 | -1, bold: boolean) =>
    phase === 'turning' ? () => send({ type: 'turn', way, bold }) : null;
  const cells = [...new Set(pairsOf(stringsOf(stock)).map(({ cell }) => cell))];
  return (
    <EarJob
      exercise="match"
      settings={stock.settings}
      phase={phase}
      asked={minute ? talk.trials.length : null}
      onGo={() => send({ type: phase === 'turning' ? 'done' : 'ask' })}
      onEnd={() => send({ type: 'end' })}
      acts={{
        again: () => send({ type: 'again' }),
        up: turn(1, false),
        down: turn(-1, false),
        upMore: turn(1, true),
        downMore: turn(-1, true),
      }}
      buttons={TURNING}
      stage={
        <Stage
          label={t('ear.twoStrings')}
          name={pair ? `${talk.trials.length + (told ? 0 : 1)}` : '–'}
          under={pair ? [t('ear.pairOne'), cellInWords(pair.cell)] : [t('ear.pairOne')]}
          wire={
            <Sized>
              {(width, height) =>
                told ? (
                  <PathStroke path={talk.path} width={width} height={height} />
                ) : (
                  <TwoStrokes
                    cents={null}
                    names={[t('ear.agreesWith'), t('ear.turned')]}
                    width={width}
                    height={height}
                  />
                )
              }
            </Sized>
          }
          figure={
            <StageFigure
              label={t('ear.left')}
              figure={told ? t.signed(talk.off) : '–'}
              note={
                left
                  ? t('ear.centsUsuallyLeavesLeft', { left: noticedInWords(left) })
                  : t('ear.centsLeft')
              }
            />
          }
          sentence={sentenceOf(talk)}
        />
      }
      wires={
        <WireList
          lines={cellLines(cells, talk.trials, pair?.cell ?? null, (cell) => {
            const own = leftIn(talk.trials.filter((one) => one.cell === cell));
            return own ? inShort(own.cents) : '';
          })}
        />
      }
    />
  );
}

const TURNING: readonly FootButton<'ear'>[] = [
  { act: 'go', label: message('ear.theyAgree') },
  { act: 'up', label: message('ear.tighten') },
  { act: 'down', label: message('ear.loosen') },
  { act: 'upMore', label: message('ear.tightenBoldly') },
  { act: 'downMore', label: message('ear.loosenBoldly') },
];

function sentenceOf({ phase, pair, off, path }: MatchingTalk): Sentence {
  if (phase === 'over') return EXERCISE_OVER;
  if (phase === 'turning' && pair) return pairTaskInWords(pair.reference, pair.own);
  if (phase === 'told')
    return matchedInWords(off, path[1] ?? 0, (path.at(-2) ?? 0) / 1000, path.length / 2 - 1);
  return beginInWords('match');
}
