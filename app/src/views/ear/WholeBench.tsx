import { SegmentedControl } from '@mantine/core';
import {
  type Aid,
  NOT_RESTORED,
  type RestoringTalk,
  restoringAsked,
  restoringTalk,
  tonesOf,
} from '@rosefinch/core/dialogue';
import { whoSounded } from '@rosefinch/core/listen';
import { between, seededRandom } from '@rosefinch/core/maths';
import { message, type Sentence, signed } from '@rosefinch/core/message';
import { targetNote } from '@rosefinch/core/music';
import {
  aidInWords,
  CHOOSE_SOURCE,
  inShort,
  restoredInWords,
  restoringInWords,
} from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { useMemo, useState } from 'react';
import { monotonic, newSeed, now } from '../../environment.ts';
import { Sized } from '../../parts/charts/index.ts';
import { WithInstrument } from '../../parts/instruments/index.ts';
import {
  handActs,
  handsOn,
  PracticeLine,
  useDialogue,
  useListening,
} from '../../parts/listening/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { type WireLine, WireList } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { OutAndLeft } from './cellLines.tsx';
import { EarJob } from './EarJob.tsx';
import type { ExerciseProps } from './exercises.ts';
import { TwoStrokes } from './strokes.tsx';
import { useEarRun } from './useEarRun.ts';
import { useStrings } from './useStrings.ts';

const RATE = 48_000;
/** The practice strings are put out by the app, so far at least and at most. */
const PUT_OUT = { least: 22, most: 60 } as const;
const REST = 3;

/** A whole instrument is put out of tune and brought back, with as much help as was chosen. */
export function WholeBench(props: ExerciseProps) {
  const t = useWords();
  return (
    <WithInstrument says={t('ear.whole')}>
      {(instrument) => <Whole key={instrument.id} {...props} instrument={instrument} />}
    </WithInstrument>
  );
}

type Props = ExerciseProps & { readonly instrument: Instrument };

function Whole(props: Props) {
  const t = useWords();
  const { stock, instrument } = props;
  const { settings } = stock;
  const restoring = useRestoring(props);
  const { talk, send, listening, targets, course, choose } = restoring;
  const { hands: playing } = listening;
  const hands = useMemo(
    () => playing && handsOn(playing, instrument, course),
    [playing, instrument, course],
  );
  const moves = talk.phase === 'tuning' || talk.phase === 'out' || talk.phase === 'reading';
  const { pluck, up, down, upMore, downMore } = handActs(moves ? hands : null);
  const shown = talk.phase === 'tuning' && talk.seen?.course === course ? talk.seen.cents : null;
  return (
    <EarJob
      exercise="whole"
      settings={settings}
      phase={talk.phase}
      next={t('ear.onceMore')}
      onGo={() => send({ type: 'go' })}
      onEnd={() => send({ type: 'end' })}
      acts={{ answer: (key) => choose(Number(key)), again: pluck, up, down, upMore, downMore }}
      buttons={talk.phase === 'tuning' ? [{ act: 'go', label: t('ear.itIsDone') }] : []}
      listening={{ listening, instrument }}
      stage={
        <Stage
          name={targetNote(targets[course - 1])}
          under={[message('common.string', { string: course }), aidInWords(talk.aid)]}
          wire={
            <Sized>
              {(width, height) => (
                <TwoStrokes
                  cents={shown}
                  names={[t('ear.itsNote'), t('ear.theString')]}
                  {...{ width, height }}
                />
              )}
            </Sized>
          }
          figure={<Figure talk={talk} shown={shown} course={course} />}
          sentence={sentenceOf(restoring)}
          problem={listening.problem}
        />
      }
      wires={<WireList lines={linesOf(restoring)} onChoose={choose} />}
      line={
        talk.phase === 'resting' ? (
          <AidChoice aid={talk.aid} onChoose={(aid) => send({ type: 'aid', aid })} />
        ) : (
          hands &&
          moves && (
            <PracticeLine hands={hands} course={course}>
              {null}
            </PracticeLine>
          )
        )
      }
    />
  );
}

