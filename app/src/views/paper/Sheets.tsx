import type { CSSProperties, ReactNode } from 'react';
import { useWords } from '../../parts/words/index.ts';
import { gridOf, type PaperSize, pagesOf } from './sizes.ts';

/** What a card needs, in widths of a letter. */
export interface Room {
  readonly wide: number;
  readonly high: number;
}

/** A card, and the room it needs by whether it stands or lies. */
export interface PaperCard {
  /** What tells it from the others. */
  readonly key: string;
  readonly card: ReactNode;
  readonly room: (lies: boolean) => Room;
}

interface Props {
  readonly card: PaperSize;
  /** The paper that goes into the printer: the card itself, or a sheet that holds many. */
  readonly paper: PaperSize;
  readonly cards: readonly PaperCard[];
}

/** Letters as large as every card has room for, in millimetres. */
function letterFor(card: PaperSize, cards: readonly PaperCard[]): number {
  const lies = card.width > card.height;
  return Math.min(
    ...cards.map(({ room }) => {
      const { wide, high } = room(lies);
      return Math.min(card.width / wide, card.height / high);
    }),
  );
}

/** Cards as they come out of the printer: true to size, cut lines between them, nothing of the page around. */
export function Sheets({ card, paper, cards }: Props) {
  const t = useWords();
  const { across, down } = gridOf(card, paper);
  const lies = card.width > card.height;
  const style = {
    '--card-width': `${card.width}mm`,
    '--card-height': `${card.height}mm`,
    '--letter': `${letterFor(card, cards)}mm`,
    '--across': across,
    '--sheet-width': `${paper.width}mm`,
    '--sheet-height': `${paper.height}mm`,
  } as CSSProperties;
  return (
    <section
      className="sheets"
      style={style}
      data-printed
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keys (axe: scrollable-region-focusable)
      tabIndex={0}
      aria-label={t('views.onPaper')}
    >
      {/* A page of this size and no other: what was asked for may be any paper. */}
      <style>{`@page { size: ${paper.width}mm ${paper.height}mm; margin: 0 }`}</style>
      {pagesOf(cards, across * down).map((page, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: pages have no name but their number
        <section key={i} className="sheet" aria-label={t('paper.page', { page: i + 1 })}>
          {page.map(({ key, card: shown }) => (
            <article key={key} className="paper-card" data-lies={lies}>
              {shown}
            </article>
          ))}
        </section>
      ))}
    </section>
  );
}
