import { type LabelId, list, message, type Value } from '@rosefinch/core/message';
import { kindInWords, tuningName } from '@rosefinch/core/sentences';
import { useWords } from '../words/index.ts';
import './inHand.css';
import { findTuning, type Tuning, tuningsFor } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { IconChevronLeft, IconChevronRight } from '@tabler/icons-react';
import { type ReactNode, useEffect, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { inHandOf, useData, useStock } from '../../data/index.ts';
import { IconAction, KEY_TABLE, keysOf, useKeys } from '../frame/index.ts';
import { Finder } from './Finder.tsx';
import type { FoundGroup } from './found.ts';

const KEYS = KEY_TABLE.everywhere;

interface Props {
  /** The views that can be gone to; jobs are done with the instrument in hand. */
  readonly views: readonly {
    readonly path: string;
    readonly title: LabelId;
    readonly job?: boolean;
  }[];
}

/** The instrument in hand, those beside it, and the way to any other, to a tuning or a view. */
export function InstrumentInHand({ views }: Props) {
  const t = useWords();
  const hand = useHand();
  const [opened, setOpened] = useState(false);
  const { pathname } = useLocation();
  const atWork = views.some(({ path, job }) => job && path === pathname);
  const navigate = useNavigate();
  const take = (id: string) => {
    hand.take(id);
    if (!atWork) void navigate('/');
  };
  const groups = useGroups(hand, views, take);
  useFindKey(setOpened);
  const acts = {
    find: () => setOpened(true),
    // Elsewhere these two keys turn the page.
    previous: atWork ? () => hand.beside(-1) : null,
    next: atWork ? () => hand.beside(1) : null,
  };
  useKeys(keysOf('everywhere', acts), hand.keysOn && !opened);
  const side = (label: string, hotkey: string, by: -1 | 1, icon: ReactNode) =>
    hand.instrument && (
      <IconAction label={label} hotkey={hotkey} onAct={() => hand.beside(by)}>
        {icon}
      </IconAction>
    );
  return (
    <div className="in-hand">
      {side(t('common.instrumentBefore'), KEYS.previous.shown, -1, <IconChevronLeft size={20} />)}
      <Name {...hand} onFind={acts.find} />
      {side(t('common.nextInstrument'), KEYS.next.shown, 1, <IconChevronRight size={20} />)}
      <Finder
        opened={opened}
        label={t('common.findAnInstrumentATuning')}
        groups={groups}
        onClose={() => setOpened(false)}
      />
    </div>
  );
}

/** The instrument that every job is done with. */
interface Hand {
  readonly shelf: readonly Instrument[];
  readonly tunings: readonly Tuning[];
  readonly keysOn: boolean;
  /** Undefined while the shelf is empty or not read yet. */
  readonly instrument: Instrument | undefined;
  readonly take: (instrumentId: string) => void;
  /** Takes the one before or after it, round and round. */
  readonly beside: (by: -1 | 1) => void;
}

function useHand(): Hand {
  const { repository } = useData();
  const stock = useStock();
  const { shelf = [], tunings = [], settings } = stock ?? {};
  const instrument = stock && inHandOf(stock);
  const take = (instrumentId: string) => void repository.saveSettings({ instrumentId });
  const beside = (by: -1 | 1) => {
    const at = shelf.findIndex(({ id }) => id === instrument?.id);
    const other = shelf[(at + by + shelf.length) % shelf.length];
    if (other) take(other.id);
  };
  const keysOn = settings?.keysOn ?? false;
  return { shelf, tunings, keysOn, instrument, take, beside };
}

function Name({ instrument, tunings, onFind }: Hand & { readonly onFind: () => void }) {
  const t = useWords();
  if (!instrument)
    return (
      <button type="button" className="in-hand-name" aria-haspopup="dialog" onClick={onFind}>
        {t('common.find')}
      </button>
    );
  const { name, tuningId, capo } = instrument;
  const tuning = findTuning(tuningId, tunings);
  const tuned = t.value(
    list([
      ...(tuning ? [tuningName(tuning)] : []),
      ...(capo ? [message('common.capoAt', { fret: capo })] : []),
    ]),
  );
  return (
    <button
      type="button"
      className="in-hand-name"
      aria-haspopup="dialog"
      aria-label={t('common.nameTunedInHand', { name, tuned })}
      onClick={onFind}
    >
      <strong>{name}</strong> <span>{tuned}</span>
    </button>
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

/** What a tuning is called; its id where it is not known here. */
function nameOfTuning(id: string, tunings: readonly Tuning[]): Value {
  const tuning = findTuning(id, tunings);
  return tuning ? tuningName(tuning) : id;
}

function useGroups(
  { shelf, tunings, instrument: inHand }: Hand,
  views: Props['views'],
  take: (instrumentId: string) => void,
): readonly FoundGroup[] {
  const t = useWords();
  const navigate = useNavigate();
  const instruments = shelf.map(({ id, name, kind, tuningId }) => ({
    id,
    label: name,
    more: t.value(list([kindInWords(kind), nameOfTuning(tuningId, tunings)])),
    act: () => take(id),
  }));
  const ways = inHand ? tuningsFor(inHand.kind, inHand.courses.length, tunings) : [];
  const retunings = ways
    .filter(({ id }) => id !== inHand?.tuningId)
    .map((tuning) => ({
      id: `to ${tuning.id}`,
      label: t('common.retuneToName', { name: tuningName(tuning) }),
      act: () => void navigate(`/retune?to=${tuning.id}`),
    }));
  const places = views.map(({ path, title }) => ({
    id: path,
    label: t(title),
    act: () => void navigate(path),
  }));
  return [
    { group: t('common.groupInstruments'), entries: instruments },
    {
      group: inHand ? t('common.groupRetuneName', { name: inHand.name }) : t('common.groupRetune'),
      entries: retunings,
    },
    { group: t('common.groupViews'), entries: places },
  ];
}
