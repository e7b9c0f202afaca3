import type { BenchTalk } from '@rosefinch/core/dialogue';
import { problemOf } from '@rosefinch/core/errors';
import type { StrumTuning } from '@rosefinch/core/listen';
import type { Message, Sentence, Value } from '@rosefinch/core/message';
import {
  entryOf,
  type Heard,
  heardOfRound,
  othersWaiting,
  type Round,
  type RoundEntry,
  type Standing,
  waitingOf,
} from '@rosefinch/core/rounds';
import { roundInShort, roundTaskInWords } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { type Stock, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { useNotices } from '../../parts/frame/index.ts';
import { allStored, type Listening } from '../../parts/listening/index.ts';
import {
  bookInRound,
  putBackInRound,
  takeOfRound,
  useOpenRound,
} from '../../parts/rounds/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { BenchSitting } from './useBenchSitting.ts';
import { useWhose } from './useWhose.ts';

/** The instrument in hand in the round that is going on: what it needs, and what can be done with it. */
export interface BenchRound {
  readonly round: Round;
  /** What is largest until a string is worked on: the number in hand; null then. */
  readonly large: string | null;
  /** How far the round is. */
  readonly head: Message;
  /** What to do; null while the bench says it. */
  readonly sentence: Sentence | null;
  /** Another instrument that this one may be. */
  readonly mayBe: Value | null;
  readonly isThis: () => void;
  readonly isOther: () => void;
  readonly book: (standing: Exclude<Standing, 'waiting'>) => void;
  readonly take: (instrumentId: string) => void;
  /** It comes again at the end. */
  readonly putBack: () => void;
  /** Asks which one is in hand. */
  readonly ask: () => void;
  readonly asked: boolean;
  readonly answered: () => void;
  readonly nameOf: (instrumentId: string) => string;
}

/** Where an instrument stands in the round that is going on; null where it is not in hand there. */
export function useInRound(
  instrument: Instrument,
  practising: boolean,
): { readonly round: Round; readonly entry: RoundEntry } | null {
  const round = useOpenRound();
  // Practice tells nothing of a real instrument, and books none.
  const inHand = round?.inHand === instrument.id && !practising;
  const entry = round && inHand ? entryOf(round, instrument.id) : undefined;
  return useMemo(() => (round && entry ? { round, entry } : null), [round, entry]);
}

type InRound = NonNullable<ReturnType<typeof useInRound>>;

/** What a strum may be of instead: the others that wait, one for each set of pitches. */
export function useOthersOfRound(
  inRound: InRound | null,
  instrument: Instrument,
  { shelf, tunings, settings: { a4 } }: Stock,
): readonly StrumTuning[] {
  return useMemo(() => {
    if (!inRound) return [];
    const ids = new Set(waitingOf(inRound.round).map(({ instrumentId }) => instrumentId));
    return othersWaiting(
      instrument,
      shelf.filter(({ id }) => ids.has(id)),
      tunings,
      a4,
    );
  }, [inRound, instrument, shelf, tunings, a4]);
}

interface Around {
  readonly inRound: InRound | null;
  /** What a strum may be of instead. */
  readonly others: readonly StrumTuning[];
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly open: BenchSitting;
  readonly listening: Listening;
  readonly talk: BenchTalk;
}

/** Leads one instrument of a round: hears whether it is right, books it, and takes the next. */
export function useBenchRound(around: Around): BenchRound | null {
  const { inRound, others, instrument, stock, open, talk } = around;
  const t = useWords();
  const { repository } = useData();
  const notices = useNotices();
  const navigate = useNavigate();
  const [asked, setAsked] = useState(false);
  const [isThis, setIsThis] = useState(false);
  const { sitting } = open;
  const heard = useHeard(open, inRound);
  const alike = useWhose(inRound?.round ?? null, instrument, stock, sitting.log);
  const strummed = isThis ? null : otherIn(talk, others);
  const mayBe = isThis ? null : (strummed?.name ?? alike);
  const other = stock.shelf.find(({ id, name }) =>
    strummed ? id === strummed.id : name === mayBe,
  );
  const failed = (error: Error) => notices.say({ message: problemOf(error) });
  const nameOf = (id: string) =>
    stock.shelf.find((one) => one.id === id)?.name ?? t('bench.oneThatIsGone');
  const book = (standing: Exclude<Standing, 'waiting'>) => {
    if (!inRound) return;
    const id = sitting.log.length > 0 ? sitting.session?.id : undefined;
    bookInRound(repository, inRound.round, standing, id, t)
      // The end of a round is its sheet.
      .then((over) => over && navigate(`/rounds/${inRound.round.id}`))
      .catch(failed);
  };
  const take = (id: string) => {
    if (inRound) takeOfRound(repository, inRound.round, id).catch(failed);
  };
  const putBack = () => {
    if (inRound) putBackInRound(repository, inRound.round).catch(failed);
  };
  useBooking(inRound, mayBe === null ? heard : null, allStored(sitting.log), book);
  useStrumExpected(around, heard);
  if (!inRound || !heard) return null;
  const { round, entry } = inRound;
  return {
    round,
    large: heard.kind === 'off' ? null : String(entry.number),
    head: roundInShort(round, now()),
    sentence: roundTaskInWords({
      name: instrument.name,
      way: round.way,
      heard,
      mayBe: mayBe === null ? null : { name: mayBe, isOne: other !== undefined },
      before: beforeIn(round, nameOf),
    }),
    mayBe,
    isThis: () => setIsThis(true),
    isOther: () => {
      if (!other) return setAsked(true);
      // What was heard is another’s: nothing of it may stay with this one.
      const id = sitting.log.length > 0 ? sitting.session?.id : undefined;
      const gone = id === undefined ? Promise.resolve() : repository.deleteSession(id);
      gone.then(() => take(other.id)).catch(failed);
    },
    book,
    take,
    putBack,
    ask: () => setAsked(true),
    asked,
    answered: () => setAsked(false),
    nameOf,
  };
}

/** What was heard of it since it was taken in hand; null outside of a round. */
function useHeard({ sitting }: BenchSitting, inRound: InRound | null): Heard | null {
  const { log, state } = sitting;
  const from = inRound?.entry.from ?? null;
  return useMemo(() => {
    if (from === null) return null;
    const readings = log.flatMap(({ event }) =>
      event.type === 'reading' && event.at >= from ? [event.reading] : [],
    );
    return heardOfRound(readings, state.goal.order, state.goal.tolerance);
  }, [log, state.goal, from]);
}

/** Another instrument’s strings, as the last strum sounded. */
function otherIn({ notice }: BenchTalk, others: readonly StrumTuning[]): StrumTuning | null {
  const like = notice?.kind === 'strum' ? notice.like : [];
  return others.find(({ id }) => like.some((one) => one.id === id)) ?? null;
}

/** Books what is decided once it is on the disk, and only once. */
function useBooking(
  inRound: InRound | null,
  heard: Heard | null,
  stored: boolean,
  book: (standing: 'right' | 'done' | 'off') => void,
): void {
  const booked = useRef<number | null>(null);
  const verdict = inRound && heard ? verdictOf(inRound.round.way, heard) : null;
  const latest = useRef(book);
  latest.current = book;
  const from = inRound?.entry.from ?? null;
  useEffect(() => {
    if (verdict === null || !stored || from === null || booked.current === from) return;
    booked.current = from;
    latest.current(verdict);
  }, [verdict, stored, from]);
}

function verdictOf(way: Round['way'], { kind }: Heard): 'right' | 'done' | 'off' | null {
  if (kind === 'right' || kind === 'done') return kind;
  // In a roll call the next one is called whatever was heard.
  return way === 'rollCall' && kind !== 'unread' ? 'off' : null;
}

/** The ear waits for a strum as long as one is asked for, and the name is spoken where that is wanted. */
function useStrumExpected({ inRound, instrument, stock, listening }: Around, heard: Heard | null) {
  const { source, expectStrum, say } = listening;
  const wanted = inRound !== null && (heard?.kind === 'unread' || heard?.kind === 'once more');
  const count = heard?.kind === 'unread' ? heard.courses.length : 0;
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked anew where a strum left strings unheard
  useEffect(() => {
    // Where strings are tuned one by one nothing is held back for a strum.
    if (source !== null && inRound !== null) expectStrum(wanted);
  }, [source, inRound === null, wanted, count, expectStrum]);
  const number = inRound?.entry.number;
  const { spokenArrival } = stock.settings;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each that is taken in hand
  useEffect(() => {
    if (source !== null && number !== undefined && spokenArrival)
      say(`${number}: ${instrument.name}`, true);
  }, [source, number]);
}

function beforeIn({ entries }: Round, nameOf: (id: string) => string) {
  const done = entries.filter(({ to }) => to !== undefined);
  const last = done.sort((a, b) => (b.to ?? 0) - (a.to ?? 0))[0];
  return last ? { name: nameOf(last.instrumentId), standing: last.standing } : null;
}
