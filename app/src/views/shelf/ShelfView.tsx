import { type LabelId, type Message, message, type Value } from '@rosefinch/core/message';
import { useWords } from '../../parts/words/index.ts';
import './shelf.css';
import { Button, Group, SegmentedControl, Stack } from '@mantine/core';
import { findTuning } from '@rosefinch/core/music';
import { byNeed } from '@rosefinch/core/rounds';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { type Stock, useStock } from '../../data/index.ts';
import { base } from '../../environment.ts';
import { useJudged } from '../../parts/drift/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { AddForm } from './AddForm.tsx';
import { BeginRound } from './BeginRound.tsx';
import { Finding } from './Finding.tsx';
import { isFound } from './found.ts';
import { OpenRound } from './OpenRound.tsx';
import { ShelfRows } from './ShelfRows.tsx';
import { ShelfTable } from './ShelfTable.tsx';
import type { Shelved } from './shelved.ts';

/** All instruments by need: what is due, why each drifts, how long it will take. */
export function ShelfView() {
  const t = useWords();
  const stock = useStock();
  if (!stock) return <p>{t('common.moment')}</p>;
  return <Shelf stock={stock} />;
}

const LOOKS: readonly { readonly value: string; readonly label: LabelId }[] = [
  { value: 'rows', label: 'shelf.byNeed' },
  { value: 'table', label: 'shelf.asATable' },
];

function Shelf({ stock }: { readonly stock: Stock }) {
  const t = useWords();
  const shelf = useShelved(stock);
  const [search, setSearch] = useSearchParams();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  if (!shelf) return <p>{t('common.moment')}</p>;
  const shown = shelf.filter((entry) => isShown(entry, search, t.value));
  const picked = shown.filter(({ instrument }) => chosen.has(instrument.id));
  const due = shown.filter(({ need }) => need.kind === 'now');
  /** Puts a word of the address; an empty one is taken out. */
  const put = (key: string, value: string) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        if (value === '') next.delete(key);
        else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  const pick = (id: string) =>
    setChosen((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const asTable = search.get('as') === 'table';
  const List = asTable ? ShelfTable : ShelfRows;
  return (
    <Stack>
      <ViewHead title={t('shelf.shelf')}>
        {shelf.length > 0 && <span className="soft">{t(inAll(shown, due))}</span>}
      </ViewHead>
      <OpenRound />
      {shelf.length === 0 ? (
        <Empty />
      ) : (
        <Group align="end">
          <Finding shelf={shelf} search={search} onPut={put} />
          <SegmentedControl
            aria-label={t('shelf.howItIsShown')}
            data={LOOKS.map(({ value, label }) => ({ value, label: t(label) }))}
            value={asTable ? 'table' : 'rows'}
            onChange={(as) => put('as', as === 'table' ? as : '')}
          />
          <BeginRound
            picked={picked}
            due={due}
            shown={shown}
            group={search.get('group')}
            settings={stock.settings}
          />
        </Group>
      )}
      {shelf.length > 0 && shown.length === 0 && <p>{t('shelf.noneChosen')}</p>}
      {shown.length > 0 && <List shelf={shown} chosen={chosen} onPick={pick} />}
      <AddForm names={shelf.map(({ instrument }) => instrument.name)} />
      {shelf.length > 0 && (
        <Group className="screen-only">
          <Button component={Link} to="/labels" variant="default">
            {t('shelf.labelsToStickOn')}
          </Button>
          <Button component={Link} to="/paper?card=class" variant="default">
            {t('shelf.cardsForAClass')}
          </Button>
        </Group>
      )}
    </Stack>
  );
}

function Empty() {
  const t = useWords();
  return (
    <>
      <p>{t('shelf.empty')}</p>
      <p className="soft">
        {t('shelf.whereItIsKept', { address: `${location.origin}${base === '/' ? '' : base}` })}
      </p>
    </>
  );
}

/** The shelf by need: the longest due first, those that rest last. */
function useShelved({ shelf, tunings }: Stock): readonly Shelved[] | undefined {
  const all = useJudged(shelf, { tunings });
  return useMemo(
    () =>
      all
        ?.map((one) => ({ ...one, tuning: findTuning(one.instrument.tuningId, tunings) }))
        .sort((a, b) => byNeed(a.need, b.need)),
    [all, tunings],
  );
}

function isShown(entry: Shelved, search: URLSearchParams, read: (name: Value) => string): boolean {
  const group = search.get('group');
  const { groups = [] } = entry.instrument;
  return (
    isFound(entry, search.get('find') ?? '', read) && (group === null || groups.includes(group))
  );
}

function inAll(shown: readonly Shelved[], due: readonly Shelved[]): Message {
  if (shown.some(({ facts }) => facts.pending && facts.sittings > 0))
    return message('shelf.instruments', { instruments: shown.length });
  if (due.length === 0) return message('shelf.noneDue', { instruments: shown.length });
  const minutes = due.reduce((sum, one) => sum + one.minutes, 0);
  return message('shelf.someDue', {
    due: due.length,
    instruments: shown.length,
    minutes: Math.max(1, Math.round(minutes)),
  });
}
