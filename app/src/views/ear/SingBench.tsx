import { NOTHING_SUNG, type SingingTalk, singingTalk } from '@rosefinch/core/dialogue';
import { leftIn } from '@rosefinch/core/ear';
import { message, type Sentence, sentencesOf } from '@rosefinch/core/message';
import { findTuning, targetNote, targetsOf } from '@rosefinch/core/music';
import {
  beginInWords,
  EXERCISE_OVER,
  inShort,
  noticedInWords,
  singTaskInWords,
  sungInWords,
  sungStringInWords,
} from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import type { Hz } from '@rosefinch/core/units';
import { useEffect } from 'react';
import { newSeed } from '../../environment.ts';
import { Sized } from '../../parts/charts/index.ts';
import { WithInstrument } from '../../parts/instruments/index.ts';
import { useListening } from '../../parts/listening/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { cellLines } from './cellLines.tsx';
import { EarJob } from './EarJob.tsx';
import { type ExerciseProps, stringsOf } from './exercises.ts';
import { TwoStrokes } from './strokes.tsx';
import { useExercise } from './useExercise.ts';

const RATE = 48_000;
/** The practice strings are out by so much, so that there is something to hear. */
const DETUNE = [-34, 12, -8, 46, 3, -22] as const;

/** A note is heard and sung or hummed; one is told above, below or there. */
export function SingBench(props: ExerciseProps) {
  const t = useWords();
  return (
    <WithInstrument says={t('ear.viewSing')}>
      {(instrument) => <Singing {...props} instrument={instrument} />}
    </WithInstrument>
  );
}

type Props = ExerciseProps & { readonly instrument: Instrument };

function Singing({ instrument, ...props }: Props) {
  const t = useWords();
  const { stock, minute } = props;
  const { settings } = stock;
  const { talk, send, listening } = useSinging({ instrument, ...props });
  const left = leftIn(talk.trials);
  const { sung, note } = talk;
  // Which way a string is out, is the question: it is drawn once it was sung.
  const shown = sung && (note?.out === 0 || talk.phase === 'told') ? sung.cents : null;
  const tuning = findTuning(instrument.tuningId, stock.tunings);
  const target = tuning && note ? targetsOf(tuning, settings.a4)[note.course - 1] : undefined;
  const pluck = () => note && listening.hands?.pluck(note.course, 0.6);
  const turn = (turns: number) =>
    note && listening.hands ? () => listening.hands?.turn(note.course, turns) : null;
  return (
    <EarJob
      exercise="sing"
      settings={settings}
      phase={talk.phase}
      asked={minute ? talk.trials.length : null}
      onGo={() => send({ type: 'ask' })}
      onEnd={() => send({ type: 'end' })}
      acts={{
        again: () => send({ type: 'again' }),
        up: turn(0.01),
        down: turn(-0.01),
        upMore: turn(0.05),
        downMore: turn(-0.05),
      }}
      buttons={[
        { act: 'again', label: t('ear.hearTheNote') },
        ...(listening.hands ? [{ act: pluck, label: t('ear.pluckThePracticeString') }] : []),
      ]}
      listening={{ listening, instrument }}
      stage={
        <Stage
          label={t('ear.aNoteToSing')}
          name={target ? targetNote(target) : '–'}
          under={
            note
              ? [message('common.string', { string: note.course }), t('ear.anyOctave')]
              : [t('ear.aNoteToSingLower')]
          }
          wire={
            <Sized>
              {(width, height) => (
                <TwoStrokes
                  cents={shown}
                  names={[t('ear.theNote'), t('ear.you')]}
                  width={width}
                  height={height}
                />
              )}
            </Sized>
          }
          figure={
            <StageFigure
              label={t('ear.sung')}
              figure={shown === null ? '–' : t.signed(shown)}
              note={
                left
                  ? t('ear.centsUsuallyWithinLeft', { left: noticedInWords(left) })
                  : t('ear.centsFromTheNote')
              }
            />
          }
          sentence={sentenceOf(talk, listening.source !== null)}
          problem={listening.problem}
        />
      }
      wires={
        <WireList
          lines={cellLines(
            stringsOf(stock)
              .map(({ course }) => `string ${course}`)
              .reverse(),
            talk.trials,
            note && `string ${note.course}`,
            (cell) => {
              const own = leftIn(talk.trials.filter((one) => one.cell === cell));
              return own ? inShort(own.cents) : '';
            },
          )}
        />
      }
    />
  );
}

function useSinging(props: Props) {
  const { stock, instrument } = props;
  const { settings } = stock;
  const strings = stringsOf(stock);
  const { talk, send } = useExercise(props, {
    start: () => NOTHING_SUNG,
    machine: singingTalk,
    world: () => ({ strings }),
    perform: ({ hz }: { readonly type: 'note'; readonly hz: Hz }) => listening.sound(hz),
  });
  const listening = useListening({
    settings,
    strings: [],
    asked: null,
    intended: () => null,
    practice: async () => ({
      instrument,
      targetsHz: strings.map(({ hz }) => hz),
      detuneCents: strings.map((_, i) => DETUNE[i % DETUNE.length] ?? 0),
      seed: newSeed(),
      sampleRate: RATE,
    }),
    hear: (report) => {
      if (report.type === 'sung') send({ type: 'heard', frame: report.frame });
    },
  });
  const { followVoice, source } = listening;
  // The next view gets an ear for strings again: the keeper sees to that.
  useEffect(() => {
    if (source !== null) followVoice(true);
  }, [followVoice, source]);
  return { talk, send, listening };
}

function sentenceOf({ phase, sung, note }: SingingTalk, listens: boolean): Sentence {
  if (phase === 'over') return EXERCISE_OVER;
  if (phase === 'resting') return beginInWords('sing');
  const out = note?.out ?? 0;
  if (!sung || (out !== 0 && phase !== 'told')) return singTaskInWords(listens, out !== 0);
  const { say, more } =
    out === 0 ? sungInWords(sung) : sungStringInWords(sung, note?.course ?? 0, out);
  return {
    say,
    more: phase === 'told' ? [...sentencesOf(more), message('ear.enterGoesOn')] : more,
  };
}
