import {
  type Advice,
  beatAdvice,
  byEarAdvice,
  earVerdict,
  nextCourse,
  pairAdvice,
} from '@rosefinch/core/coach';
import { type CrossCheck, crossChecks, neckOf } from '@rosefinch/core/fretboard';
import { findTuning, offsetsOf, type Tuning, targetName } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { type Stock, useData, useStock } from '../../data/index.ts';
import { Action, KeyList, ReferenceLine, useKeys, useNotices } from '../../ui/index.ts';
import {
  Announcer,
  allStored,
  handsOn,
  ListeningProblem,
  PracticePanel,
  roomInWords,
  Truth,
} from '../listening/index.ts';
import { useCoupling } from '../neck/index.ts';
import { AdviceLine } from './AdviceLine.tsx';
import { BenchHead } from './BenchHead.tsx';
import { Figure } from './Figure.tsx';
import { FirstUse } from './FirstUse.tsx';
import { HeardReference } from './HeardReference.tsx';
import { KEY_WORDS, keyMap } from './keyMap.ts';
import { Ledger } from './Ledger.tsx';
import { type Bench, useBench } from './useBench.ts';
import { usePegLearning } from './usePegLearning.ts';
import { usePegRound, usePegTest } from './usePegTest.ts';
import { usePlan } from './usePlan.ts';
import { Wires } from './Wires.tsx';

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

/** An address that ends in ?listen=practice starts the practice guitar, once. */
function usePracticeByAddress(bench: Bench): void {
  const [search, setSearch] = useSearchParams();
  const wanted = search.get('listen') === 'practice' && bench.session.loaded;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once per address, not per render
  useEffect(() => {
    if (!wanted) return;
    setSearch({}, { replace: true });
    bench.listen('practice');
  }, [wanted]);
}

/** Strings are compared at or below this fret. */
const HIGHEST_FRET = 12;
/** … and within so many cents of each other, as their tuning wants them. */
const AGREE = 2;

const AFRESH = 'A new sitting begins. The one before is kept.';

interface OfProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
}

