import {
  BEAT_CELLS,
  type BeatingTalk,
  beatingTalk,
  centsOfBeat,
  NO_BEAT,
  rateOf,
} from '@rosefinch/core/dialogue';
import { leftIn } from '@rosefinch/core/ear';
import { shiftHz } from '@rosefinch/core/music';
import {
  beatTaskInWords,
  beatToldInWords,
  beginInWords,
  EXERCISE_OVER,
  inShort,
  LISTEN_FIRST,
  noticedInWords,
  type Sentence,
} from '@rosefinch/core/words';
import { Sized } from '../../parts/charts/index.ts';
import { type FootButton, Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { cellLines } from './cellLines.tsx';
import { EarJob } from './EarJob.tsx';
import type { ExerciseProps } from './exercises.ts';
import { TapWire } from './strokes.tsx';
import { useExercise } from './useExercise.ts';

/** Two tones that beat: counted by taps, or called when one that slows down stands still. */
export function BeatBench(props: ExerciseProps) {
  const { stock, minute } = props;
  const { talk, send } = useExercise(props, {
    start: () => NO_BEAT,
    machine: beatingTalk,
    world: () => ({}),
    begun: { type: 'sounds' } as const,
  });
  const left = leftIn(talk.trials);
  const { beat, phase } = talk;
  const rate = rateOf(talk.taps);
  const told = phase === 'told';
  const sounds = phase === 'sounding';
  const last = talk.trials.at(-1);
  const counted = beat && rate !== null ? inShort(centsOfBeat(beat.hz, rate)) : '–';
  return (
    <EarJob
      exercise="beats"
      settings={stock.settings}
      phase={phase}
      asked={minute ? talk.trials.length : null}
      onGo={() => send({ type: sounds ? 'done' : 'ask' })}
      onEnd={() => send({ type: 'end' })}
      acts={{
        again: sounds ? () => send({ type: 'again' }) : null,
        tap: sounds ? () => send({ type: 'tap' }) : null,
      }}
      buttons={beat?.cell === 'stop' ? STOPPING : COUNTING}
      stage={
        <Stage
          label="Two tones that beat"
          name={beat ? `${talk.trials.length + (told ? 0 : 1)}` : '–'}
          under={beat ? ['beat', beat.cell === 'count' ? 'to count' : 'to stop'] : ['beat']}
          wire={
            <Sized>
              {(width, height) => (
                <TapWire taps={talk.taps} since={talk.since} width={width} height={height} />
              )}
            </Sized>
          }
          figure={
            <StageFigure
              label="Off"
              figure={told && last?.off !== undefined ? inShort(Math.abs(last.off)) : counted}
              note={
                told
                  ? left
                    ? `cents off; usually ${noticedInWords(left)}`
                    : 'cents off'
                  : 'cents that this beat means'
              }
            />
          }
          sentence={sentenceOf(talk)}
        />
      }
      wires={
        <WireList
          lines={cellLines(BEAT_CELLS, talk.trials, beat?.cell ?? null, (cell) => {
            const own = leftIn(talk.trials.filter((one) => one.cell === cell));
            return own ? inShort(own.cents) : '';
          })}
        />
      }
    />
  );
}

const COUNTING: readonly FootButton<'ear'>[] = [
  { act: 'tap', label: 'Tap' },
  { act: 'go', label: 'That is the beat' },
  { act: 'again', label: 'From the start' },
];
const STOPPING: readonly FootButton<'ear'>[] = [
  { act: 'go', label: 'It stands still' },
  { act: 'again', label: 'From the start' },
];

function sentenceOf({ phase, beat, taps, trials, since }: BeatingTalk): Sentence {
  if (phase === 'over') return EXERCISE_OVER;
  if (!beat) return beginInWords('beats');
  const rate = rateOf(taps);
  if (phase === 'sounding' && since === null) return LISTEN_FIRST;
  if (phase === 'sounding') return beatTaskInWords(beat.cell, taps.length, rate);
  const trueRate = Math.abs(shiftHz(beat.hz, beat.from) - beat.hz);
  return beatToldInWords(beat.cell, beat.from, trials.at(-1)?.off ?? 0, rate, trueRate);
}
