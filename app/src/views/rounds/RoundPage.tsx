import { problemOf } from '@rosefinch/core/errors';
import { list, message } from '@rosefinch/core/message';
import { useWords } from '../../parts/words/index.ts';
import './rounds.css';
import { Button, Group, Stack } from '@mantine/core';
import { type Round, type RoundEntry, waitingOf } from '@rosefinch/core/rounds';
import { laterInWords, minutesInShort, roundInWords, standingOf } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import {
  csvText,
  type Listed,
  rounded,
  type Stock,
  useData,
  useLive,
  useStock,
} from '../../data/index.ts';
import { dayHere, now, zone } from '../../environment.ts';
import { type Judged, useJudged } from '../../parts/drift/index.ts';
import { download, useNotices, ViewHead } from '../../parts/frame/index.ts';
import { takeOfRound } from '../../parts/rounds/index.ts';
import { MiniWires } from '../../parts/wires/index.ts';
import { type Line, lineOf } from './lines.ts';

/** The sheet of a round: what each instrument was found at and left at, how long it took, what is to be done later. */
export function RoundPage() {
  const t = useWords();
  const { id = '' } = useParams();
  const stock = useStock();
  const rounds = useLive((r) => r.chronicle.rounds(), 'rounds');
  const all = useLive((r) => r.instruments(), 'instruments');
  if (!stock || !rounds || !all) return <p>{t('common.moment')}</p>;
  const round = rounds.find((one) => one.id === id);
  if (!round)
    return (
      <p>
        {t('shelf.noSuchRound')} <Link to="/shelf">{t('rounds.theShelf')}</Link>
      </p>
    );
  return <Sheet round={round} stock={stock} all={all} rounds={rounds} />;
}

interface SheetProps {
  readonly round: Round;
  readonly stock: Stock;
  /** Those that were taken off the shelf too. */
  readonly all: readonly Instrument[];
  readonly rounds: readonly Round[];
}

function Sheet({ round, stock, all, rounds }: SheetProps) {
  const t = useWords();
  const lines = useLines(round, stock, all);
  const { repository } = useData();
  const navigate = useNavigate();
  const notices = useNotices();
  const clock = { now: now(), zone: zone() };
  const waiting = waitingOf(round);
  const failed = (error: Error) => notices.say({ message: problemOf(error) });
  const goOn = (instrumentId: string) =>
    takeOfRound(repository, round, instrumentId)
      .then(() => navigate('/'))
      .catch(failed);
  const end = () => repository.chronicle.changeRound(round.id, { type: 'end' }).catch(failed);
  const next = round.inHand ?? waiting[0]?.instrumentId;
  return (
    <Stack>
      <ViewHead title={round.name}>
        <span className="soft">{t(roundInWords(round, clock))}</span>
        <Group>
          {round.endedAt === null && next !== undefined && (
            <Button onClick={() => void goOn(next)}>{t('rounds.goOnWithTheRound')}</Button>
          )}
          {round.endedAt === null && (
            <Button variant="default" onClick={() => void end()}>
              {t('rounds.endIt')}
            </Button>
          )}
          <Button variant="default" onClick={() => window.print()}>
            {t('rounds.printTheSheet')}
          </Button>
          <Button
            variant="default"
            onClick={() => download(fileName(round), csvOf(lines), 'text/csv')}
          >
            {t('rounds.asCSV')}
          </Button>
        </Group>
      </ViewHead>
      <p className="soft">
        {t.value(
          list([
            t.moment(round.madeAt, { now: round.madeAt, zone: round.zone }, 'day'),
            round.way === 'rollCall' ? message('rounds.rollCall') : message('rounds.anyOrder'),
          ]),
        )}
      </p>
      <ol className="round-lines">
        {lines.map((line) => (
          <RoundLine
            key={line.entry.instrumentId}
            line={line}
            onTake={
              round.endedAt === null && line.entry.standing !== 'waiting'
                ? () => void goOn(line.entry.instrumentId)
                : null
            }
          />
        ))}
      </ol>
      <OtherRounds rounds={rounds.filter(({ id }) => id !== round.id)} />
    </Stack>
  );
}

