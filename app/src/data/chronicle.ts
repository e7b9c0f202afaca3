import type { AirOfDay, Mark, Restringing } from '@rosefinch/core/records';
import { type Round, type RoundInput, roundAfter } from '@rosefinch/core/rounds';
import type { Session, Summary } from '@rosefinch/core/sitting';
import type { EpochMs } from '@rosefinch/core/units';
import { now } from '../environment.ts';
import type { Changes } from './changeList.ts';
import type { RosefinchDatabase } from './database.ts';
import { changeRecord, putRecord } from './kept.ts';
import type { Log } from './log.ts';
import { checkRecord, recordRules } from './rules.ts';
import { stored } from './stored.ts';

/** So many of the last sessions tell how an instrument drifts: a year of fortnights. */
const TOLD = 27;

/** Everything that is known of an instrument over time, the sessions oldest first. */
export interface Life {
  readonly sittings: readonly { readonly session: Session; readonly summary: Summary }[];
  readonly restringings: readonly Restringing[];
  readonly marks: readonly Mark[];
}

/** What happens to instruments over weeks: their sessions in small, loans, repairs, notes, rounds, and the air. */
export class Chronicle {
  constructor(
    private readonly db: RosefinchDatabase,
    private readonly log: Log,
    private readonly changes: Changes,
    private readonly tells: (of: Pick<Session, 'source' | 'adopted'>) => boolean,
  ) {}

  /** The newest sessions of every instrument, or of one, with what else happened to it; from the summaries alone. */
  lives(instrumentId?: string): Promise<ReadonlyMap<string, Life>> {
    return stored(async () => {
      const { sessions, restringings, marks } = this.db;
      const of = <T>(table: {
        toArray(): PromiseLike<T[]>;
        where(key: string): { equals(id: string): { toArray(): PromiseLike<T[]> } };
      }) =>
        instrumentId === undefined
          ? table.toArray()
          : table.where('instrumentId').equals(instrumentId).toArray();
      const [all, sets, noted] = await Promise.all([
        of<Session>(sessions),
        of<Restringing>(restringings),
        of<Mark>(marks),
      ]);
      const told = newestOf(all.filter(this.tells));
      const summaries = await this.log.summaries([...told.values()].flat());
      const ids = new Set([...told.keys(), ...[...sets, ...noted].map((one) => one.instrumentId)]);
      return new Map(
        [...ids].map((id) => {
          const own = (told.get(id) ?? []).flatMap((session) => {
            const summary = summaries.get(session.id);
            return summary && summary.plucks > 0 ? [{ session, summary }] : [];
          });
          return [id, { sittings: own, restringings: byId(sets, id), marks: byId(noted, id) }];
        }),
      );
    });
  }

  saveMark(mark: Mark): Promise<() => Promise<void>> {
    return putRecord(this.db, 'marks', mark);
  }

  /** Deletes a mark; returns how to bring it back. */
  deleteMark(id: string): Promise<() => Promise<void>> {
    return this.changes.remove((recorder) => recorder.remove('marks', [id]));
  }

  /** All rounds, the newest first. */
  rounds(): Promise<Round[]> {
    return stored(async () => (await this.db.rounds.toArray()).sort((a, b) => b.madeAt - a.madeAt));
  }

  /** The round that is going on; null where none is. */
  async openRound(): Promise<Round | null> {
    return (await this.rounds()).find(({ endedAt }) => endedAt === null) ?? null;
  }

  /** Begins a round; the one before it is over. */
  async beginRound(round: Round): Promise<void> {
    const open = await this.openRound();
    if (open) await this.changeRound(open.id, { type: 'end' });
    await putRecord(this.db, 'rounds', round);
  }

  /** What happens in a round, on the round as it is by then. */
  changeRound(id: string, input: RoundInput): Promise<void> {
    return changeRecord(this.db, 'rounds', id, (round) => roundAfter(round, input, now()));
  }

  /** Ends what is still open of an instrument from before a moment, so that a round begins afresh. */
  endBefore(instrumentId: string, at: EpochMs): Promise<void> {
    const { sessions } = this.db;
    return stored(() =>
      this.db.transaction('rw', sessions, async () => {
        const all = await sessions.where('instrumentId').equals(instrumentId).toArray();
        const open = all.filter(
          (s) => s.endedAt === null && s.work === undefined && s.startedAt < at,
        );
        await sessions.bulkPut(open.map((s) => ({ ...s, endedAt: at, changedAt: at })));
      }),
    );
  }

  /** The air, day by day, oldest first. */
  air(): Promise<AirOfDay[]> {
    return stored(() => this.db.climate.orderBy(':id').toArray());
  }

  /** Keeps the air of some days; a day that is there is replaced. */
  async saveAir(days: readonly AirOfDay[]): Promise<void> {
    const changedAt = now();
    await stored(recordRules);
    const checked = days.map((day) => checkRecord('climate', { ...day, changedAt }));
    return stored(async () => void (await this.db.climate.bulkPut(checked)));
  }
}

function byId<T extends { readonly instrumentId: string }>(all: readonly T[], id: string): T[] {
  return all.filter(({ instrumentId }) => instrumentId === id);
}

/** The newest sessions of each instrument, the oldest of them first. */
function newestOf(sessions: readonly Session[]): Map<string, Session[]> {
  const all = new Map<string, Session[]>();
  for (const session of [...sessions].sort((a, b) => a.startedAt - b.startedAt)) {
    const own = all.get(session.instrumentId);
    if (own) own.push(session);
    else all.set(session.instrumentId, [session]);
  }
  return new Map([...all].map(([id, own]) => [id, own.slice(-TOLD)]));
}
