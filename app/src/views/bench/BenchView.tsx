import { actAsked, benchSaying, isByEar, pegRound, windingRound } from '@rosefinch/core/dialogue';
import { list, type Message, message, type Value } from '@rosefinch/core/message';
import { STANDARD_A4, type Target, targetNote } from '@rosefinch/core/music';
import { kindInWords } from '@rosefinch/core/sentences';
import { allInTune, currentPass, passDone } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';
import { IconEye } from '@tabler/icons-react';
import { type ComponentProps, lazy, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { inHandOf, type Stock, useData, useStock } from '../../data/index.ts';
import { Dialog, IconAction, KEY_TABLE, useDrop } from '../../parts/frame/index.ts';
import {
  Announcer,
  type Hands,
  handsOn,
  PracticeLine,
  roomInWords,
  Truth,
  useJobHere,
  windingHands,
} from '../../parts/listening/index.ts';
import { type FootButton, Job, useUsualSource } from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { PracticeHands } from '../../sound/index.ts';
import { BenchStage } from './BenchStage.tsx';
import { BenchWires } from './BenchWires.tsx';
import { benchActs } from './benchActs.ts';
import { type Bench, useBench } from './useBench.ts';
import { useByAddress } from './useByAddress.ts';
import { perchesByCourse } from './wireLines.ts';

const RecordingButton = lazy(() =>
  import('../../parts/recordings/index.ts').then(({ RecordingButton }) => ({
    default: RecordingButton,
  })),
);
const WhichOne = lazy(() =>
  import('./WhichOne.tsx').then(({ WhichOne: Shown }) => ({ default: Shown })),
);
// Wanted once in a life: the bench need not carry it.
const FirstUse = lazy(() => import('./FirstUse.tsx'));

/** The side from which the pegs are drawn next. */
const OTHER_SIDE = { playing: 'facing', facing: 'table', table: 'playing' } as const;

/** The bench: picks the instrument, or asks for a first one on an empty shelf. */
export function BenchView() {
  const t = useWords();
  const stock = useStock();
  const [search] = useSearchParams();
  useJobHere();
  if (!stock) return <p>{t('common.moment')}</p>;
  const instrument = inHandOf(stock);
  // Another one may be put on the shelf by a strum.
  if (!instrument || search.has('new')) return <FirstUse stock={stock} />;
  return (
    <BenchOf
      key={`${instrument.id} ${instrument.tuningId} ${instrument.capo}`}
      instrument={instrument}
      stock={stock}
    />
  );
}

interface OfProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
}

function BenchOf({ instrument, stock }: OfProps) {
  const t = useWords();
  const bench = useBench(instrument, stock);
  const { sitting, listening, talk, course, check, targets, a4, send } = bench;
  const { settings } = stock;
  const { repository } = useData();
  const [showTruth, setShowTruth] = useState(false);
  const usual = useUsualSource();
  useByAddress(bench);
  const comparing = talk.led.kind === 'pair' && talk.led.beat === null ? check : null;
  const winds = windingRound(talk.led) !== null;
  const hands = useMemo(
    () =>
      listening.hands &&
      (winds
        ? windingHands(listening.hands, course)
        : handsOn(listening.hands, instrument, course, comparing)),
    [listening.hands, instrument, course, comparing, winds],
  );
  const perches = useMemo(() => perchesByCourse(sitting.log, targets), [sitting.log, targets]);
  const truth = () => setShowTruth((is) => !is);
  const recording = { instrument, targets, a4, tolerance: settings.tolerance };
  return (
    <Job
      view="bench"
      title={t('bench.benchName', { name: instrument.name })}
      settings={settings}
      acts={benchActs(bench, hands, truth)}
      buttons={buttonsOf(bench)}
      more={[
        { label: t('bench.startAfresh'), act: () => send({ type: 'start afresh' }) },
        {
          label: t('bench.turnPegDrawing'),
          act: () => void repository.saveSettings({ pegsSeen: OTHER_SIDE[settings.pegsSeen] }),
        },
        ...loosenings(listening.hands, instrument, course),
      ]}
      listening={{
        listening,
        kind: instrument.kind,
        disabled: !sitting.loaded,
        usual,
        other: <RecordingButton place={recording} />,
      }}
      says={wordsOf(bench)}
      busy={!sitting.loaded}
      stage={<BenchStage bench={bench} perches={perches} />}
      wires={<BenchWires bench={bench} perches={perches} />}
      line={hands && <HandsOf {...{ hands, bench, showTruth, truth }} />}
    >
      <DroppedRecording place={recording} />
      {bench.round && <WhichOne round={bench.round} />}
      <Announcer
        newest={talk.newest}
        targets={targets}
        tolerance={sitting.state.goal.tolerance}
        hidden={isByEar(talk)}
        say={settings.spokenArrival ? listening.say : null}
        pulses={settings.pulse}
        done={allInTune(sitting.state)}
      />
    </Job>
  );
}

