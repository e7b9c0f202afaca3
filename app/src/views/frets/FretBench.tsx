import { bridgeEndsOf } from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import type { Stock } from '../../data/index.ts';
import { keysOf, Problem, useKeys } from '../../parts/frame/index.ts';
import { ListeningProblem } from '../../parts/listening/index.ts';
import { FretActions } from './FretActions.tsx';
import { FretNeck } from './FretNeck.tsx';
import { FretSide } from './FretSide.tsx';
import { NoteDialog } from './NoteDialog.tsx';
import type { BridgePlace } from './practice.ts';
import { useFretCheck } from './useFretCheck.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly kept: FretCheck;
  readonly bridge: BridgePlace;
  /** Moves the ends of the practice bridge by so much. */
  readonly onMoveBridge: (by: BridgePlace) => void;
  readonly onAgain: () => void;
}

/** One fret check: what is asked for, what was heard, and what it comes to. */
export function FretBench({ instrument, stock, kept, bridge, onMoveBridge, onAgain }: Props) {
  const checking = useFretCheck(instrument, stock, kept, bridge);
  const { listening, talk, send } = checking;
  const { check } = talk;
  const [noting, setNoting] = useState(false);
  const ends =
    instrument.bridge === 'loose' && check.doneAt === null ? bridgeEndsOf(instrument, check) : null;
  const wrong = listening.hands && ends?.some(({ right }) => !right) ? ends : null;
  useKeys(
    keysOf('frets', {
      pluck: checking.pluck,
      skip: () => send({ type: 'skip' }),
      strikeOut: () => send({ type: 'strike out' }),
      takeOther: () => send({ type: 'take other' }),
      note: () => setNoting(true),
      mute: () => listening.hands?.mute(),
    }),
    stock.settings.keysOn && !noting,
  );
  return (
    <>
      <ListeningProblem problem={listening.problem} />
      {checking.problem && <Problem>{checking.problem}</Problem>}
      <div className="bench">
        <FretNeck checking={checking} instrument={instrument} stock={stock} />
        <FretSide checking={checking} instrument={instrument} />
        <FretActions
          checking={checking}
          instrument={instrument}
          wrongBridge={wrong}
          onMoveBridge={onMoveBridge}
          onNote={() => setNoting(true)}
          onAgain={onAgain}
        />
      </div>
      <NoteDialog
        opened={noting}
        onClose={() => setNoting(false)}
        onNote={(text) => {
          send({ type: 'note', text });
          setNoting(false);
        }}
      />
    </>
  );
}