function BenchOf({ instrument, stock }: OfProps) {
  const { repository } = useData();
  const notices = useNotices();
  // The way back to a sitting is the bench's own: it goes with it.
  const putAway = useRef(() => {});
  useEffect(() => () => putAway.current(), []);
  const { settings } = stock;
  const coupling = useCoupling(instrument, stock);
  const peg = usePegRound();
  const bench = useBench({
    instrument,
    stock,
    coupling,
    peg: peg.asked,
    onReading: (reading, asked) => peg.onReading.current(reading, asked),
  });
  const [hidden, setHidden] = useState(false);
  const [verdict, setVerdict] = useState<Advice | null>(null);
  const [showTruth, setShowTruth] = useState(false);
  const [keyList, setKeyList] = useState(false);
  const { state } = bench.session;
  usePracticeByAddress(bench);
  const plan = usePlan(instrument, stock, bench, coupling);
  const planned = plan?.toGo.find((toGo) => toGo !== state.active);
  const course = state.active ?? planned ?? nextCourse(state, null) ?? state.goal.order[0] ?? 1;
  const references = plan?.referencesOf(course);
  const check = useMemo(
    () => checkFor(findTuning(instrument.tuningId, stock.tunings), instrument, course),
    [instrument, stock.tunings, course],
  );
  const pegs = usePegTest(instrument, bench, peg);
  const pegProblem = usePegLearning(instrument, bench, pegs.running === null);
  // A new pluck takes the verdict away.
  const heardSoFar = bench.session.log.length;
  // biome-ignore lint/correctness/useExhaustiveDependencies: see above
  useEffect(() => setVerdict(null), [heardSoFar]);
  const { pair } = bench;
  const paired =
    pair === null ? null : pair === 'waiting' ? check && pairAdvice(check) : beatAdvice(pair);
  const instead = pegs.running?.advice ?? paired ?? (hidden ? byEarAdvice(course) : verdict);
  const hands = useMemo(
    () =>
      bench.hands
        ? handsOn(bench.hands, instrument, course, pair === 'waiting' ? check : null)
        : null,
    [bench.hands, instrument, course, pair, check],
  );
  const takeA4 = (a4: number) => {
    void repository.saveSettings({ a4 });
    bench.setReference(null);
    // A sitting keeps the A4 that it began with.
    bench.startAfresh();
  };
  const acts = {
    accept: () => {
      // By ear: the first time Space compares, the second time it goes on.
      if (hidden) {
        setHidden(false);
        return setVerdict(earVerdict(bench.plucks, course, state.goal.tolerance));
      }
      setVerdict(null);
      if (pegs.running?.course) return pegs.running.skip();
      bench.act({ type: 'accept', ...(planned !== undefined && { next: planned }) });
    },
    nextPass: () => bench.act({ type: 'next pass' }),
    choose: (chosen: number | null) => {
      // A number answers the question which string that was, before it chooses one.
      if (chosen === null || !bench.answerDoubt(chosen))
        bench.act({ type: 'choose', course: chosen });
    },
    hide: () => {
      setVerdict(null);
      setHidden((is) => !is);
    },
    pair: () => {
      const open = check && bench.targets[check.open - 1];
      if (open) bench.expectPair(pair === 'waiting' ? null : open.hz);
    },
    reference: () => bench.setReference(bench.reference === null ? 'waiting' : null),
    hear: () => bench.hearTarget(course),
    truth: () => setShowTruth((is) => !is),
    keys: () => setKeyList(true),
    pegs: () => (pegs.running ? pegs.running.end() : pegs.start()),
  };
  useKeys(
    keyMap(acts, hands, state.goal.order),
    settings.keysOn && !keyList && bench.session.loaded,
  );
  return (
    <>
      <ListeningProblem problem={bench.problem} />
      {pegProblem && (
        <div className="problem" role="alert">
          <strong>{pegProblem}</strong>
        </div>
      )}
      <div className="bench" aria-busy={!bench.session.loaded}>
        <section className="bench-strings" aria-label="Strings">
          <BenchHead instrument={instrument} stock={stock} bench={bench} />
          <Wires
            instrument={instrument}
            targets={bench.targets}
            state={state}
            first={plan ? course : null}
            log={bench.session.log}
            live={bench.live}
            upsideDown={settings.wires !== 'as you look down'}
            hidden={hidden}
            onChoose={(wanted) => acts.choose(state.chosen === wanted ? null : wanted)}
          />
          <div className="strip">
            {roomInWords(bench.room)}
            {bench.source === 'practice' &&
              (bench.practice
                ? ` · practice: it tells nothing of the real ${instrument.name}`
                : ` · the practice ${instrument.kind} stands for ${instrument.name}`)}
            {showTruth && bench.truth && (
              <>
                {' · '}
                <Truth deviations={bench.truth} />
              </>
            )}
          </div>
          {hands && (
            <PracticePanel hands={hands} course={course}>
              <Action onAct={acts.truth} pressed={showTruth} hotkey="T">
                Where they truly are
              </Action>
            </PracticePanel>
          )}
        </section>
        <section className="bench-side" aria-label="What to do">
          <Figure
            state={state}
            targets={bench.targets}
            live={bench.live}
            hidden={hidden}
            stored={allStored(bench.session.log)}
          />
          <AdviceLine
            bench={bench}
            instrument={instrument}
            planned={planned}
            retuning={plan !== null}
            coupling={coupling}
            instead={instead}
            settings={settings}
            onTakeA4={takeA4}
          />
          {typeof bench.reference === 'number' && (
            <HeardReference
              hz={bench.reference}
              onTake={takeA4}
              onLeave={() => bench.setReference(null)}
            />
          )}
          {references && (
            <ReferenceLine references={references} leftHanded={instrument.leftHanded} />
          )}
          {plan && (
            <p className="soft">
              {wayInWords(plan.toGo)}
              {bench.capo > 0 && ' Frets count from the capo.'}
            </p>
          )}
        </section>
        <section className="bench-more" aria-label="Actions and ledger">
          <div className="actions">
            <Action onAct={acts.accept} hotkey="Space">
              {pegs.running?.course ? 'Skip this peg' : 'Accept, next'}
            </Action>
            <Action onAct={acts.hear} hotkey="D">
              Hear {targetName(bench.targets[course - 1])}
            </Action>
            <Action onAct={acts.hide} pressed={hidden} hotkey="H">
              {hidden ? 'Show figures' : 'Hide figures'}
            </Action>
            <Action onAct={acts.nextPass} hotkey="R">
              Next pass
            </Action>
            {check && (
              <Action onAct={acts.pair} pressed={pair === 'waiting'} hotkey="C">
                Compare two
              </Action>
            )}
            <Action onAct={acts.reference} pressed={bench.reference === 'waiting'} hotkey="F">
              Reference
            </Action>
            <Action onAct={acts.pegs} pressed={pegs.running !== null} hotkey="G">
              Peg test
            </Action>
            <Action onAct={acts.keys} hotkey="?">
              Keys
            </Action>
            <Action
              onAct={() => {
                const undo = bench.startAfresh();
                if (undo) putAway.current = notices.undoable(AFRESH, undo);
              }}
            >
              Start afresh
            </Action>
          </div>
          <Ledger state={state} targets={bench.targets} hidden={hidden} />
        </section>
      </div>
      <Announcer
        log={bench.session.log}
        targets={bench.targets}
        tolerance={state.goal.tolerance}
        hidden={hidden}
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

/** The best comparison of a course with another one, both sounding the same note; null where there is none. */
function checkFor(
  tuning: Tuning | undefined,
  instrument: Instrument,
  course: number,
): CrossCheck | null {
  if (!tuning) return null;
  const neck = neckOf(tuning, instrument);
  const offsets = offsetsOf(
    neck.map(({ midi }) => midi),
    tuning.temper,
  );
  // Where the tuning sets them apart, two strings that are right still beat.
  const agree = (c: CrossCheck) =>
    Math.abs((offsets[c.held.course - 1] ?? 0) - (offsets[c.open - 1] ?? 0)) < AGREE;
  const checks = crossChecks(neck, HIGHEST_FRET).filter((c) => c.octaves === 0 && agree(c));
  return checks.find((c) => c.held.course === course || c.open === course) ?? null;
}

/** @example wayInWords([6, 3]) // => 'Still to be retuned: string 6, then 3.' */
function wayInWords(toGo: readonly number[]): string {
  const [first, ...rest] = toGo;
  if (first === undefined) return '';
  return `Still to be retuned: string ${[first, ...rest].join(', then ')}.`;
}