function useRestoring({ stock, minute, instrument, before }: Props) {
  const { settings } = stock;
  const targets = useStrings(instrument, stock);
  const strings = useMemo(
    () => [...targets].reverse().map(({ course, hz }) => ({ course, hz })),
    [targets],
  );
  // A banjo is tuned from its fifth string, everything else from its thickest.
  const oneTone = strings[0]?.course ?? 1;
  const [chosen, setChosen] = useState(oneTone);
  const run = useEarRun('whole', {
    learnerId: settings.learnerId,
    minute,
  });
  const { talk, send } = useDialogue({
    start: () => NOT_RESTORED,
    machine: restoringTalk,
    world: () => ({ strings, oneTone, now: now(), clock: monotonic() }),
    perform: (effect) => {
      if (effect.type === 'sound') listening.sound(effect.hz);
      else if (effect.type === 'keep')
        run.keepWhole(effect.trials, { instrumentId: instrument.id, aid: effect.aid });
      else run.end();
    },
  });
  const asked = restoringAsked(talk, strings);
  const course = asked ?? chosen;
  const knowledge = useMemo(() => targets.map((target) => ({ target })), [targets]);
  const listening = useListening<number | null>({
    settings,
    strings: knowledge,
    asked,
    intended: (wanted) => wanted,
    practice: async () => ({
      instrument,
      targetsHz: targets.map(({ hz }) => hz),
      detuneCents: putOut(targets.length, newSeed()),
      seed: newSeed(),
      sampleRate: RATE,
    }),
    hear: (report, wanted) => {
      if (report.type !== 'outcome') return;
      const { outcome } = report;
      const who = outcome.kind === 'reading' ? whoSounded(outcome, knowledge, wanted) : null;
      const heard = who?.kind === 'known' ? who.course : null;
      if (heard !== null) setChosen(heard);
      send({ type: 'heard', outcome, asked: wanted, course: heard });
    },
  });
  const choose = (wanted: number) => {
    if (!targets[wanted - 1]) return;
    setChosen(wanted);
    send({ type: 'tone', course: wanted });
  };
  const tones = tonesOf(talk.aid, { strings, oneTone });
  return {
    talk,
    send,
    listening,
    targets,
    course,
    choose,
    tones,
    asked,
    first: before.length === 0,
  };
}

type Restoring = ReturnType<typeof useRestoring>;

function putOut(strings: number, seed: number): number[] {
  const random = seededRandom(seed);
  return Array.from({ length: strings }, () => {
    const cents = between(random, PUT_OUT.least, PUT_OUT.most);
    return random() < 0.7 ? -cents : cents;
  });
}

function sentenceOf({ talk, asked, tones, first, listening }: Restoring): Sentence {
  if (talk.phase === 'told') return restoredInWords(talk.left, talk.tookMs, first);
  if (talk.phase !== 'resting' && talk.phase !== 'over' && listening.source === null)
    return CHOOSE_SOURCE;
  const { phase, notice, aid } = talk;
  return restoringInWords({ phase, notice, aid, course: asked, tones });
}

/** What was put out and what was left: shown only when all is done. */
function linesOf({ talk, targets, course }: Restoring): WireLine[] {
  const order = [...targets].reverse();
  return order.map((target, i) => {
    const [out, left] = talk.phase === 'told' ? [talk.out[i], talk.left[i]] : [];
    const done = talk.phase === 'out' ? talk.out.length > i : talk.left.length > i;
    return {
      course: target.course,
      name: targetNote(target),
      says:
        left === undefined
          ? done
            ? message('ear.stringHeard')
            : message('ear.notHeardYet')
          : message('ear.leftCents', { cents: signed(left) }),
      active: target.course === course,
      chosen: false,
      picture: <OutAndLeft out={out ?? null} left={left ?? null} tolerance={REST} />,
      ...(out !== undefined && { from: signed(out) }),
      ...(left !== undefined && { to: signed(left) }),
      word: talk.phase !== 'told' && done ? message('ear.stringHeard') : '',
    };
  });
}

const AIDS: readonly Aid[] = ['display', 'allTones', 'oneTone', 'memory'];

function AidChoice({
  aid,
  onChoose,
}: {
  readonly aid: Aid;
  readonly onChoose: (aid: Aid) => void;
}) {
  const t = useWords();
  return (
    <SegmentedControl
      aria-label={t('ear.howMuchHelp')}
      data={AIDS.map((value) => ({ value, label: t(aidInWords(value)) }))}
      value={aid}
      onChange={(value) => onChoose(value as Aid)}
    />
  );
}

/** Hidden while it is tuned; what is furthest off once it is done. */
function Figure({
  talk,
  shown,
  course,
}: {
  readonly talk: RestoringTalk;
  readonly shown: number | null;
  readonly course: number;
}) {
  const t = useWords();
  if (talk.phase === 'told') {
    const worst = Math.max(...talk.left.map(Math.abs));
    return <StageFigure figure={inShort(worst)} note={t('ear.centsTheFurthestOff')} />;
  }
  if (shown !== null)
    return <StageFigure figure={t.signed(shown)} note={t('ear.centsStringCourse', { course })} />;
  return (
    <StageFigure
      figure={talk.phase === 'tuning' ? t('bench.hiddenFigure') : '–'}
      note={t('ear.centsShownWhenItIs')}
    />
  );
}