/** A recording can be dropped anywhere on the page. */
function DroppedRecording({ place }: Pick<ComponentProps<typeof RecordingButton>, 'place'>) {
  const t = useWords();
  const [file, setFile] = useState<File | null>(null);
  useDrop(setFile);
  return (
    <Dialog title={t('bench.aRecording')} opened={file !== null} onClose={() => setFile(null)}>
      {file && <RecordingButton key={`${file.name} ${file.size}`} place={place} dropped={file} />}
    </Dialog>
  );
}

/** What is done most at the bench. */
function buttonsOf({ talk, world, targets, course, round }: Bench): FootButton<'bench'>[] {
  const { led } = talk;
  const asked = actAsked(benchSaying(talk, world));
  if (round)
    return [
      // While the round asks for a strum, or whose strings these are, the hands do it or an answer beside.
      {
        act: 'accept',
        label: acceptsAs(led),
        filled: round.sentence === null && asked === 'accept',
      },
      { act: 'which', label: message('bench.anotherOne') },
      { act: 'skipInstrument', label: message('bench.skip') },
      { act: 'needsString', label: message('bench.needsAString') },
    ];
  const hidden = isByEar(talk);
  return [
    { act: 'accept', label: acceptsAs(led), filled: asked === 'accept' },
    { act: 'target', label: message('bench.hearValue', { value: noteOf(targets[course - 1]) }) },
    {
      act: 'byEar',
      label: hidden ? message('bench.showFigures') : message('bench.byEar2'),
      pressed: hidden,
    },
    { act: 'nextPass', label: message('bench.nextPass'), filled: asked === 'next pass' },
  ];
}

function noteOf(target: Target | undefined): Value {
  return target ? targetNote(target) : '';
}

function acceptsAs(led: Bench['talk']['led']): Message {
  const winding = windingRound(led);
  if (winding && !winding.inSession)
    return winding.toCome.length > 0 ? message('bench.leaveString') : message('bench.goOnToTuning');
  return (pegRound(led)?.toCome.length ?? 0) > 0
    ? message('bench.skipPeg')
    : message('bench.acceptNext');
}

/** The room, and where the work stands. */
function wordsOf(bench: Bench): Value {
  const { instrument, listening, sitting, source, way, capo, a4 } = bench;
  const { state } = sitting;
  const practising =
    listening.source !== 'practice'
      ? []
      : [
          source.practice
            ? message('bench.practising', { instrument: instrument.name })
            : message('bench.practiceStandsFor', {
                kind: kindInWords(instrument.kind),
                instrument: instrument.name,
              }),
        ];
  const { number } = currentPass(state);
  return list(
    [
      ...(bench.round ? [bench.round.head] : []),
      roomInWords(listening.room),
      passDone(state)
        ? message('bench.passDone', { pass: number })
        : message('bench.pass', { pass: number }),
      ...(a4 === STANDARD_A4 ? [] : [message('common.a4', { a4 })]),
      ...(way?.far ? [message('bench.nextStrings', { strings: list(way.next, 'then') })] : []),
      ...(way && way.unforeseen.length > 0
        ? [message('bench.unforeseen', { strings: list(way.unforeseen) })]
        : []),
      ...(way?.retuning && capo > 0 ? [message('bench.fretsFromCapo')] : []),
      ...practising,
    ],
    'points',
  );
}

/** Ways to find the practice strings far off, as new ones are, or strings from another tuning. */
function loosenings(practice: PracticeHands | null, { courses }: Instrument, course: number) {
  if (!practice) return [];
  const loosenAll = (by: (i: number) => Cents) =>
    courses.forEach((_, i) => practice.slacken(i + 1, by(i)));
  return [
    {
      label: message('bench.practiceOneNew', { string: course }),
      act: () => practice.slacken(course, NEW_STRINGS[0]),
    },
    {
      label: message('bench.practiceAllNew'),
      act: () => loosenAll((i) => NEW_STRINGS[i % NEW_STRINGS.length] ?? 0),
    },
    { label: message('bench.practiceTunedDown'), act: () => loosenAll(() => TUNED_DOWN) },
  ];
}

/** How far below their notes a new set is found, string by string. */
const NEW_STRINGS = [520, 380, 640, 450, 710, 330] as const satisfies readonly Cents[];
const TUNED_DOWN: Cents = 200;

interface HandsProps {
  readonly hands: Hands;
  readonly bench: Bench;
  readonly showTruth: boolean;
  readonly truth: () => void;
}

function HandsOf({ hands, bench: { course, listening }, showTruth, truth }: HandsProps) {
  const t = useWords();
  return (
    <PracticeLine hands={hands} course={course}>
      <IconAction
        label={t('bench.whereTheyTrulyAre')}
        hotkey={KEY_TABLE.bench.truth.shown}
        pressed={showTruth}
        onAct={truth}
      >
        <IconEye size={20} />
      </IconAction>
      {showTruth && listening.truth && <Truth deviations={listening.truth} />}
    </PracticeLine>
  );
}
