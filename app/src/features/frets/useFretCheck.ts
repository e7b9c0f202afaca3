import { type Advice, refusalAdvice } from '@rosefinch/core/coach';
import {
  type FretPlace,
  type FretReading,
  otherFret,
  type StringCauses,
  semitonesOf,
} from '@rosefinch/core/intonation';
import { type PluckOutcome, type StringKnowledge, whoSounded } from '@rosefinch/core/listen';
import { centsBetween, findTuning, shiftHz, type Target, targetsOf } from '@rosefinch/core/music';
import { type FretCheck, type SourceKind, tellsOfInstrument } from '@rosefinch/core/records';
import { type Instrument, startFret, withCapo } from '@rosefinch/core/strings';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { AnalysisReport } from '../../audio/index.ts';
import { type Stock, useData } from '../../data/index.ts';
import { newSeed, now } from '../../environment.ts';
import { type Listening, useListening } from '../listening/index.ts';
import { type BridgePlace, practiceStart } from './practice.ts';
import { type Asked, causesByCourse, nextAsked, openOf, placeKey } from './sequence.ts';

/** A finger that presses the same fret twice shifts it by so much, in cents; common practice, no source. */
const FINGER = 0.5;
/** Further from its note than this the open string is taken for another one, in cents. */
const OPEN_WITHIN = 350;

type Reading = Extract<PluckOutcome, { kind: 'reading' }>;

/** A pitch that lies at another fret than the one that was asked for. */
interface OtherFret {
  readonly asked: Asked;
  readonly heard: number;
  /** The string that sounds so when it is open, if one does. */
  readonly string: number | null;
  readonly cents: number;
  readonly errorCents: number;
}

export interface FretChecking {
  readonly listening: Listening;
  readonly targets: readonly Target[];
  readonly check: FretCheck;
  readonly asked: Asked | null;
  readonly notice: Advice | null;
  readonly other: OtherFret | null;
  readonly causes: ReadonlyMap<number, StringCauses>;
  readonly problem: string | null;
  /** All of it is on the disk. */
  readonly stored: boolean;
  /** Takes the pitch for the fret that it is at. */
  readonly takeOther: () => void;
  readonly dropOther: () => void;
  /** Puts a note to the last reading. */
  readonly note: (text: string) => void;
  /** Leaves the place out. */
  readonly skip: () => void;
  /** Strikes the last reading out; its place is asked for again. */
  readonly strikeOut: () => void;
  readonly finish: () => void;
  /** On the practice instrument: sounds what is asked for. */
  readonly pluck: () => void;
}

