import { PAPER_SAYS } from '@rosefinch/core/words';
import './paper.css';
import { Button, Checkbox, Group, MultiSelect, NativeSelect } from '@mantine/core';
import { findTuning, neighboursOf, type Tuning, tuningsFor } from '@rosefinch/core/music';
import { homeTuning, type Instrument, MODELS } from '@rosefinch/core/strings';
import { useSearchParams } from 'react-router';
import { inHandOf, type Stock, useStock } from '../../data/index.ts';
import { locale } from '../../environment.ts';
import { NeighbourMap } from '../../parts/cards/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { PegCard, pegRoom } from './PegCard.tsx';
import { PocketCard, pocketRoom } from './PocketCard.tsx';
import { PupilCard, pupilRoom } from './PupilCard.tsx';
import { type PaperCard, type Room, Sheets } from './Sheets.tsx';
import { CARD_SIZES, SHEETS, sizeOf, usualSizes } from './sizes.ts';

const KINDS = [
  { value: 'pupil', label: 'a pupil’s card' },
  { value: 'class', label: 'a card for each of a class' },
  { value: 'pocket', label: 'a pocket card of four tunings' },
  { value: 'map', label: 'tunings near by' },
  { value: 'pegs', label: 'the pegs of an instrument' },
] as const;
type Kind = (typeof KINDS)[number]['value'];

const IN_POCKET = 4;
const mapRoom = (): Room => ({ wide: 60, high: 45 });

/** Cards to print, as they come out of the printer; what is chosen stands in the address. */
export function PaperPage() {
  const stock = useStock();
  if (!stock) return <p>One moment …</p>;
  return <Paper stock={stock} />;
}

