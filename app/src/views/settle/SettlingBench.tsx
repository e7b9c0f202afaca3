import { targetName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import {
  type KeyActs,
  KeyList,
  keysOf,
  keyWords,
  Problem,
  useKeys,
} from '../../parts/frame/index.ts';
import {
  Announcer,
  type Hands,
  handActs,
  handsOn,
  ListeningProblem,
} from '../../parts/listening/index.ts';
import { RoomNotes } from './RoomNotes.tsx';
import { SettleActions } from './SettleActions.tsx';
import { SettleSide } from './SettleSide.tsx';
import { SettleStrings } from './SettleStrings.tsx';
import { type Settling, useSettling } from './useSettling.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly restringing: Restringing;
}

/** One instrument whose new strings are watched. */
export function SettlingBench({ instrument, stock, restringing }: Props) {
  const { repository } = useData();
  const settling = useSettling(instrument, stock, restringing);
  const [keyList, setKeyList] = useState(false);
  const [noting, setNoting] = useState(false);
  const { listening, sitting, targets, talk, course } = settling;
  const { settings } = stock;
  const note = (c: number) => targetName(targets[c - 1]);
  const hands = listening.hands && handsOn(listening.hands, instrument, course);
  const pull = () => {
    listening.hands?.mute();
    listening.hands?.stretch(course);
  };
  const opened = { keys: () => setKeyList(true), noting: () => setNoting(true) };
  const acts = { ...opened, pull: hands && pull };
  const keysOn = settings.keysOn && !keyList && !noting && sitting.loaded;
  useKeys(keysOf('settle', settleActs(settling, hands, acts)), keysOn);
  const all = { settling, instrument, stock, restringing, note };
  return (
    <>
      <ListeningProblem problem={listening.problem} />
      {settling.problem && <Problem>{settling.problem}</Problem>}
      <div className="bench">
        <SettleStrings {...all} hands={hands} onPull={pull} />
        <SettleSide {...all} />
        <SettleActions {...all} onNote={opened.noting} onKeys={opened.keys} />
      </div>
      <RoomNotes
        log={sitting.log}
        move={settling.roomMove}
        opened={noting}
        onClose={() => setNoting(false)}
        onNote={(room) => sitting.record({ type: 'room note', note: room })}
      />
      <Announcer
        newest={talk.newest}
        targets={targets}
        tolerance={sitting.state.goal.tolerance}
        hidden={false}
        spoken={settings.spokenArrival}
      />
      <KeyList
        keys={keyWords('settle')}
        opened={keyList}
        onClose={() => setKeyList(false)}
        keysOn={settings.keysOn}
        onKeysOn={(keysOn) => void repository.saveSettings({ keysOn })}
      />
    </>
  );
}

interface Acts {
  readonly keys: () => void;
  readonly noting: () => void;
  readonly pull: (() => void) | null;
}

function settleActs(
  { send, targets }: Settling,
  hands: Hands | null,
  { keys, noting, pull }: Acts,
): KeyActs<'settle'> {
  const chosen = (key: string) => {
    if (Number(key) <= targets.length) send({ type: 'choose', course: Number(key) });
  };
  return {
    string: chosen,
    automatic: () => send({ type: 'choose', course: null }),
    correct: () => send({ type: 'correct' }),
    target: () => send({ type: 'sound target' }),
    room: noting,
    pull,
    ...handActs(hands),
    keys,
  };
}
