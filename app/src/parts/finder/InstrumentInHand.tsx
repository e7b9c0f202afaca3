import './inHand.css';
import { findTuning, tuningsFor } from '@rosefinch/core/music';
import { IconChevronLeft, IconChevronRight } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { type Stock, useData, useStock } from '../../data/index.ts';
import { IconAction, KEY_TABLE, keysOf, useKeys } from '../frame/index.ts';
import { Finder } from './Finder.tsx';
import type { FoundGroup } from './found.ts';

const KEYS = KEY_TABLE.everywhere;

interface Props {
  /** The views that can be gone to; jobs are done with the instrument in hand. */
  readonly views: readonly {
    readonly path: string;
    readonly title: string;
    readonly job?: boolean;
  }[];
}

/** The instrument in hand, those beside it, and the way to any other, to a tuning or a view. */
export function InstrumentInHand({ views }: Props) {
  const { repository } = useData();
  const stock = useStock();
  const [opened, setOpened] = useState(false);
  const shelf = stock?.shelf ?? [];
  const at = Math.max(
    0,
    shelf.findIndex(({ id }) => id === stock?.settings.instrumentId),
  );
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const atWork = views.some(({ path, job }) => job && path === pathname);
  const take = (instrumentId: string) => {
    void repository.saveSettings({ instrumentId });
    if (!atWork) void navigate('/');
  };
  const beside = (by: -1 | 1) => {
    const other = shelf[(at + by + shelf.length) % shelf.length];
    if (other) take(other.id);
  };
  useFindKey(setOpened);
  const acts = {
    find: () => setOpened(true),
    previous: () => beside(-1),
    next: () => beside(1),
  };
  // Elsewhere these two keys turn the page.
  const turning = atWork ? {} : { previous: null, next: null };
  useKeys(
    keysOf('everywhere', { ...acts, ...turning }),
    (stock?.settings.keysOn ?? false) && !opened,
  );
  const groups = useGroups(stock, at, views, take);
  const inHand = shelf[at];
  const tuning = inHand && stock && findTuning(inHand.tuningId, stock.tunings);
  const tuned = `${tuning?.name ?? ''}${inHand?.capo ? `, capo ${inHand.capo}` : ''}`;
  return (
    <div className="in-hand">
      {inHand && (
        <IconAction
          label="The instrument before"
          hotkey={KEYS.previous.shown}
          onAct={acts.previous}
        >
          <IconChevronLeft size={20} />
        </IconAction>
      )}
      <button
        type="button"
        className="in-hand-name"
        aria-haspopup="dialog"
        aria-label={inHand ? `${inHand.name} ${tuned}, in hand` : 'Find'}
        onClick={acts.find}
      >
        {inHand ? (
          <>
            <strong>{inHand.name}</strong> <span>{tuned}</span>
          </>
        ) : (
          'Find'
        )}
      </button>
      {inHand && (
        <IconAction label="The next instrument" hotkey={KEYS.next.shown} onAct={acts.next}>
          <IconChevronRight size={20} />
        </IconAction>
      )}
      <Finder
        opened={opened}
        label="Find an instrument, a tuning or a view"
        groups={groups}
        onClose={() => setOpened(false)}
      />
    </div>
  );
}

/** Ctrl+K opens the list too, also while something is typed. */
function useFindKey(open: (opened: boolean) => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
      event.preventDefault();
      open(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [open]);
}

function useGroups(
  stock: Stock | undefined,
  at: number,
  views: Props['views'],
  take: (instrumentId: string) => void,
): readonly FoundGroup[] {
  const navigate = useNavigate();
  const { shelf = [], tunings = [] } = stock ?? {};
  const inHand = shelf[at];
  const instruments = shelf.map(({ id, name, kind, tuningId }) => ({
    id,
    label: name,
    more: `${kind}, ${findTuning(tuningId, tunings)?.name ?? tuningId}`,
    act: () => take(id),
  }));
  const ways = inHand ? tuningsFor(inHand.kind, inHand.courses.length, tunings) : [];
  const retunings = ways
    .filter(({ id }) => id !== inHand?.tuningId)
    .map(({ id, name }) => ({
      id: `to ${id}`,
      label: `Retune to ${name}`,
      act: () => void navigate(`/retune?to=${id}`),
    }));
  const places = views.map(({ path, title }) => ({
    id: path,
    label: title,
    act: () => void navigate(path),
  }));
  return [
    { group: 'Instruments', entries: instruments },
    { group: inHand ? `Retune ${inHand.name}` : 'Retune', entries: retunings },
    { group: 'Views', entries: places },
  ];
}
