import {
  bridgeEndsOf,
  type EndUnder,
  isBridgeCheck,
  MOST_PLUCKS,
  shareDone,
} from '@rosefinch/core/intonation';
import { list, type Message, message } from '@rosefinch/core/message';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Stock } from '../../data/index.ts';
import { Sized } from '../../parts/charts/index.ts';
import { keyLines, useKeys } from '../../parts/frame/index.ts';
import { roomInWords } from '../../parts/listening/index.ts';
import {
  type FootButton,
  Job,
  type JobActs,
  type PlainAction,
  useUsualSource,
} from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { FretMap } from './FretMap.tsx';
import { FretResult } from './FretResult.tsx';
import { FretStage, fretSentence } from './FretStage.tsx';
import { NoteDialog } from './NoteDialog.tsx';
import { OctaveWires } from './OctaveWires.tsx';
import type { BridgePlace } from './practice.ts';
import { type FretChecking, useFretCheck } from './useFretCheck.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly kept: FretCheck;
  readonly bridge: BridgePlace;
  /** Moves the ends of the practice bridge by so much. */
  readonly onMoveBridge: (by: BridgePlace) => void;
  readonly onAgain: () => void;
}

/** One fret check: what is asked for and what was heard, and on a page of its own what it comes to. */
export function FretBench(props: Props) {
  const { instrument, stock, kept, bridge } = props;
  const checking = useFretCheck(instrument, stock, kept, bridge);
  const [search, setSearch] = useSearchParams();
  // By the check: the next one, or another instrument's, begins with what is asked for.
  const comesTo = search.get('result') === kept.id;
  const toggle = () => setSearch(comesTo ? {} : { result: kept.id });
  const { settings } = stock;
  const back = keyLines('frets').flatMap(([act, { keys }]) => (act === 'result' ? keys : []));
  useKeys(Object.fromEntries(back.map((key) => [key, toggle])), comesTo && settings.keysOn);
  if (comesTo) return <FretResult {...{ checking, instrument, stock }} onBack={toggle} />;
  return <Checking {...props} checking={checking} onResult={toggle} />;
}

interface CheckingProps extends Props {
  readonly checking: FretChecking;
  readonly onResult: () => void;
}

function Checking(props: CheckingProps) {
  const t = useWords();
  const { checking, instrument, stock, onResult } = props;
  const { listening, talk, send, targets, judgement, asked } = checking;
  const { check } = talk;
  const [noting, setNoting] = useState(false);
  const usual = useUsualSource();
  const more = moreOf(props);
  const sentence = fretSentence(checking, instrument);
  useSpoken(t(sentence.say), stock.settings.spokenArrival ? listening.say : null);
  return (
    <Job
      view="frets"
      title={t('frets.fretsName', { name: instrument.name })}
      settings={stock.settings}
      acts={fretActs(checking, { note: () => setNoting(true), result: onResult })}
      buttons={buttonsOf(checking, more)}
      more={more}
      listening={{ listening, kind: instrument.kind, usual }}
      says={list([roomInWords(listening.room), doneInWords(check)], 'points')}
      asleep={noting}
      stage={<FretStage {...{ checking, instrument, sentence }} />}
      wires={
        <div className="fret-band">
          <Sized>
            {(width, height) =>
              isBridgeCheck(check) ? (
                <OctaveWires {...{ instrument, check, targets, width, height }} />
              ) : (
                <FretMap
                  {...{ check, targets, asked, width, height }}
                  leftHanded={instrument.leftHanded}
                  explanations={judgement.explanations}
                />
              )
            }
          </Sized>
        </div>
      }
    >
      <NoteDialog
        opened={noting}
        onClose={() => setNoting(false)}
        onNote={(text) => {
          send({ type: 'note', text });
          setNoting(false);
        }}
      />
    </Job>
  );
}

/** Says each new sentence aloud, where that is wanted; the one that stands there at first is read. */
function useSpoken(text: string, say: ((text: string, right: boolean) => void) | null): void {
  const said = useRef(text);
  useEffect(() => {
    if (said.current === text) return;
    said.current = text;
    say?.(text, true);
  }, [text, say]);
}

function doneInWords(check: FretCheck): Message {
  if (!check.led && !check.proves)
    return message('frets.shareDone', {
      percent: Math.round(100 * shareDone(check)),
    });
  const read = check.readings.filter(({ struckOut }) => !struckOut).length;
  return check.proves
    ? message('frets.plucksRead', {
        plucks: read,
      })
    : message('frets.plucksReadOf', { plucks: read, most: MOST_PLUCKS });
}

type Acts = Pick<JobActs<'frets'>, 'note' | 'result'>;

function fretActs(checking: FretChecking, { note, result }: Acts): JobActs<'frets'> {
  const { listening, asked, talk, send } = checking;
  const { hands } = listening;
  const read = talk.check.readings.length > 0;
  return {
    pluck: hands && asked ? checking.pluck : null,
    skip: asked ? () => send({ type: 'skip' }) : null,
    strikeOut: read ? () => send({ type: 'strike out' }) : null,
    takeOther: talk.other ? () => send({ type: 'take other' }) : null,
    note: read ? note : null,
    result,
    mute: hands && (() => hands.mute()),
  };
}

/** While something is asked for it is sounded or left out; then what it comes to is next. */
function buttonsOf(
  { listening, asked, talk }: FretChecking,
  more: readonly PlainAction[],
): FootButton<'frets'>[] {
  const result = { act: 'result', label: message('frets.whatItComesTo') } as const;
  const strike = { act: 'strikeOut', label: message('frets.leaveLastOut') } as const;
  const skip = { act: 'skip', label: message('frets.leaveItOut') } as const;
  if (!asked) return [{ ...result, filled: true }, ...more];
  return listening.hands
    ? [
        { act: 'pluck', label: message('frets.soundIt'), filled: talk.other === null },
        skip,
        strike,
        result,
      ]
    : [skip, strike, result];
}

function moreOf({ checking, instrument, onMoveBridge, onAgain }: CheckingProps): PlainAction[] {
  const { listening, talk, send } = checking;
  const { check } = talk;
  const finish = () => send({ type: 'finish' });
  if (check.doneAt !== null) return [{ label: message('frets.checkAgain'), act: onAgain }];
  const wrong = listening.hands ? wrongEnds(instrument, check) : null;
  const moveBridge = (ends: readonly EndUnder[]) => {
    const [last = 0, first = 0] = ends.map(({ mm, right }) => (right ? 0 : mm));
    onMoveBridge({ firstMm: first, lastMm: last });
    finish();
    onAgain();
  };
  return [
    { label: message('frets.thatIsEnough'), act: finish },
    ...(wrong
      ? [{ label: message('frets.moveThePracticeBridgeSo'), act: () => moveBridge(wrong) }]
      : []),
  ];
}

/** Ends of a bridge that can be moved, where their own check shows one of them wrong. */
function wrongEnds(instrument: Instrument, check: FretCheck): readonly EndUnder[] | null {
  const moves = instrument.bridge !== 'fixed' && isBridgeCheck(check);
  const ends = moves ? bridgeEndsOf(instrument, check) : null;
  return ends?.some(({ right }) => !right) ? ends : null;
}
