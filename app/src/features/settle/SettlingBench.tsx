import { NativeSelect, Title } from '@mantine/core';
import { targetName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { Step, StringHistory, Taken } from '@rosefinch/core/settling';
import { LEAST_HEADROOM, STEPS, settlingAdvice } from '@rosefinch/core/settling';
import { type Instrument, stringLoad } from '@rosefinch/core/strings';
import { useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { Action, deviationInWords, KeyList, signedCents, useKeys } from '../../ui/index.ts';
import { InstrumentChoice } from '../instrument/index.ts';
import {
  Announcer,
  allStored,
  BigFigure,
  handKeys,
  handsOn,
  ListeningProblem,
  PracticePanel,
  roomInWords,
  Sources,
  useRinging,
} from '../listening/index.ts';
import { NextLooks } from './NextLooks.tsx';
import { Question } from './Question.tsx';
import { RoomNotes } from './RoomNotes.tsx';
import { SettleCharts } from './SettleCharts.tsx';
import { type Settling, useSettling } from './useSettling.ts';
import { VerdictTable } from './VerdictTable.tsx';
import { lessonInWords, STEP_WORDS } from './words.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly restringing: Restringing;
}

/** Thinner plain steel breaks first, in mm. */
const THIN = 0.3;
const HOUR = 3600;
const NIGHT = 10 * HOUR;

const KEY_WORDS: readonly (readonly [string, string])[] = [
  ['1 – 9', 'choose a string'],
  ['0 or Esc', 'back to automatic'],
  ['X', 'the last reading was something else: pulled, or dropped by itself'],
  ['D', 'hear the target'],
  ['N', 'note the room'],
  ['P', 'practice instrument: pluck'],
  ['S', 'practice instrument: pull the string'],
  ['↑ ↓', 'practice instrument: tighten, loosen a hair; with Shift more'],
  ['M', 'practice instrument: mute'],
  ['?', 'this list'],
];

/** One instrument whose new strings are watched. */
export function SettlingBench({ instrument, stock, restringing }: Props) {
  const { repository } = useData();
  const settling = useSettling(instrument, stock, restringing);
  const [keyList, setKeyList] = useState(false);
  const [noting, setNoting] = useState(false);
  const { listening, sitting, targets, fresh, active, last } = settling;
  const { settings } = stock;
  const course = active ?? fresh[0]?.course ?? 1;
  const note = (c: number) => targetName(targets[c - 1]);
  const correct = () => last && settling.say(last, otherStep(last));
  const hearTarget = () => targets[course - 1] && listening.sound(targets[course - 1]!.hz);
  const choose = (chosen: number | null) => {
    listening.live.leave();
    sitting.record({ type: 'choose', course: chosen });
  };
  const practice = listening.hands;
  const hands = practice && handsOn(practice, instrument, course);
  const pull = () => {
    practice?.mute();
    practice?.stretch(course);
  };
  useKeys(
    {
      x: () => correct(),
      d: hearTarget,
      n: () => setNoting(true),
      '?': () => setKeyList(true),
      '0': () => choose(null),
      Escape: () => choose(null),
      ...Object.fromEntries(targets.map((t) => [String(t.course), () => choose(t.course)])),
      ...(hands && { ...handKeys(hands), s: pull }),
    },
    settings.keysOn && !keyList && !noting && sitting.loaded,
  );
  const finish = async () => {
    if (sitting.session) await repository.endSession(sitting.session.id, settling.now());
    await repository.changeRestringing(restringing.id, { doneAt: settling.now() });
  };
  const problem = settling.problem;
  const ahead = restringing.practiceAheadMs ?? 0;
  return (
    <>
      <ListeningProblem problem={listening.problem} />
      {problem && (
        <div className="problem" role="alert">
          <strong>{problem}</strong>
        </div>
      )}
      <div className="bench">
        <section className="bench-strings" aria-label="Strings over time">
          <div className="bench-head">
            <Title order={1}>Settle {instrument.name}</Title>
            <InstrumentChoice shelf={stock.shelf} instrument={instrument} />
            <Sources
              listening={listening}
              kind={instrument.kind}
              settings={settings}
              disabled={!sitting.loaded}
            />
          </div>
          <SettleCharts
            settling={settling}
            restringing={restringing}
            tolerance={sitting.state.goal.tolerance}
            onChoose={(wanted) => choose(sitting.state.chosen === wanted ? null : wanted)}
          />
          <VerdictTable
            settling={settling}
            minutes={restringing.lessonMinutes}
            zone={restringing.zone}
            note={note}
          />
          <div className="strip">
            {roomInWords(listening.room)}
            {ahead > 0 && ` · practice time is ${Math.round(ahead / 3.6e6)} hours ahead`}
          </div>
          {hands && (
            <PracticePanel hands={hands} course={course}>
              <Action onAct={pull} hotkey="S">
                Pull string {course}
              </Action>
              <Action onAct={() => settling.elapse(HOUR)}>An hour passes</Action>
              <Action onAct={() => settling.elapse(NIGHT)}>A night passes</Action>
            </PracticePanel>
          )}
        </section>
        <section className="bench-side" aria-label="What to do">
          <Now settling={settling} />
          <Advice settling={settling} instrument={instrument} restringing={restringing} />
          <Question settling={settling} />
        </section>
        <section className="bench-more" aria-label="Actions and looks">
          <div className="actions">
            <Action onAct={correct} hotkey="X" disabled={!last || last.step === 'left out'}>
              It was something else
            </Action>
            <Action onAct={hearTarget} hotkey="D">
              Hear {note(course)}
            </Action>
            <Action onAct={() => setNoting(true)} hotkey="N">
              Note the room
            </Action>
            <Action onAct={() => setKeyList(true)} hotkey="?">
              Keys
            </Action>
            <Action onAct={() => void finish()}>They have settled</Action>
          </div>
          <NativeSelect
            label="The last reading was"
            mt="sm"
            disabled={!last}
            data={STEPS.map((step) => ({ value: step, label: STEP_WORDS[step] }))}
            value={last?.step ?? 'first'}
            onChange={(event) => last && settling.say(last, event.currentTarget.value as Step)}
          />
          <NextLooks settling={settling} restringing={restringing} instrument={instrument} />
        </section>
      </div>
      <RoomNotes
        log={sitting.log}
        move={settling.roomMove}
        opened={noting}
        onClose={() => setNoting(false)}
        onNote={(room) => sitting.record({ type: 'room note', note: room })}
      />
      <Announcer
        log={sitting.log}
        targets={targets}
        tolerance={sitting.state.goal.tolerance}
        hidden={false}
        spoken={settings.spokenArrival}
      />
      <KeyList
        keys={KEY_WORDS}
        opened={keyList}
        onClose={() => setKeyList(false)}
        keysOn={settings.keysOn}
        onKeysOn={(keysOn) => void repository.saveSettings({ keysOn })}
      />
    </>
  );
}

/** What a reading most likely was, if it was not what it was taken for. */
function otherStep({ step }: Taken): Step {
  return step === 'stretched' ? 'waited' : 'stretched';
}

function Now({ settling: { listening, targets, sitting, last } }: { settling: Settling }) {
  const ringing = useRinging(listening.live);
  const course = ringing?.course ?? last?.course;
  const target = targets.find((t) => t.course === course);
  const cents = ringing?.cents ?? last?.cents ?? null;
  const step = ringing || !last ? '' : `, ${STEP_WORDS[last.step]}`;
  return (
    <BigFigure
      name={target ? `string ${target.course} · ${targetName(target)}` : 'no string yet'}
      figure={cents === null ? '–' : signedCents(cents)}
      stored={allStored(sitting.log)}
      note={
        cents === null
          ? ' '
          : `cents, ${deviationInWords(cents, sitting.state.goal.tolerance)}${step}`
      }
    />
  );
}

interface AdviceProps {
  readonly settling: Settling;
  readonly instrument: Instrument;
  readonly restringing: Restringing;
}

function Advice({ settling, instrument, restringing }: AdviceProps) {
  const { fresh, targets, report, notice, sitting, active } = settling;
  const strings = fresh.map((history) => {
    const { course } = history;
    const target = targets[course - 1];
    const spec = instrument.courses[course - 1]?.strings[0]?.spec;
    return {
      course,
      note: target ? targetName(target) : '',
      headroom: (target && stringLoad(instrument, course, target.hz)?.headroom) ?? LEAST_HEADROOM,
      thin:
        spec !== undefined && !spec.wound && spec.material === 'steel' && spec.diameterMm < THIN,
      state: report?.strings.find((string) => sameReadings(string.history, history)) ?? null,
    };
  });
  const lesson = lessonInWords(restringing.lessonMinutes);
  const advice = notice ?? settlingAdvice(strings, active, sitting.state.goal.tolerance, lesson);
  return (
    <div role="status" aria-live="polite">
      <p className="advice">{advice.say}</p>
      <p className="advice-more">{advice.more}</p>
    </div>
  );
}

/** The fit is of these very readings, not of those before the last pluck. */
function sameReadings(a: StringHistory, b: StringHistory): boolean {
  const last = (h: StringHistory) => `${h.taken.length} ${h.taken.at(-1)?.step}`;
  return a.course === b.course && last(a) === last(b);
}
