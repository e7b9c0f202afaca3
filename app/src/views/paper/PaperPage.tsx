import { kindInWords, tuningName } from '@rosefinch/core/sentences';
import { useWords } from '../../parts/words/index.ts';
import './paper.css';
import { Button, Checkbox, Group, MultiSelect, NativeSelect } from '@mantine/core';
import { type Tuning, tuningsFor } from '@rosefinch/core/music';
import { useSearchParams } from 'react-router';
import { type Stock, useStock } from '../../data/index.ts';
import { locale } from '../../environment.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { aboutOf, type Choices, cardsOf, IN_POCKET, inPocket, KINDS } from './paperCards.tsx';
import { Sheets } from './Sheets.tsx';
import { CARD_SIZES, SHEETS, sizeOf, usualSizes } from './sizes.ts';

/** Cards to print, as they come out of the printer; what is chosen stands in the address. */
export function PaperPage() {
  const t = useWords();
  const stock = useStock();
  if (!stock) return <p>{t('common.moment')}</p>;
  return <Paper stock={stock} />;
}

function Paper({ stock }: { readonly stock: Stock }) {
  const t = useWords();
  const [search, setSearch] = useSearchParams();
  const setAll = (name: string, values: readonly string[]) => {
    const next = new URLSearchParams(search);
    next.delete(name);
    for (const value of values) next.append(name, value);
    setSearch(next, { replace: true });
  };
  const set = (name: string, value: string) => setAll(name, value === '' ? [] : [value]);
  const usual = usualSizes(locale());
  const kind = KINDS.find(({ value }) => value === search.get('card'))?.value ?? 'pupil';
  const many = kind === 'class';
  const card =
    sizeOf(search.get('size'), CARD_SIZES) ?? (kind === 'map' ? usual.sheet : usual.card);
  const sheet = search.get('paper') ?? (many ? usual.sheet.id : 'card');
  const paper = sizeOf(sheet, SHEETS) ?? card;
  const groups = [...new Set(stock.shelf.flatMap((one) => one.groups ?? []))];
  const about = aboutOf(search, stock);
  const choices: Choices = { kind, tension: search.has('tension'), group: search.get('group') };
  const cards = cardsOf({ ...choices, pocket: search.getAll('with') }, about, stock, t);
  return (
    <>
      <div className="screen-only">
        <ViewHead title={t('paper.onPaper')}>
          <Button onClick={() => window.print()} disabled={cards.length === 0}>
            {t('paper.print')}
          </Button>
        </ViewHead>
        <Group align="end" mb="md">
          <NativeSelect
            label={t('paper.what')}
            data={KINDS.map(({ value, label }) => ({ value, label: t(label) }))}
            value={kind}
            onChange={(event) => set('card', event.currentTarget.value)}
          />
          {many ? (
            <NativeSelect
              label={t('paper.whose')}
              data={[
                { value: '', label: t('paper.allOfTheShelf') },
                ...groups.map((group) => ({ value: group, label: group })),
              ]}
              value={choices.group ?? ''}
              onChange={(event) => set('group', event.currentTarget.value)}
            />
          ) : kind === 'pegs' ? (
            <NativeSelect
              label={t('paper.whichInstrument')}
              data={stock.shelf.map(({ id, name }) => ({ value: id, label: name }))}
              value={about.instrument?.id ?? ''}
              onChange={(event) => set('instrument', event.currentTarget.value)}
            />
          ) : (
            <TuningSelect
              label={kind === 'pocket' ? t('paper.begunFrom') : t('paper.whichTuning')}
              tuning={about.tuning}
              tunings={stock.tunings}
              onChange={(id) => set('tuning', id)}
            />
          )}
          {kind === 'pocket' && (
            <MultiSelect
              label={t('paper.tuningsOnIt')}
              maxValues={IN_POCKET}
              searchable
              data={tuningsFor(about.tuning.kind, about.tuning.courses.length, stock.tunings).map(
                (one) => ({ value: one.id, label: t.value(tuningName(one)) }),
              )}
              value={inPocket(about.tuning, stock, search.getAll('with')).map(({ id }) => id)}
              onChange={(ids) => setAll('with', ids)}
            />
          )}
          <NativeSelect
            label={t('paper.card')}
            data={CARD_SIZES.map(({ id, name }) => ({ value: id, label: t(name) }))}
            value={card.id}
            onChange={(event) => set('size', event.currentTarget.value)}
          />
          <NativeSelect
            label={t('paper.paperInThePrinter')}
            data={[
              { value: 'card', label: t('paper.asLargeAsTheCard') },
              ...SHEETS.map(({ id, name }) => ({ value: id, label: t(name) })),
            ]}
            value={paper === card ? 'card' : paper.id}
            onChange={(event) => set('paper', event.currentTarget.value)}
          />
          {(kind === 'pupil' || many) && (
            <Checkbox
              label={t('paper.tensionOfEachString')}
              checked={choices.tension}
              onChange={(event) => set('tension', event.currentTarget.checked ? 'yes' : '')}
            />
          )}
        </Group>
        {cards.length === 0 && <p>{t('paper.nothingFits')}</p>}
      </div>
      <Sheets {...{ card, paper, cards }} />
    </>
  );
}

interface TuningSelectProps {
  readonly label: string;
  readonly tuning: Tuning;
  readonly tunings: readonly Tuning[];
  readonly onChange: (id: string) => void;
}

function TuningSelect({ label, tuning, tunings, onChange }: TuningSelectProps) {
  const t = useWords();
  const all = tunings.some(({ id }) => id === tuning.id) ? tunings : [tuning, ...tunings];
  return (
    <NativeSelect
      label={label}
      data={all.map((one) => ({
        value: one.id,
        label: t('paper.nameKindOfLength', {
          name: tuningName(one),
          kind: kindInWords(one.kind),
          length: one.courses.length,
        }),
      }))}
      value={tuning.id}
      onChange={(event) => onChange(event.currentTarget.value)}
    />
  );
}
