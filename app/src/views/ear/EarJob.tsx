import { A_MINUTE } from '@rosefinch/core/dialogue';
import type { ExerciseKind } from '@rosefinch/core/ear';
import { list, message, type Value } from '@rosefinch/core/message';
import { exerciseName } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { type ReactNode, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Settings } from '../../data/index.ts';
import { type Listening, roomInWords } from '../../parts/listening/index.ts';
import { ShareLink } from '../../parts/share/index.ts';
import {
  type FootButton,
  Job,
  type JobActs,
  type PlainAction,
  useUsualSource,
} from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';

const NO_ACTS: JobActs<'ear'> = {
  answer: null,
  again: null,
  go: null,
  finish: null,
  tap: null,
  up: null,
  down: null,
  upMore: null,
  downMore: null,
};

interface Props {
  readonly exercise: ExerciseKind;
  readonly settings: Settings;
  /** Where it stands: nothing was asked yet, it is answered, it is over; anything else while it goes on. */
  readonly phase: string;
  /** Begins, goes on or commits. */
  readonly onGo: () => void;
  readonly onEnd: () => void;
  /** What else its keys do now. */
  readonly acts: Partial<JobActs<'ear'>>;
  /** What Enter is called once it is answered; "Next" where it is not given. */
  readonly next?: Value;
  /** The buttons while it goes on, the main one first. */
  readonly buttons: readonly FootButton<'ear'>[];
  readonly more?: readonly PlainAction[];
  /** What is listened to, and the instrument; null where nothing is. */
  readonly listening?: { readonly listening: Listening; readonly instrument: Instrument } | null;
  /** Questions so far in a minute of five; null where it has no end. */
  readonly asked?: number | null;
  readonly says?: Value | null;
  readonly stage: ReactNode;
  readonly wires: ReactNode;
  readonly line?: ReactNode;
}

/** An exercise in its three bands: how it is begun, gone on with and left is the same in all of them. */
export function EarJob(props: Props) {
  const t = useWords();
  const { exercise, settings, phase, acts, listening = null, asked = null, says } = props;
  const navigate = useNavigate();
  const usual = useUsualSource();
  const leave = () => void navigate('/ear');
  const [sharing, setSharing] = useState(false);
  const over = phase === 'over';
  return (
    <Job
      view="ear"
      title={exerciseName(exercise)}
      settings={settings}
      acts={{
        ...NO_ACTS,
        ...acts,
        go: over ? leave : props.onGo,
        finish: over ? null : props.onEnd,
      }}
      buttons={buttonsOf(props, leave)}
      more={[
        ...(props.more ?? []),
        { label: t('ear.handThisExerciseOnAs'), act: () => setSharing(true) },
      ]}
      asleep={sharing}
      listening={
        listening && { listening: listening.listening, kind: listening.instrument.kind, usual }
      }
      says={list(
        [
          ...(asked === null ? [] : [t('ear.minuteOf', { asked, all: A_MINUTE })]),
          ...(says ? [says] : []),
          listening ? roomInWords(listening.listening.room) : t('ear.headphonesLow'),
        ],
        'points',
      )}
      stage={props.stage}
      wires={props.wires}
      line={props.line}
    >
      <ShareLink
        what={{ kind: 'exercise', exercise, ...(asked !== null && { minute: true as const }) }}
        title={t(exerciseName(exercise))}
        opened={sharing}
        onClose={() => setSharing(false)}
      />
    </Job>
  );
}

function buttonsOf(
  { phase, buttons, next = message('ear.nextOne'), acts }: Props,
  leave: () => void,
): FootButton<'ear'>[] {
  const stop = { act: 'finish', label: message('ear.stopHere') } as const;
  if (phase === 'over')
    return [{ act: 'go', label: message('ear.backToTheExercises'), filled: true }];
  if (phase === 'resting')
    return [
      { act: 'go', label: message('ear.begin'), filled: true },
      { act: leave, label: message('ear.backToTheExercises') },
    ];
  if (phase !== 'told') return [...buttons, stop];
  const again = acts.again ? [{ act: 'again', label: message('ear.hearItAgain') } as const] : [];
  return [{ act: 'go', label: next, filled: true }, ...again, stop];
}
