import type { Tuning } from '@rosefinch/core/music';
import type { Settings } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { useLiveQuery } from 'dexie-react-hooks';
import { createContext, type ReactNode, use } from 'react';
import type { Shelf } from './database.ts';
import type { Repository } from './repositories.ts';

interface DataAccess {
  readonly repository: Repository;
  readonly shelf: Shelf;
}

const DataContext = createContext<DataAccess | null>(null);

export function DataProvider({ value, children }: { value: DataAccess; children: ReactNode }) {
  return <DataContext value={value}>{children}</DataContext>;
}

export function useData(): DataAccess {
  const data = use(DataContext);
  if (!data) throw new Error('useData outside of DataProvider');
  return data;
}

/** The settings, live; undefined until they are read. */
export function useSettings(): Settings | undefined {
  const { repository } = useData();
  return useLiveQuery(() => repository.settings(), [repository]);
}

/** What most views go by. */
export interface Stock {
  readonly settings: Settings;
  /** The instruments on the shelf, by name. */
  readonly shelf: readonly Instrument[];
  /** The teacher's own tunings and those of the catalogue. */
  readonly tunings: readonly Tuning[];
}

/** The instrument that is worked on: the chosen one, or the first; undefined on an empty shelf. */
export function inHandOf({
  settings,
  shelf,
}: Pick<Stock, 'settings' | 'shelf'>): Instrument | undefined {
  return shelf.find(({ id }) => id === settings.instrumentId) ?? shelf[0];
}

/** The shelf, the instrument that is worked on first. */
export function inHandFirst({ settings, shelf }: Pick<Stock, 'settings' | 'shelf'>): Instrument[] {
  const inHand = inHandOf({ settings, shelf });
  return shelf.toSorted((a, b) => Number(b === inHand) - Number(a === inHand));
}

/** Settings, shelf and tunings, live; undefined until all are read. */
export function useStock(): Stock | undefined {
  const { repository } = useData();
  return useLiveQuery(
    async () => ({
      settings: await repository.settings(),
      shelf: await repository.shelf(),
      tunings: await repository.tunings(),
    }),
    [repository],
  );
}

/** A read of the database that follows its changes; undefined until the first answer. */
export function useLive<T>(
  read: (repository: Repository) => Promise<T>,
  key: string,
): T | undefined {
  const { repository } = useData();
  return useLiveQuery(() => read(repository), [repository, key]);
}
