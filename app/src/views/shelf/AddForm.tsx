import { Button, Group, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { findModel, MODELS } from '@rosefinch/core/strings';
import type { Words } from '@rosefinch/words';
import { useState } from 'react';
import { Link } from 'react-router';
import { useData } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { modelChoices } from '../../parts/instruments/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { MOST_AT_ONCE, numberedNames } from './names.ts';

/** Puts one instrument on the shelf, or many of a kind. */
export function AddForm({ names }: { names: readonly string[] }) {
  const t = useWords();
  const { repository } = useData();
  const [name, setName] = useState('');
  const [model, setModel] = useState(MODELS[0]?.id ?? '');
  const [count, setCount] = useState<number | string>(1);
  const many = Math.max(1, Math.min(MOST_AT_ONCE, Math.round(Number(count) || 1)));
  const wanted = numberedNames(name, many, names);
  const add = async () => {
    const found = findModel(model);
    if (!found || name.trim() === '') return;
    await repository.addInstruments(wanted.map((one) => found.build(newId(), one)));
    setName('');
    setCount(1);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Group align="end">
        <TextInput
          label={t('shelf.name')}
          value={name}
          maxLength={60}
          description={aboutNames(wanted, names, t)}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <NativeSelect
          label={t('shelf.kind')}
          data={modelChoices(t)}
          value={model}
          onChange={(event) => setModel(event.currentTarget.value)}
        />
        <NumberInput
          label={t('shelf.howMany')}
          w={100}
          min={1}
          max={MOST_AT_ONCE}
          value={count}
          onChange={setCount}
        />
        <Button type="submit" disabled={name.trim() === ''}>
          {many > 1 ? t('shelf.putManyOnTheShelf', { many }) : t('shelf.putItOnTheShelf')}
        </Button>
        <Button component={Link} to="/?new" variant="default">
          {t('shelf.strumItToKnowWhat')}
        </Button>
      </Group>
    </form>
  );
}

/** Which names are given, or that one is there already. */
function aboutNames(wanted: readonly string[], taken: readonly string[], t: Words): string | null {
  const [first = ''] = wanted;
  if (wanted.length > 1) return t('common.range', { from: first, to: wanted.at(-1) ?? '' });
  return taken.includes(first) ? t('shelf.sameName') : null;
}
