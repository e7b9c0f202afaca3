import { list, message, type Value } from '@rosefinch/core/message';
import { targetNote } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import { type Instrument, stringOfDigit } from '@rosefinch/core/strings';
import { useMemo, useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { Dialog } from '../../parts/frame/index.ts';
import {
  Announcer,
  type Hands,
  handActs,
  handsOn,
  roomInWords,
} from '../../parts/listening/index.ts';
import { type FootButton, Job, type JobActs, useUsualSource } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { chartsOf, type TimeKind } from './charts.ts';
import { LessonForm } from './LessonForm.tsx';
import { Looks, nextLookInWords, saveLooks } from './looks.tsx';
import { RoomNotes } from './RoomNotes.tsx';
import { SettleLine } from './SettleLine.tsx';
import { SettleStage } from './SettleStage.tsx';
import { settleLines } from './settleLines.tsx';
import { isDone } from './settleSentence.ts';
import { type Settling, useSettling } from './useSettling.ts';
import { VerdictTable } from './VerdictTable.tsx';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly restringing: Restringing;
}

/** What lies over the job. */
type Over = 'room' | 'stand' | 'lesson' | null;

/** One instrument whose new strings are watched. */
export function SettlingBench({ instrument, stock, restringing }: Props) {
  const t = useWords();
  const settling = useSettling(instrument, stock, restringing);
  const [over, setOver] = useState<Over>(null);
  const [time, setTime] = useState<TimeKind>('log');
  const usual = useUsualSource();
  const finish = useFinish(settling, restringing);
  const { listening, sitting, targets, talk, course, send } = settling;
  const { settings } = stock;
  const { hands: playing } = listening;
  const hands = useMemo(
    () => playing && handsOn(playing, instrument, course),
    [playing, instrument, course],
  );
  const pull = () => {
    playing?.mute();
    playing?.stretch(course);
  };
  const closed = () => setOver(null);
  const charts = chartsOf(settling, restringing, time);
  const acts = settleActs(instrument, settling, hands, {
    room: () => setOver('room'),
    stand: () => setOver('stand'),
    calendar: restringing.looks.length > 0 ? () => saveLooks(restringing, instrument, t) : null,
    pull: hands && pull,
  });
  const { chosen } = sitting.state;
  return (
    <Job
      view="settle"
      title={t('settle.settleName', { name: instrument.name })}
      settings={settings}
      acts={acts}
      buttons={buttonsOf(settling)}
      more={[
        { label: t('settle.theLessonTheyMustHold'), act: () => setOver('lesson') },
        { label: t('settle.theyHaveSettled'), act: () => void finish() },
      ]}
      listening={{ listening, kind: instrument.kind, disabled: !sitting.loaded, usual }}
      says={wordsOf(settling, restringing)}
      asleep={over !== null}
      busy={!sitting.loaded}
      stage={
        <SettleStage
          {...{ settling, instrument, restringing, charts }}
          pegsSeen={settings.pegsSeen}
        />
      }
      wires={
        <WireList
          wide
          short
          lines={settleLines(settling, instrument, restringing, charts)}
          onChoose={(wanted) => send({ type: 'choose', course: chosen === wanted ? null : wanted })}
        />
      }
      line={<SettleLine {...{ settling, hands, time }} onPull={pull} onTime={setTime} />}
    >
      <HowTheyStand {...{ settling, restringing }} opened={over === 'stand'} onClose={closed} />
      <Dialog title={t('settle.theLessonTheyMustHold')} opened={over === 'lesson'} onClose={closed}>
        <LessonForm restringing={restringing} onDone={closed} />
      </Dialog>
      <RoomNotes
        log={sitting.log}
        move={settling.roomMove}
        opened={over === 'room'}
        onClose={closed}
        onNote={(room) => sitting.record({ type: 'room note', note: room })}
      />
      <Announcer
        newest={talk.newest}
        targets={targets}
        tolerance={sitting.state.goal.tolerance}
        hidden={false}
        say={settings.spokenArrival ? listening.say : null}
        pulses={settings.pulse}
      />
    </Job>
  );
}

interface StandProps {
  readonly settling: Settling;
  readonly restringing: Restringing;
  readonly opened: boolean;
  readonly onClose: () => void;
}

/** Every string's verdict with its span, and when to check again. */
function HowTheyStand({ settling, restringing, opened, onClose }: StandProps) {
  const t = useWords();
  return (
    <Dialog title={t('settle.howTheyStand')} size="xl" opened={opened} onClose={onClose}>
      <VerdictTable
        settling={settling}
        minutes={restringing.lessonMinutes}
        clock={{ now: settling.now(), zone: restringing.zone }}
        note={(course) => targetNote(settling.targets[course - 1])}
      />
      <Looks settling={settling} restringing={restringing} />
    </Dialog>
  );
}

function buttonsOf({ targets, course, last, step, question }: Settling): FootButton<'settle'>[] {
  const wrong = last !== null && last.step !== 'left out';
  return [
    { act: 'nextString', label: message('settle.nextString') },
    {
      act: 'target',
      label: message('settle.hearValue', { value: targetNote(targets[course - 1]) }),
    },
    ...(wrong ? [{ act: 'correct', label: message('settle.somethingElse') } as const] : []),
    {
      act: 'stand',
      label: message('settle.howTheyStand'),
      filled: question === null && isDone(step),
    },
  ];
}

/** The room, the work so far, and when to check again. */
function wordsOf(settling: Settling, restringing: Restringing): Value {
  const { listening, fresh } = settling;
  const { practiceAheadMs = 0 } = restringing;
  const plucks = fresh.reduce((sum, { taken }) => sum + taken.length, 0);
  const hours = Math.round(practiceAheadMs / 3_600_000);
  const look = nextLookInWords(settling, restringing);
  return list(
    [
      ...(settling.roomMove ? [message('settle.roomMovedStrings')] : []),
      ...(look ? [look] : []),
      ...(hours > 0 ? [message('settle.practiceAhead', { hours })] : []),
      message('settle.plucksCounted', { plucks }),
      roomInWords(listening.room),
    ],
    'points',
  );
}

type Acts = Pick<JobActs<'settle'>, 'room' | 'stand' | 'calendar' | 'pull'>;

function settleActs(
  instrument: Instrument,
  settling: Settling,
  hands: Hands | null,
  acts: Acts,
): JobActs<'settle'> {
  const { send, fresh, course } = settling;
  const chosen = (key: string) => {
    const string = stringOfDigit(instrument, Number(key), course);
    if (string !== null) send({ type: 'choose', course: string });
  };
  const at = fresh.findIndex((history) => history.course === course);
  const next = fresh[(at + 1) % fresh.length];
  return {
    string: chosen,
    automatic: () => send({ type: 'choose', course: null }),
    nextString: next ? () => send({ type: 'choose', course: next.course }) : null,
    correct: () => send({ type: 'correct' }),
    target: () => send({ type: 'sound target' }),
    ...handActs(hands),
    ...acts,
  };
}

function useFinish({ sitting, now }: Settling, { id }: Restringing) {
  const { repository } = useData();
  return async () => {
    if (sitting.session) await repository.endSession(sitting.session.id, now());
    await repository.changeRestringing(id, { doneAt: now() });
  };
}
