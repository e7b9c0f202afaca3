import {
  A_MINUTE,
  type MatchingTalk,
  matchingTalk,
  NO_MATCH,
  pairsOf,
} from '@rosefinch/core/dialogue';
import { leftIn } from '@rosefinch/core/ear';
import { seededRandom } from '@rosefinch/core/maths';
import {
  EXERCISE_WORDS,
  inShort,
  matchedInWords,
  noticedInWords,
  pairTaskInWords,
  type Sentence,
  signedCents,
} from '@rosefinch/core/words';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { monotonic, newSeed, now } from '../../environment.ts';
import { Sized } from '../../parts/charts/index.ts';
import { useDialogue } from '../../parts/listening/index.ts';
import { type FootButton, Job, type JobActs, Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { cellLines, PathStroke, TwoStrokes } from './drawings.tsx';
import { type ExerciseProps, stringsOf } from './exercises.ts';
import { useEarRun } from './useEarRun.ts';
import { useSound } from './useSound.ts';

/** A practice peg is turned by ear until two strings agree; then the way there is drawn. */
export function MatchBench({ stock, minute }: ExerciseProps) {
  const { settings } = stock;
  const { talk, send } = useMatching(stock, minute);
  const navigate = useNavigate();
  const leave = () => void navigate('/ear');
  const told = talk.phase === 'told';
  const left = leftIn(talk.trials);
  const { pair } = talk;
  const cells = [...new Set(pairsOf(stringsOf(stock)).map(({ cell }) => cell))];
  return (
    <Job
      view="ear"
      title={EXERCISE_WORDS.match.say}
      settings={settings}
      acts={actsOf(talk, send, leave)}
      buttons={buttonsOf(talk, send, leave)}
      listening={null}
      says={
        minute
          ? `a minute: ${talk.trials.length} of ${A_MINUTE} · headphones low`
          : 'headphones low'
      }
      stage={
        <Stage
          label="Two strings"
          name={pair ? `${talk.trials.length + (told ? 0 : 1)}` : '–'}
          under={pair ? ['pair', pair.cell] : ['pair']}
          wire={
            <Sized>
              {(width, height) =>
                told ? (
                  <PathStroke path={talk.path} width={width} height={height} />
                ) : (
                  <TwoStrokes
                    cents={null}
                    names={['agrees with', 'turned']}
                    width={width}
                    height={height}
                  />
                )
              }
            </Sized>
          }
          figure={
            <StageFigure
              label="Left"
              figure={told ? signedCents(talk.off) : '–'}
              note={left ? `cents; usually leaves ${noticedInWords(left)}` : 'cents left'}
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

type Send = (input: Parameters<typeof matchingTalk>[1]) => void;

function useMatching(stock: ExerciseProps['stock'], minute: boolean) {
  const { settings } = stock;
  const random = useRef(seededRandom(newSeed()));
  const { keep, end } = useEarRun('match', { learnerId: settings.learnerId, minute });
  const sound = useSound(settings.referenceVolume);
  return useDialogue({
    start: () => NO_MATCH,
    machine: matchingTalk,
    world: () => ({
      strings: stringsOf(stock),
      questions: minute ? A_MINUTE : null,
      now: now(),
      clock: monotonic(),
      random: random.current,
    }),
    perform: (effect) => {
      if (effect.type === 'sound') sound(effect.notes);
      else if (effect.type === 'keep') keep(effect.trial);
      else end();
    },
  });
}

function sentenceOf({ phase, pair, off, path }: MatchingTalk): Sentence {
  if (phase === 'over') return { say: 'That was it.', more: 'Enter goes back to the exercises.' };
  if (phase === 'turning' && pair) return pairTaskInWords(pair.reference, pair.own);
  if (phase === 'told')
    return matchedInWords(off, path[1] ?? 0, (path.at(-2) ?? 0) / 1000, path.length / 2 - 1);
  return { say: EXERCISE_WORDS.match.more, more: 'Enter begins.' };
}

function actsOf({ phase }: MatchingTalk, send: Send, leave: () => void): JobActs<'ear'> {
  const turns = phase === 'turning';
  const turn = (way: 1 | -1, bold: boolean) =>
    turns ? () => send({ type: 'turn', way, bold }) : null;
  return {
    answer: null,
    again: () => send({ type: 'again' }),
    go: phase === 'over' ? leave : () => send({ type: turns ? 'done' : 'ask' }),
    finish: phase === 'over' ? null : () => send({ type: 'end' }),
    tap: null,
    up: turn(1, false),
    down: turn(-1, false),
    upMore: turn(1, true),
    downMore: turn(-1, true),
  };
}

function buttonsOf({ phase }: MatchingTalk, send: Send, leave: () => void): FootButton<'ear'>[] {
  if (phase === 'over') return [{ act: 'go', label: 'Back to the exercises' }];
  if (phase === 'resting')
    return [
      { act: 'go', label: 'Begin' },
      { act: leave, label: 'Back to the exercises' },
    ];
  if (phase === 'told')
    return [
      { act: 'go', label: 'Next' },
      { act: 'finish', label: 'Stop here' },
    ];
  return [
    { act: 'go', label: 'They agree' },
    { act: 'up', label: 'Tighten' },
    { act: 'down', label: 'Loosen' },
    { act: 'upMore', label: 'Tighten boldly' },
    { act: 'downMore', label: 'Loosen boldly' },
    { act: () => send({ type: 'end' }), label: 'Stop here' },
  ];
}
