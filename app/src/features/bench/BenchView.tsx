import { Button, Group, NativeSelect, Stack, Text, Title } from '@mantine/core';
import { adviceFor, currentPass, nextCourse, passDone, refusalAdvice } from '@rosefinch/core/coach';
import { findTuning, noteName } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { steelGuitar } from '@rosefinch/core/strings';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { type Settings, useData, useSettings } from '../../data/index.ts';
import { Action, type KeyMap, useKeys } from '../../ui/index.ts';
import { RecordingButton } from '../recordings/index.ts';
import { Announcer } from './Announcer.tsx';
import { Figure } from './Figure.tsx';
import { handsOn } from './hands.ts';
import { KeyList } from './KeyList.tsx';
import { Ledger } from './Ledger.tsx';
import { MicrophoneChoice } from './MicrophoneChoice.tsx';
import { Practice, Truth } from './Practice.tsx';
import { roomInWords } from './room.ts';
import { type Bench, useBench } from './useBench.ts';
import { Wires } from './Wires.tsx';

/** The bench: picks the instrument, or offers a first one on an empty shelf. */
export function BenchView() {
  const { repository } = useData();
  const settings = useSettings();
  const shelf = useQuery({ queryKey: ['instruments'], queryFn: () => repository.instruments() });
  if (!settings || !shelf.data) return <p>One moment …</p>;
  const instrument =
    shelf.data.find((entry) => entry.id === settings.instrumentId) ?? shelf.data[0];
  if (!instrument) return <FirstUse />;
  return (
    <BenchOf key={instrument.id} instrument={instrument} shelf={shelf.data} settings={settings} />
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

function FirstUse() {
  const { repository } = useData();
  const queries = useQueryClient();
  const [, setSearch] = useSearchParams();
  const begin = async (practise: boolean) => {
    await repository.addInstruments([steelGuitar(crypto.randomUUID(), 'My guitar')]);
    if (practise) setSearch({ listen: 'practice' });
    await queries.invalidateQueries({ queryKey: ['instruments'] });
  };
  return (
    <Stack align="flex-start" maw={560} py="xl">
      <Title order={1}>Tune string by string</Title>
      <Text>
        Pluck a string. Rosefinch says how far it lies from its note, which way to turn, and when to
        stop. It keeps every reading on this machine.
      </Text>
      <Group>
        <Button size="lg" onClick={() => void begin(false)}>
          Put a guitar on the bench
        </Button>
        <Button size="lg" variant="default" onClick={() => void begin(true)}>
          Try it with the practice guitar
        </Button>
      </Group>
      <Text size="sm">
        Caution: a string under tension can snap. Keep your face away; children with an adult.
      </Text>
    </Stack>
  );
}

interface OfProps {
  readonly instrument: Instrument;
  readonly shelf: readonly Instrument[];
  readonly settings: Settings;
}

function BenchOf({ instrument, shelf, settings }: OfProps) {
  const { repository } = useData();
  const bench = useBench(instrument, settings);
  const [hidden, setHidden] = useState(false);
  const [showTruth, setShowTruth] = useState(false);
  const [keyList, setKeyList] = useState(false);
  const { state, record } = bench.session;
  usePracticeByAddress(bench);
  const course = state.active ?? nextCourse(state, null) ?? state.goal.order[0] ?? 1;
  const hands = useMemo(
    () => (bench.hands ? handsOn(bench.hands, course) : null),
    [bench.hands, course],
  );
  const acts = {
    accept: () => {
      setHidden(false);
      record({ type: 'accept' });
    },
    nextPass: () => record({ type: 'next pass' }),
    choose: (chosen: number | null) => record({ type: 'choose', course: chosen }),
    hide: () => setHidden((is) => !is),
    hear: () => bench.hearTarget(course),
    truth: () => setShowTruth((is) => !is),
    keys: () => setKeyList(true),
  };
  useKeys(keyMap(acts, hands, state.goal.order), settings.keysOn && !keyList);
  return (
    <>
      {bench.problem && (
        <div className="problem" role="alert">
          <strong>{bench.problem.message}</strong>
          {bench.problem.wayOn}
        </div>
      )}
      {bench.session.problem && (
        <div className="problem" role="alert">
          <strong>{bench.session.problem}</strong>
        </div>
      )}
      <div className="bench">
        <section className="bench-strings" aria-label="Strings">
          <BenchHead instrument={instrument} shelf={shelf} bench={bench} settings={settings} />
          <Wires
            instrument={instrument}
            targets={bench.targets}
            state={state}
            log={bench.session.log}
            live={bench.live}
            upsideDown={settings.wires !== 'as you look down'}
            hidden={hidden}
            onChoose={(wanted) => acts.choose(state.chosen === wanted ? null : wanted)}
          />
          <div className="strip">
            {roomInWords(bench.room)}
            {showTruth && bench.truth && (
              <>
                {' · '}
                <Truth deviations={bench.truth} />
              </>
            )}
          </div>
          {hands && (
            <Practice
              hands={hands}
              course={course}
              showTruth={showTruth}
              onShowTruth={acts.truth}
            />
          )}
        </section>
        <section className="bench-side" aria-label="What to do">
          <Figure state={state} targets={bench.targets} live={bench.live} hidden={hidden} />
          <AdviceLine bench={bench} instrument={instrument} settings={settings} />
        </section>
        <section className="bench-more" aria-label="Actions and ledger">
          <div className="actions">
            <Action onAct={acts.accept} hotkey="Space">
              Accept, next
            </Action>
            <Action onAct={acts.hear} hotkey="D">
              Hear {noteName(bench.targets[course - 1]?.midi ?? 69)}
            </Action>
            <Action onAct={acts.hide} pressed={hidden} hotkey="H">
              {hidden ? 'Show figures' : 'Hide figures'}
            </Action>
            <Action onAct={acts.nextPass} hotkey="R">
              Next pass
            </Action>
            <Action onAct={acts.keys} hotkey="?">
              Keys
            </Action>
            <Action onAct={bench.session.startAfresh}>Start afresh</Action>
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
        opened={keyList}
        onClose={() => setKeyList(false)}
        keysOn={settings.keysOn}
        onKeysOn={(keysOn) => void repository.saveSettings({ keysOn })}
      />
    </>
  );
}

function BenchHead({ instrument, shelf, bench, settings }: OfProps & { bench: Bench }) {
  const { repository } = useData();
  const tuning = findTuning(instrument.tuningId);
  const { state } = bench.session;
  const notes = [...bench.targets].reverse().map((t) => noteName(t.midi));
  return (
    <div className="bench-head">
      <h1>{instrument.name}</h1>
      <span>
        {tuning?.name.toLowerCase()} {notes.join(' ')} · pass {currentPass(state).number}
        {passDone(state) ? ', done' : ''}
      </span>
      {shelf.length > 1 && (
        <NativeSelect
          aria-label="Instrument"
          size="sm"
          data={shelf.map(({ id, name }) => ({ value: id, label: name }))}
          value={instrument.id}
          onChange={(event) =>
            void repository.saveSettings({ instrumentId: event.currentTarget.value })
          }
        />
      )}
      <Button.Group>
        <Button
          size="sm"
          variant={bench.source === 'practice' ? 'filled' : 'default'}
          onClick={(event) => {
            event.currentTarget.blur();
            bench.listen('practice');
          }}
        >
          Practice guitar
        </Button>
        <Button
          size="sm"
          variant={bench.source === 'microphone' ? 'filled' : 'default'}
          onClick={(event) => {
            event.currentTarget.blur();
            bench.listen('microphone');
          }}
        >
          Microphone
        </Button>
      </Button.Group>
      <RecordingButton instrument={instrument} targets={bench.targets} settings={settings} />
      {bench.source === 'microphone' && (
        <MicrophoneChoice settings={settings} onChange={() => bench.listen('microphone')} />
      )}
    </div>
  );
}

function AdviceLine({
  bench,
  instrument,
  settings,
}: {
  bench: Bench;
  instrument: Instrument;
  settings: Settings;
}) {
  const advice = adviceOf(bench, instrument, settings);
  return (
    <div role="status" aria-live="polite">
      <p className="advice">{advice.say}</p>
      <p className="advice-more">{advice.more}</p>
    </div>
  );
}

function adviceOf(bench: Bench, instrument: Instrument, settings: Settings) {
  if (!bench.source)
    return { say: 'Choose what to listen to.', more: 'The practice guitar, or your microphone.' };
  if (bench.notice?.kind === 'refused') return refusalAdvice(bench.notice.refusal);
  if (bench.notice?.kind === 'doubt')
    return {
      say: `String ${bench.notice.courses.join(' or ')}? Choose it.`,
      more: 'The pitch lies between two strings. Press the number of the one you play.',
    };
  const strings = bench.targets.map((target) => ({
    target,
    tighten: instrument.courses[target.course - 1]?.strings[0]?.peg.tighten ?? 'away from you',
  }));
  return adviceFor(bench.session.state, strings, settings.a4);
}

interface Acts {
  readonly accept: () => void;
  readonly nextPass: () => void;
  readonly choose: (course: number | null) => void;
  readonly hide: () => void;
  readonly hear: () => void;
  readonly truth: () => void;
  readonly keys: () => void;
}

function keyMap(
  acts: Acts,
  hands: ReturnType<typeof handsOn> | null,
  order: readonly number[],
): KeyMap {
  const map: Record<string, () => void> = {
    ' ': acts.accept,
    r: acts.nextPass,
    h: acts.hide,
    d: acts.hear,
    '?': acts.keys,
    '0': () => acts.choose(null),
    Escape: () => acts.choose(null),
  };
  for (const course of order) map[String(course)] = () => acts.choose(course);
  if (!hands) return map;
  return {
    ...map,
    p: hands.pluck,
    m: hands.mute,
    t: acts.truth,
    ArrowUp: hands.up,
    ArrowDown: hands.down,
    'Shift+ArrowUp': hands.upMore,
    'Shift+ArrowDown': hands.downMore,
  };
}
