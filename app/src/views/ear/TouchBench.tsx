import { NOT_TOUCHED, TOUCHES, touchingTalk, touchOf } from '@rosefinch/core/dialogue';
import type { StringKnowledge } from '@rosefinch/core/listen';
import { message } from '@rosefinch/core/message';
import { shiftHz, targetNote } from '@rosefinch/core/music';
import { MADE_NECK } from '@rosefinch/core/practice';
import {
  CHOOSE_SOURCE,
  evennessInWords,
  inShort,
  touchingInWords,
} from '@rosefinch/core/sentences';
import { type Instrument, startFret } from '@rosefinch/core/strings';
import { useMemo, useState } from 'react';
import { newSeed, now } from '../../environment.ts';
import { Sized } from '../../parts/charts/index.ts';
import { WithInstrument } from '../../parts/instruments/index.ts';
import { useDialogue, useListening } from '../../parts/listening/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { EarJob } from './EarJob.tsx';
import type { ExerciseProps } from './exercises.ts';
import { HeldPerches } from './strokes.tsx';
import { useEarRun } from './useEarRun.ts';
import { useStrings } from './useStrings.ts';

const RATE = 48_000;
/** Where a firm finger is heard best: common practice, no source. */
const FRET = 3;

/** The same fret ten times: how evenly, and how lightly, it is held. */
export function TouchBench(props: ExerciseProps) {
  const t = useWords();
  return (
    <WithInstrument says={t('ear.touch')}>
      {(instrument) => <Touch key={instrument.id} {...props} instrument={instrument} />}
    </WithInstrument>
  );
}

type Props = ExerciseProps & { readonly instrument: Instrument };

function Touch(props: Props) {
  const t = useWords();
  const { stock, instrument } = props;
  const { settings } = stock;
  const { talk, send, listening, targets, course, choose, fret, pluck } = useTouching(props);
  const { scatter, aboveLightest } = touchOf(talk.held);
  const told = talk.phase === 'told';
  const last = talk.held.at(-1);
  const needs = talk.phase === 'holding' && listening.source === null;
  return (
    <EarJob
      exercise="touch"
      settings={settings}
      phase={talk.phase}
      next={t('ear.again')}
      onGo={() => send({ type: 'go' })}
      onEnd={() => send({ type: 'end' })}
      acts={{
        answer: (key) => choose(Number(key)),
        again: listening.hands && talk.phase === 'holding' ? pluck : null,
      }}
      buttons={
        listening.hands ? [{ act: 'again', label: t('ear.holdAndPluck'), filled: true }] : []
      }
      listening={{ listening, instrument }}
      stage={
        <Stage
          name={targetNote(targets[course - 1])}
          under={[message('common.string', { string: course }), t('ear.fretOne', { fret: FRET })]}
          wire={
            <Sized>
              {(width, height) => (
                <HeldPerches held={talk.held} places={TOUCHES} width={width} height={height} />
              )}
            </Sized>
          }
          figure={
            <StageFigure
              figure={told ? inShort(scatter) : last === undefined ? '–' : t.signed(last)}
              note={told ? t('ear.centsStandardDeviation') : t('ear.centsFromTheNoteOf')}
            />
          }
          sentence={
            told
              ? evennessInWords(scatter, aboveLightest)
              : needs
                ? CHOOSE_SOURCE
                : touchingInWords({
                    phase: talk.phase,
                    notice: talk.notice,
                    place: message('ear.stringAtFret', { string: course, fret }),
                    left: TOUCHES - talk.held.length,
                  })
          }
          problem={listening.problem}
        />
      }
      wires={
        <WireList
          lines={[...targets].reverse().map((target) => ({
            course: target.course,
            name: targetNote(target),
            says:
              target.course === course
                ? t('ear.heldOf', { held: talk.held.length, all: TOUCHES })
                : t('ear.notInHand'),
            active: target.course === course,
            chosen: target.course === course,
            picture: null,
            word:
              target.course === course
                ? t('ear.heldOf', { held: talk.held.length, all: TOUCHES })
                : '',
          }))}
          onChoose={choose}
        />
      }
    />
  );
}

function useTouching({ stock, minute, instrument }: Props) {
  const { settings } = stock;
  const targets = useStrings(instrument, stock);
  const [course, setCourse] = useState(Math.min(3, targets.length));
  const fret = FRET + startFret(instrument, course);
  const open = targets[course - 1];
  const hz = open ? shiftHz(open.hz, 100 * FRET) : 0;
  const cell = `string ${course} at fret ${fret}`;
  const run = useEarRun('touch', {
    learnerId: settings.learnerId,
    minute,
  });
  const { talk, send } = useDialogue({
    start: () => NOT_TOUCHED,
    machine: touchingTalk,
    world: () => ({ cell, hz, now: now() }),
    perform: (effect) => {
      if (effect.type === 'keep') run.keepWhole(effect.trials, { instrumentId: instrument.id });
      else run.end();
    },
  });
  const strings = useMemo(
    (): StringKnowledge[] => (open ? [{ target: { ...open, hz } }] : []),
    [open, hz],
  );
  const listening = useListening<string>({
    settings,
    strings,
    asked: cell,
    intended: () => 1,
    practice: async () => ({
      instrument,
      targetsHz: targets.map((target) => target.hz),
      detuneCents: targets.map(() => 0),
      neck: MADE_NECK,
      seed: newSeed(),
      sampleRate: RATE,
    }),
    hear: (report, asked) => {
      if (report.type === 'outcome') send({ type: 'heard', outcome: report.outcome, asked });
    },
  });
  const choose = (wanted: number) => {
    if (targets[wanted - 1] && talk.phase !== 'holding') setCourse(wanted);
  };
  const pluck = () => listening.hands?.fretted(course, fret, 'normal');
  return { talk, send, listening, targets, course, choose, fret, pluck };
}
