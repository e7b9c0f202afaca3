import { findTuning, neighboursOf, type Tuning } from '@rosefinch/core/music';
import { homeTuning, type Instrument, instrumentFor } from '@rosefinch/core/strings';
import type { Words } from '@rosefinch/words';
import { inHandOf, type Stock } from '../../data/index.ts';
import { NeighbourMap } from '../../parts/cards/index.ts';
import { PegCard, pegRoom } from './PegCard.tsx';
import { PocketCard, pocketRoom } from './PocketCard.tsx';
import { PupilCard, pupilRoom } from './PupilCard.tsx';
import type { PaperCard, Room } from './Sheets.tsx';

/** What can be printed. */
export const KINDS = [
  { value: 'pupil', label: 'paper.aPupilsCard' },
  { value: 'class', label: 'paper.aCardForEachOf' },
  { value: 'pocket', label: 'paper.aPocketCardOfFour' },
  { value: 'map', label: 'paper.tuningsNearBy' },
  { value: 'pegs', label: 'paper.thePegsOfAnInstrument' },
] as const;
type Kind = (typeof KINDS)[number]['value'];

/** So many tunings stand on a pocket card. */
export const IN_POCKET = 4;
const mapRoom = (): Room => ({ wide: 60, high: 45 });

/** What a card is about: the instrument in hand and its tuning, unless others are asked for. */
export interface About {
  readonly tuning: Tuning;
  readonly instrument: Instrument | undefined;
}

export function aboutOf(search: URLSearchParams, stock: Stock): About {
  const asked = findTuning(search.get('tuning') ?? '', stock.tunings);
  const inHand = stock.shelf.find(({ id }) => id === search.get('instrument')) ?? inHandOf(stock);
  const tuning =
    asked ?? (inHand && homeTuning(inHand, stock.tunings)) ?? (stock.tunings[0] as Tuning);
  return { tuning, instrument: inHand };
}

/** The tunings of a pocket card: those that were chosen, else the one that is begun from and its nearest. */
export function inPocket(tuning: Tuning, { tunings }: Stock, chosen: readonly string[]): Tuning[] {
  const asked = chosen.flatMap((id) => findTuning(id, tunings) ?? []);
  if (asked.length > 0) return asked.slice(0, IN_POCKET);
  const near = neighboursOf(tuning, tunings).map((one) => one.tuning);
  return [tuning, ...near].slice(0, IN_POCKET);
}

/** What is to be printed of it. */
export interface Choices {
  readonly kind: Kind;
  readonly tension: boolean;
  readonly group: string | null;
}

/** The cards of a kind; none where nothing fits. */
export function cardsOf(
  { kind, tension, group, pocket }: Choices & { readonly pocket: readonly string[] },
  { tuning, instrument: asked }: About,
  stock: Stock,
  t: Words,
): PaperCard[] {
  switch (kind) {
    case 'pupil': {
      const instrument = instrumentFor(
        tuning,
        [...(asked ? [asked] : []), ...stock.shelf],
        (model) => t(model.name),
      );
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
