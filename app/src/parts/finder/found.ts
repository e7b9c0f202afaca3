/** Things of one kind that can be found. */
export interface FoundGroup {
  readonly group: string;
  readonly entries: readonly {
    readonly id: string;
    readonly label: string;
    readonly more?: string;
    readonly hotkey?: string;
    readonly act: () => void;
  }[];
}

/** What of it has every word that is typed, in its name or in what is said of it; groups with nothing left out. */
export function findIn(groups: readonly FoundGroup[], query: string): FoundGroup[] {
  const words = query.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  const fits = ({ label, more = '', hotkey = '' }: FoundGroup['entries'][number]) => {
    const text = `${label} ${more} ${hotkey}`.toLocaleLowerCase();
    return words.every((word) => text.includes(word));
  };
  return groups
    .map(({ group, entries }) => ({ group, entries: entries.filter(fits) }))
    .filter(({ entries }) => entries.length > 0);
}
