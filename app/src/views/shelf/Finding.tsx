import { NativeSelect, TextInput } from '@mantine/core';
import { natural } from '../../environment.ts';
import { useWords } from '../../parts/words/index.ts';
import { groupsOf, type Sought } from './found.ts';

interface FindingProps {
  readonly shelf: readonly Sought[];
  readonly search: URLSearchParams;
  readonly onPut: (key: string, value: string) => void;
}

/** Finds instruments by words, and by a group where there are any. */
export function Finding({ shelf, search, onPut }: FindingProps) {
  const t = useWords();
  const groups = groupsOf(shelf, natural());
  return (
    <>
      <TextInput
        label={t('common.find')}
        type="search"
        value={search.get('find') ?? ''}
        onChange={(event) => onPut('find', event.currentTarget.value)}
      />
      {groups.length > 0 && (
        <NativeSelect
          label={t('shelf.group')}
          data={[{ value: '', label: t('shelf.all') }, ...groups]}
          value={search.get('group') ?? ''}
          onChange={(event) => onPut('group', event.currentTarget.value)}
        />
      )}
    </>
  );
}