/** Leads through a fret check: the sequence says what is sounded, the pitch whether it was. */
export function useFretCheck(
  instrument: Instrument,
  stock: Stock,
  kept: FretCheck,
  bridge: BridgePlace,
): FretChecking {
  const { repository } = useData();
  const { settings } = stock;
  const [check, setCheck] = useState(kept);
  const latest = useRef(check);
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(new Set());
  const [notice, setNotice] = useState<Advice | null>(null);
  const [other, setOther] = useState<OtherFret | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [stored, setStored] = useState(true);
  const source = useRef<SourceKind>(check.source);
  const tuning = findTuning(check.tuningId, stock.tunings);
  const targets = useMemo(
    () => (tuning ? targetsOf(tuning, check.a4, check.capo) : []),
    [tuning, check.a4, check.capo],
  );
  const asked = check.doneAt === null ? nextAsked(check, skipped) : null;

  /** Changes that are not stored yet: each is made to the check as it is on the disk by then. */
  const unsaved = useRef<((check: FretCheck) => FretCheck)[]>([]);
  const change = (how: (check: FretCheck) => FretCheck) => {
    latest.current = how(latest.current);
    setCheck(latest.current);
    unsaved.current.push(how);
    setStored(false);
    const waiting = [...unsaved.current];
    repository
      .changeFretCheck(check.id, (now) => waiting.reduce((sum, one) => one(sum), now))
      .then(() => {
        unsaved.current = unsaved.current.filter((one) => !waiting.includes(one));
        setStored(unsaved.current.length === 0);
        setProblem(null);
      })
      .catch((error: Error) => setProblem(error.message));
  };
  // What another tab has read.
  useEffect(() => {
    if (unsaved.current.length > 0 || kept.readings.length <= latest.current.readings.length)
      return;
    latest.current = kept;
    setCheck(kept);
  }, [kept]);
  const put = (course: number, place: FretPlace, cents: number, error: number) => {
    const errorCents = place.kind === 'fret' ? Math.hypot(error, FINGER) : Math.max(0.1, error);
    const reading = { course, place, cents, errorCents, at: now() };
    const from = source.current;
    change((now) => ({ ...now, source: from, readings: [...now.readings, reading] }));
  };

  /** Marks the last reading that counts. */
  const mark = (marks: Pick<FretReading, 'struckOut' | 'note'>) => {
    const { readings } = latest.current;
    const at = readings.findLastIndex(({ struckOut }) => !struckOut);
    if (at < 0) return;
    const marked = readings[at]!;
    change((now) => ({
      ...now,
      readings: now.readings.map((r) =>
        r.at === marked.at && r.course === marked.course ? { ...r, ...marks } : r,
      ),
    }));
  };

  const { shelf } = useData();
  const take = (reading: Reading, wanted: Asked) => {
    const target = targets[wanted.course - 1];
    if (!target) return;
    const begun = latest.current;
    const tells = (kind: SourceKind) => tellsOfInstrument({ source: kind }, shelf === 'demo');
    if (begun.readings.length > 0 && tells(begun.source) !== tells(source.current))
      return setNotice({
        say: `This check was begun ${tells(begun.source) ? 'on the real instrument' : 'in practice'}.`,
        more: 'Finish it, and begin another one: readings of both are never mixed.',
      });
    const cents = centsBetween(target.hz, reading.f0Hz);
    const open = openOf(begun, wanted.course);
    const who = whoSounded(reading, soundingNow(targets, wanted), wanted.course);
    const another = who.kind === 'known' && who.course !== wanted.course ? who.course : null;
    if (another !== null && (open === null || wanted.place.kind === 'open'))
      return setNotice({
        say: `That sounded like string ${another}.`,
        more: `String ${wanted.course} open is asked for. Mute the others, and pluck it.`,
      });
    if (open === null && Math.abs(cents) > OPEN_WITHIN)
      return setNotice({
        say: `That was not string ${wanted.course} open.`,
        more: `It lay ${Math.round(cents)} cents from its note. Pluck the open string again.`,
      });
    const heard = open === null ? null : otherFret(wanted.place, cents - open);
    if (heard !== null) {
      setNotice(null);
      const { errorCents } = reading;
      return setOther({ asked: wanted, heard, string: another, cents, errorCents });
    }
    setNotice(null);
    setOther(null);
    put(wanted.course, wanted.place, cents, reading.errorCents);
  };

  const hear = (report: AnalysisReport, wanted: Asked | null) => {
    if (report.type !== 'outcome' || !wanted) return;
    if (report.outcome.kind === 'reading') take(report.outcome, wanted);
    else setNotice(refusalAdvice(report.outcome));
  };
  const question = JSON.stringify(asked);
  // biome-ignore lint/correctness/useExhaustiveDependencies: by what is asked, not by its identity
  const strings = useMemo(() => soundingNow(targets, asked), [targets, question]);
  const [seed] = useState(newSeed);
  const listening = useListening<Asked | null>({
    settings,
    strings,
    asked,
    intended: (wanted) => wanted?.course ?? null,
    practice: async () =>
      practiceStart(
        withCapo({ ...instrument, capo: check.capo ?? 0 }),
        targets,
        bridge,
        check.practiceSeed ?? seed,
      ),
    hear,
  });
  useEffect(() => {
    if (listening.source) source.current = listening.source;
  }, [listening.source]);

  const causes = useMemo(() => causesByCourse(check), [check]);
  return {
    listening,
    targets,
    check,
    asked,
    notice,
    other,
    causes,
    problem,
    stored,
    takeOther: () => {
      if (!other) return;
      const { asked: wanted, heard } = other;
      const pressure = wanted.place.kind === 'fret' ? wanted.place.pressure : 'normal';
      const place: FretPlace =
        heard === 0 ? { kind: 'open' } : { kind: 'fret', fret: heard, pressure };
      setOther(null);
      if (heard >= 0) put(wanted.course, place, other.cents, other.errorCents);
    },
    dropOther: () => setOther(null),
    skip: () => {
      setOther(null);
      if (asked)
        setSkipped((before) => new Set([...before, `${asked.course} ${placeKey(asked.place)}`]));
    },
    strikeOut: () => mark({ struckOut: true }),
    note: (text) => mark({ note: text }),
    finish: () => {
      const doneAt = now();
      change((check) => ({ ...check, doneAt }));
    },
    pluck: () => {
      const { hands } = listening;
      if (!hands || !asked) return;
      const nut = startFret(instrument, asked.course);
      if (asked.place.kind === 'open') hands.pluck(asked.course, 0.55);
      else if (asked.place.kind === 'harmonic') hands.fretted(asked.course, nut + 12, null);
      else hands.fretted(asked.course, nut + asked.place.fret, asked.place.pressure);
    },
  };
}

/** The strings as they should sound: the one that is asked for at its place, the others open. */
function soundingNow(targets: readonly Target[], asked: Asked | null): StringKnowledge[] {
  return targets.map((target) => {
    const raised = asked?.course === target.course ? 100 * semitonesOf(asked.place) : 0;
    return { target: { ...target, hz: shiftHz(target.hz, raised) } };
  });
}
