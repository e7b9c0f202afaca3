import type { Instrument } from '@rosefinch/core/strings';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { type Stock, useData, useStock } from '../../data/index.ts';
import { KeyList, keyWords, Problem, useKeys } from '../../parts/frame/index.ts';
import { Announcer, handsOn, ListeningProblem } from '../../parts/listening/index.ts';
import { BenchActions } from './BenchActions.tsx';
import { BenchSide } from './BenchSide.tsx';
import { BenchStrings } from './BenchStrings.tsx';
import { FirstUse } from './FirstUse.tsx';
import { keyMap } from './keyMap.ts';
import { type Bench, useBench } from './useBench.ts';

/** The bench: picks the instrument, or offers a first one on an empty shelf. */
export function BenchView() {
  const stock = useStock();
  if (!stock) return <p>One moment …</p>;
  const { settings, shelf } = stock;
  const instrument = shelf.find((entry) => entry.id === settings.instrumentId) ?? shelf[0];
  if (!instrument) return <FirstUse />;
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
  const bench = useBench(instrument, stock);
  const { sitting, listening, talk, course, check } = bench;
  const [showTruth, setShowTruth] = useState(false);
  const [keyList, setKeyList] = useState(false);
  usePracticeByAddress(bench);
  const comparing = talk.led.kind === 'pair' && talk.led.beat === null ? check : null;
  const hands = useMemo(
    () => listening.hands && handsOn(listening.hands, instrument, course, comparing),
    [listening.hands, instrument, course, comparing],
  );
  const acts = { truth: () => setShowTruth((is) => !is), keys: () => setKeyList(true) };
  const keysOn = stock.settings.keysOn && !keyList && sitting.loaded;
  useKeys(keyMap(bench, acts, hands), keysOn);
  return (
    <>
      <ListeningProblem problem={listening.problem} />
      {bench.problem && <Problem>{bench.problem}</Problem>}
      <div className="bench" aria-busy={!sitting.loaded}>
        <BenchStrings bench={bench} hands={hands} showTruth={showTruth} onTruth={acts.truth} />
        <BenchSide bench={bench} />
        <BenchActions bench={bench} onKeys={acts.keys} />
      </div>
      <Announcer
        newest={talk.newest}
        targets={bench.targets}
        tolerance={sitting.state.goal.tolerance}
        hidden={talk.led.kind === 'by ear'}
        spoken={stock.settings.spokenArrival}
      />
      <BenchKeys
        opened={keyList}
        onClose={() => setKeyList(false)}
        keysOn={stock.settings.keysOn}
      />
    </>
  );
}

interface KeysProps {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly keysOn: boolean;
}

function BenchKeys(props: KeysProps): ReactNode {
  const { repository } = useData();
  return (
    <KeyList
      {...props}
      keys={keyWords('bench')}
      onKeysOn={(keysOn) => void repository.saveSettings({ keysOn })}
    />
  );
}

/** An address that ends in ?listen=practice starts the practice guitar, once. */
function usePracticeByAddress({ sitting, listening }: Bench): void {
  const [search, setSearch] = useSearchParams();
  const wanted = search.get('listen') === 'practice' && sitting.loaded;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once per address, not per render
  useEffect(() => {
    if (!wanted) return;
    setSearch({}, { replace: true });
    listening.listen('practice');
  }, [wanted]);
}