function RoundLine({
  line,
  onTake,
}: {
  readonly line: Line;
  readonly onTake: (() => void) | null;
}) {
  const t = useWords();
  const { entry, name, listed, judged, minutes } = line;
  const clock = { now: now(), zone: zone() };
  return (
    <li className="round-line" aria-label={name}>
      <strong className="round-number">{entry.number}</strong>
      <div>
        <strong>{name}</strong>
        <div className="soft">{t(standingOf(entry.standing))}</div>
      </div>
      {listed ? (
        <MiniWires strings={listed.summary.strings} tolerance={listed.session.tolerance} />
      ) : (
        <span />
      )}
      <span>{t(laterInWords(entry, line.off, dueOf(judged), clock))}</span>
      <span className="round-minutes">{minutes === null ? '' : t(minutesInShort(minutes))}</span>
      {onTake ? (
        <Button variant="default" onClick={onTake}>
          {t('rounds.putBack')}
        </Button>
      ) : (
        <span />
      )}
    </li>
  );
}

function dueOf(judged: Judged | undefined): number | null {
  return judged?.need.kind === 'probably right' ? judged.need.until : null;
}

function OtherRounds({ rounds }: { readonly rounds: readonly Round[] }) {
  const t = useWords();
  if (rounds.length === 0) return null;
  return (
    <section aria-label={t('rounds.otherRounds')} className="screen-only">
      <h2>{t('rounds.otherRounds')}</h2>
      <ul>
        {rounds.slice(0, 20).map(({ id, name, madeAt, zone: where, entries }) => (
          <li key={id}>
            <Link to={`/rounds/${id}`}>
              {t('rounds.nameMadeAtLengthInstruments', {
                name,
                madeAt: t.moment(madeAt, { now: madeAt, zone: where }, 'day'),
                length: entries.length,
              })}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Every entry with its session and what is known of its instrument now. */
function useLines(round: Round, stock: Stock, all: readonly Instrument[]): readonly Line[] {
  const t = useWords();
  const ids = useMemo(
    () => round.entries.flatMap(({ sessionId }) => sessionId ?? []),
    [round.entries],
  );
  const listed = useLive((r) => r.listedOf(ids), `sittings of ${ids.join()}`);
  const instruments = useMemo(
    () => all.filter(({ id }) => round.entries.some((e: RoundEntry) => e.instrumentId === id)),
    [all, round.entries],
  );
  const judged = useJudged(instruments, stock);
  return useMemo(() => {
    const bySitting = new Map((listed ?? []).map((one: Listed) => [one.session.id, one]));
    const byInstrument = new Map((judged ?? []).map((one) => [one.instrument.id, one]));
    const names = new Map(all.map(({ id, name }) => [id, name]));
    return round.entries.map((entry) =>
      lineOf(entry, {
        name: names.get(entry.instrumentId) ?? t('rounds.instrumentGone'),
        listed: bySitting.get(entry.sessionId ?? ''),
        judged: byInstrument.get(entry.instrumentId),
      }),
    );
  }, [round.entries, listed, judged, all, t]);
}

function fileName({ name, madeAt }: Round): string {
  const day = dayHere(madeAt);
  const safe = name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
  return `rosefinch-round-${safe}-${day}.csv`;
}

/** A row a string, so that a table can be made of it. */
function csvOf(lines: readonly Line[]): string {
  const columns = [
    'number',
    'instrument',
    'standing',
    'string',
    'found_cents',
    'left_cents',
    'minutes',
  ] as const;
  const cents = (value: number | null) => (value === null ? null : rounded(value, 2));
  type Row = Readonly<Record<(typeof columns)[number], string | number | null>>;
  const rows = lines.flatMap(({ entry, name, listed, minutes }): Row[] => {
    const facts = {
      number: entry.number,
      instrument: name,
      standing: entry.standing,
      minutes: minutes === null ? null : rounded(minutes, 1),
    };
    const strings = listed?.summary.strings ?? [];
    if (strings.length === 0)
      return [{ ...facts, string: null, found_cents: null, left_cents: null }];
    return strings.map(({ course, found, left }) => ({
      ...facts,
      string: course,
      found_cents: cents(found),
      left_cents: cents(left),
    }));
  });
  return csvText(columns, rows);
}
