import {
  BEAT_CELLS,
  type BeatingTalk,
  beatingTalk,
  centsOfBeat,
  NO_BEAT,
  rateOf,
} from '@rosefinch/core/dialogue';
import { leftIn } from '@rosefinch/core/ear';
import { message, type Sentence } from '@rosefinch/core/message';
import { shiftHz } from '@rosefinch/core/music';
import {
  beatTaskInWords,
  beatToldInWords,
  beginInWords,
  EXERCISE_OVER,
  inShort,
  LISTEN_FIRST,
  noticedInWords,
} from '@rosefinch/core/sentences';
import { Sized } from '../../parts/charts/index.ts';
import { type FootButton, Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { cellLines } from './cellLines.tsx';
import { EarJob } from './EarJob.tsx';
import type { ExerciseProps } from './exercises.ts';
import { TapWire } from './strokes.tsx';
import { useExercise } from './useExercise.ts';

/** Two tones that beat: counted by taps, or called when one that slows down stands still. */
export function BeatBench(props: ExerciseProps) {
  const t = useWords();
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
          label={t('ear.twoTonesThatBeat')}
          name={beat ? `${talk.trials.length + (told ? 0 : 1)}` : '–'}
          under={
            beat
              ? [t('ear.beatOne'), beat.cell === 'count' ? t('ear.toCount') : t('ear.toStop')]
              : [t('ear.beatOne')]
          }
          wire={
            <Sized>
              {(width, height) => (
                <TapWire taps={talk.taps} since={talk.since} width={width} height={height} />
              )}
            </Sized>
          }
          figure={
            <StageFigure
              label={t('ear.off')}
              figure={told && last?.off !== undefined ? inShort(Math.abs(last.off)) : counted}
              note={
                told
                  ? left
                    ? t('ear.centsOffUsuallyLeft', { left: noticedInWords(left) })
                    : t('ear.centsOff')
                  : t('ear.centsThatThisBeatMeans')
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
  { act: 'tap', label: message('ear.tap'), filled: true },
  { act: 'go', label: message('ear.thatIsTheBeat') },
  { act: 'again', label: message('ear.fromTheStart') },
];
const STOPPING: readonly FootButton<'ear'>[] = [
  { act: 'go', label: message('ear.itStandsStill'), filled: true },
  { act: 'again', label: message('ear.fromTheStart') },
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