function Paper({ stock }: { readonly stock: Stock }) {
  const [search, setSearch] = useSearchParams();
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(search);
    if (value === '') next.delete(name);
    else next.set(name, value);
    setSearch(next, { replace: true });
  };
  const setAll = (name: string, values: readonly string[]) => {
    const next = new URLSearchParams(search);
    next.delete(name);
    for (const value of values) next.append(name, value);
    setSearch(next, { replace: true });
  };
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
  const cards = cardsOf(choices, about, stock, search.getAll('with'));
  return (
    <>
      <div className="screen-only">
        <ViewHead title="On paper">
          <Button onClick={() => window.print()} disabled={cards.length === 0}>
            Print
          </Button>
        </ViewHead>
        <Group align="end" mb="md">
          <NativeSelect
            label="What"
            data={[...KINDS]}
            value={kind}
            onChange={(event) => set('card', event.currentTarget.value)}
          />
          {many ? (
            <NativeSelect
              label="Whose"
              data={[
                { value: '', label: 'all of the shelf' },
                ...groups.map((group) => ({ value: group, label: group })),
              ]}
              value={choices.group ?? ''}
              onChange={(event) => set('group', event.currentTarget.value)}
            />
          ) : kind === 'pegs' ? (
            <NativeSelect
              label="Which instrument"
              data={stock.shelf.map(({ id, name }) => ({ value: id, label: name }))}
              value={about.instrument?.id ?? ''}
              onChange={(event) => set('instrument', event.currentTarget.value)}
            />
          ) : (
            <TuningSelect
              label={kind === 'pocket' ? 'Begun from' : 'Which tuning'}
              tuning={about.tuning}
              tunings={stock.tunings}
              onChange={(id) => set('tuning', id)}
            />
          )}
          {kind === 'pocket' && (
            <MultiSelect
              label="Tunings on it"
              maxValues={IN_POCKET}
              searchable
              data={tuningsFor(about.tuning.kind, about.tuning.courses.length, stock.tunings).map(
                ({ id, name }) => ({ value: id, label: name }),
              )}
              value={inPocket(about.tuning, stock, search.getAll('with')).map(({ id }) => id)}
              onChange={(ids) => setAll('with', ids)}
            />
          )}
          <NativeSelect
            label="Card"
            data={CARD_SIZES.map(({ id, name }) => ({ value: id, label: name }))}
            value={card.id}
            onChange={(event) => set('size', event.currentTarget.value)}
          />
          <NativeSelect
            label="Paper in the printer"
            data={[
              { value: 'card', label: 'as large as the card' },
              ...SHEETS.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            value={paper === card ? 'card' : paper.id}
            onChange={(event) => set('paper', event.currentTarget.value)}
          />
          {(kind === 'pupil' || many) && (
            <Checkbox
              label="Tension of each string"
              checked={choices.tension}
              onChange={(event) => set('tension', event.currentTarget.checked ? 'yes' : '')}
            />
          )}
        </Group>
        {cards.length === 0 && <p>{PAPER_SAYS.nothingFits}</p>}
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
  const all = tunings.some(({ id }) => id === tuning.id) ? tunings : [tuning, ...tunings];
  return (
    <NativeSelect
      label={label}
      data={all.map(({ id, name, kind, courses }) => ({
        value: id,
        label: `${name}, ${kind} of ${courses.length}`,
      }))}
      value={tuning.id}
      onChange={(event) => onChange(event.currentTarget.value)}
    />
  );
}

/** What a card is about: the instrument in hand and its tuning, unless others are asked for. */
interface About {
  readonly tuning: Tuning;
  readonly instrument: Instrument | undefined;
}

function aboutOf(search: URLSearchParams, stock: Stock): About {
  const asked = findTuning(search.get('tuning') ?? '', stock.tunings);
  const inHand = stock.shelf.find(({ id }) => id === search.get('instrument')) ?? inHandOf(stock);
  const tuning =
    asked ?? (inHand && homeTuning(inHand, stock.tunings)) ?? (stock.tunings[0] as Tuning);
  return { tuning, instrument: inHand };
}

function takes({ kind, courses }: Instrument, tuning: Tuning): boolean {
  return kind === tuning.kind && courses.length === tuning.courses.length;
}

/** The instrument that a card of a tuning is drawn for: the one asked about, one of the shelf, or a usual one. */
function instrumentFor(tuning: Tuning, asked: Instrument | undefined, { shelf }: Stock) {
  if (asked && takes(asked, tuning)) return asked;
  return (
    shelf.find((one) => takes(one, tuning)) ??
    MODELS.map((model) => model.build(model.id, model.name)).find((one) => takes(one, tuning))
  );
}

/** The tunings of a pocket card: those that were chosen, else the one that is begun from and its nearest. */
function inPocket(tuning: Tuning, { tunings }: Stock, chosen: readonly string[]): Tuning[] {
  const asked = chosen.flatMap((id) => findTuning(id, tunings) ?? []);
  if (asked.length > 0) return asked.slice(0, IN_POCKET);
  const near = neighboursOf(tuning, tunings).map((one) => one.tuning);
  return [tuning, ...near].slice(0, IN_POCKET);
}

interface Choices {
  readonly kind: Kind;
  readonly tension: boolean;
  readonly group: string | null;
}

function cardsOf(
  { kind, tension, group }: Choices,
  { tuning, instrument: asked }: About,
  stock: Stock,
  pocket: readonly string[],
): PaperCard[] {
  switch (kind) {
    case 'pupil': {
      const instrument = instrumentFor(tuning, asked, stock);
      if (!instrument) return [];
      return [
        {
          key: tuning.id,
          card: <PupilCard {...{ tuning, instrument, stock, tension }} />,
          room: pupilRoom(tuning, instrument, tuning.id in stock.settings.phrases),
        },
      ];
    }
    case 'class':
      return stock.shelf
        .filter(({ groups = [] }) => group === null || groups.includes(group))
        .flatMap((instrument) => {
          const own = homeTuning(instrument, stock.tunings);
          if (!own) return [];
          const { id, name } = instrument;
          return [
            {
              key: id,
              card: <PupilCard {...{ tuning: own, instrument, stock, tension, name }} />,
              room: pupilRoom(own, instrument, own.id in stock.settings.phrases),
            },
          ];
        });
    case 'pocket': {
      const tunings = inPocket(tuning, stock, pocket);
      return [
        {
          key: tuning.id,
          card: <PocketCard {...{ tunings, from: tuning, stock }} />,
          room: pocketRoom,
        },
      ];
    }
    case 'map':
      return [
        {
          key: tuning.id,
          card: (
            <div className="card-map">
              <NeighbourMap tuning={tuning} tunings={stock.tunings} />
            </div>
          ),
          room: mapRoom,
        },
      ];
    case 'pegs': {
      const own = asked && homeTuning(asked, stock.tunings);
      if (!asked || !own) return [];
      return [
        {
          key: asked.id,
          card: <PegCard {...{ tuning: own, instrument: asked, stock }} />,
          room: pegRoom(own),
        },
      ];
    }
  }
}
