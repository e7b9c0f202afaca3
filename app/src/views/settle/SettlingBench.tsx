import { targetName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import { type Instrument, stringOfDigit } from '@rosefinch/core/strings';
import { counted } from '@rosefinch/core/words';
import { useMemo, useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { locale } from '../../environment.ts';
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
import { chartsOf, type TimeKind } from './charts.ts';
import { LessonForm } from './LessonForm.tsx';
import { Looks, nextLookInWords, saveLooks } from './looks.tsx';
import { RoomNotes } from './RoomNotes.tsx';
import { SettleLine } from './SettleLine.tsx';
import { SettleStage } from './SettleStage.tsx';
import { settleLines } from './settleLines.tsx';
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
    calendar: restringing.looks.length > 0 ? () => saveLooks(restringing, instrument) : null,
    pull: hands && pull,
  });
  const { chosen } = sitting.state;
  return (
    <Job
      view="settle"
      title={`Settle: ${instrument.name}`}
      settings={settings}
      acts={acts}
      buttons={buttonsOf(settling)}
      more={[
        { label: 'The lesson they must hold', act: () => setOver('lesson') },
        { label: 'They have settled', act: () => void finish() },
      ]}
      listening={{ listening, kind: instrument.kind, disabled: !sitting.loaded, usual }}
      says={wordsOf(settling, restringing)}
      asleep={over !== null}
      busy={!sitting.loaded}
      stage={<SettleStage {...{ settling, instrument, restringing, charts }} />}
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
      <Dialog title="The lesson they must hold" opened={over === 'lesson'} onClose={closed}>
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

/** Every string's verdict with its span, and when to look again. */
function HowTheyStand({ settling, restringing, opened, onClose }: StandProps) {
  return (
    <Dialog title="How they stand" size="xl" opened={opened} onClose={onClose}>
      <VerdictTable
        settling={settling}
        minutes={restringing.lessonMinutes}
        clock={{ now: settling.now(), zone: restringing.zone, reader: locale() }}
        note={(course) => targetName(settling.targets[course - 1])}
      />
      <Looks settling={settling} restringing={restringing} />
    </Dialog>
  );
}

function buttonsOf({ targets, course, last }: Settling): FootButton<'settle'>[] {
  const wrong = last !== null && last.step !== 'left out';
  return [
    { act: 'nextString', label: 'Next string' },
    { act: 'target', label: `Hear ${targetName(targets[course - 1])}` },
    ...(wrong ? [{ act: 'correct', label: 'Something else' } as const] : []),
    { act: 'stand', label: 'How they stand' },
  ];
}

/** The room, the work so far, and when to look again. */
function wordsOf(settling: Settling, restringing: Restringing): string {
  const { listening, fresh } = settling;
  const { practiceAheadMs = 0 } = restringing;
  const plucks = fresh.reduce((sum, { taken }) => sum + taken.length, 0);
  const hours = Math.round(practiceAheadMs / 3_600_000);
  return [
    settling.roomMove && 'the room moved the strings (N)',
    nextLookInWords(settling, restringing),
    hours > 0 && `practice time is ${counted(hours, 'hour')} ahead`,
    counted(plucks, 'pluck'),
    roomInWords(listening.room),
  ]
    .filter(Boolean)
    .join(' · ');
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
