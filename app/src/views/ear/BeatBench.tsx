import {
  A_MINUTE,
  BEAT_CELLS,
  type BeatingTalk,
  beatingTalk,
  centsOfBeat,
  NO_BEAT,
  rateOf,
} from '@rosefinch/core/dialogue';
import { leftIn } from '@rosefinch/core/ear';
import { seededRandom } from '@rosefinch/core/maths';
import { shiftHz } from '@rosefinch/core/music';
import {
  beatTaskInWords,
  beatToldInWords,
  EXERCISE_WORDS,
  inShort,
  LISTEN_FIRST,
  noticedInWords,
  type Sentence,
} from '@rosefinch/core/words';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { monotonic, newSeed, now } from '../../environment.ts';
import { Sized } from '../../parts/charts/index.ts';
import { useDialogue } from '../../parts/listening/index.ts';
import { type FootButton, Job, type JobActs, Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { cellLines, TapWire } from './drawings.tsx';
import type { ExerciseProps } from './exercises.ts';
import { useEarRun } from './useEarRun.ts';
import { useSound } from './useSound.ts';

/** Two tones that beat: counted by taps, or called when one that slows down stands still. */
export function BeatBench({ stock, minute }: ExerciseProps) {
  const { settings } = stock;
  const { talk, send } = useBeating(stock, minute);
  const navigate = useNavigate();
  const leave = () => void navigate('/ear');
  const left = leftIn(talk.trials);
  const { beat, phase } = talk;
  const rate = rateOf(talk.taps);
  const told = phase === 'told';
  const last = talk.trials.at(-1);
  const counted = beat && rate !== null ? inShort(centsOfBeat(beat.hz, rate)) : '–';
  return (
    <Job
      view="ear"
      title={EXERCISE_WORDS.beats.say}
      settings={settings}
      acts={actsOf(talk, send, leave)}
      buttons={buttonsOf(talk, leave)}
      listening={null}
      says={
        minute
          ? `a minute: ${talk.trials.length} of ${A_MINUTE} · headphones low`
          : 'headphones low'
      }
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

type Send = (input: Parameters<typeof beatingTalk>[1]) => void;

function useBeating(stock: ExerciseProps['stock'], minute: boolean) {
  const { settings } = stock;
  const random = useRef(seededRandom(newSeed()));
  const { keep, end } = useEarRun('beats', { learnerId: settings.learnerId, minute });
  const sound = useSound(settings.referenceVolume);
  const dialogue: { readonly talk: BeatingTalk; readonly send: Send } = useDialogue({
    start: () => NO_BEAT,
    machine: beatingTalk,
    world: () => ({
      questions: minute ? A_MINUTE : null,
      now: now(),
      clock: monotonic(),
      random: random.current,
    }),
    perform: (effect) => {
      if (effect.type === 'sound') sound(effect.notes, () => dialogue.send({ type: 'sounds' }));
      else if (effect.type === 'keep') keep(effect.trial);
      else end();
    },
  });
  return dialogue;
}

function sentenceOf({ phase, beat, taps, trials, since }: BeatingTalk): Sentence {
  if (phase === 'over') return { say: 'That was it.', more: 'Enter goes back to the exercises.' };
  if (!beat) return { say: EXERCISE_WORDS.beats.more, more: 'Enter begins.' };
  const rate = rateOf(taps);
  if (phase === 'sounding' && since === null) return LISTEN_FIRST;
  if (phase === 'sounding') return beatTaskInWords(beat.cell, taps.length, rate);
  const trueRate = Math.abs(shiftHz(beat.hz, beat.from) - beat.hz);
  return beatToldInWords(beat.cell, beat.from, trials.at(-1)?.off ?? 0, rate, trueRate);
}

function actsOf({ phase }: BeatingTalk, send: Send, leave: () => void): JobActs<'ear'> {
  const sounds = phase === 'sounding';
  return {
    answer: null,
    again: sounds ? () => send({ type: 'again' }) : null,
    go: phase === 'over' ? leave : () => send({ type: sounds ? 'done' : 'ask' }),
    finish: phase === 'over' ? null : () => send({ type: 'end' }),
    tap: sounds ? () => send({ type: 'tap' }) : null,
    up: null,
    down: null,
    upMore: null,
    downMore: null,
  };
}

function buttonsOf({ phase, beat }: BeatingTalk, leave: () => void): FootButton<'ear'>[] {
  if (phase === 'over') return [{ act: 'go', label: 'Back to the exercises' }];
  if (phase === 'resting')
    return [
      { act: 'go', label: 'Begin' },
      { act: leave, label: 'Back to the exercises' },
    ];
  const stop = { act: 'finish', label: 'Stop here' } as const;
  if (phase === 'told') return [{ act: 'go', label: 'Next' }, stop];
  if (beat?.cell === 'stop')
    return [
      { act: 'go', label: 'It stands still' },
      { act: 'again', label: 'From the start' },
      stop,
    ];
  return [
    { act: 'tap', label: 'Tap' },
    { act: 'go', label: 'That is the beat' },
    { act: 'again', label: 'From the start' },
    stop,
  ];
}
