import { Button, Stack } from '@mantine/core';
import type { Instrument } from '@rosefinch/core/strings';
import { useEffect, useRef } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useData, useLive, useStock } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { useNotices, ViewHead } from '../../parts/frame/index.ts';
import { NeckCard } from '../../parts/neck/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { FretSummary } from '../frets/index.ts';
import { StringAges } from '../settle/index.ts';
import { HandOn } from './HandOn.tsx';
import { InstrumentForm } from './InstrumentForm.tsx';
import { InstrumentStory } from './InstrumentStory.tsx';

/** The facts of one instrument: to be changed, copied, or taken off the shelf. */
export function InstrumentPage() {
  const t = useWords();
  const { instrument: id = '' } = useParams();
  // Those that were taken off the shelf can be seen too.
  const all = useLive((r) => r.instruments(), 'instruments');
  const stock = useStock();
  const save = useSaving();
  useTakenInHand(
    all?.find((entry) => entry.id === id),
    stock?.settings.instrumentId ?? null,
  );
  if (!all || !stock) return <p>{t('common.moment')}</p>;
  const instrument = all.find((entry) => entry.id === id);
  if (!instrument)
    return (
      <p>
        {t('shelf.noSuchInstrument')} <Link to="/shelf">{t('shelf.theShelf')}</Link>
      </p>
    );
  return (
    <Stack>
      <Head instrument={instrument} />
      <InstrumentStory instrument={instrument} />
      <div className="instrument-columns">
        <StringAges instrument={instrument} />
        <FretSummary instrument={instrument} stock={stock} />
      </div>
      <InstrumentForm
        key={JSON.stringify(instrument)}
        instrument={instrument}
        stock={stock}
        onSave={(next) => save(next, t('shelf.saved'))}
      />
      <NeckCard instrument={instrument} stock={stock} />
    </Stack>
  );
}

/**
 * Takes the instrument of a page in hand, so that the head names the same one; and goes along to the
 * page of another one that is taken in hand there.
 */
function useTakenInHand(instrument: Instrument | undefined, inHand: string | null): void {
  const { repository } = useData();
  const navigate = useNavigate();
  const taken = useRef<string | null>(null);
  const id = instrument?.id;
  const archived = instrument?.archived === true;
  useEffect(() => {
    if (id === undefined || archived) return;
    if (inHand === id) taken.current = id;
    else if (taken.current !== id) void repository.saveSettings({ instrumentId: id });
    else if (inHand !== null) void navigate(`/shelf/${inHand}`);
  }, [id, archived, inHand, repository, navigate]);
}

/** Saves an instrument, and lets that be taken back. */
function useSaving() {
  const { repository } = useData();
  const notices = useNotices();
  return async (next: Instrument, says: string) => {
    const undo = await repository.saveInstrument(next);
    notices.undoable(says, undo);
  };
}

/** Its name, and what can be done with it as a whole. */
function Head({ instrument }: { readonly instrument: Instrument }) {
  const t = useWords();
  const { repository } = useData();
  const navigate = useNavigate();
  const save = useSaving();
  const copy = async () => {
    const next = {
      ...instrument,
      id: newId(),
      name: t('shelf.copyOf', { instrument: instrument.name }),
    };
    await repository.saveInstrument(next);
    await navigate(`/shelf/${next.id}`);
  };
  const onBench = async () => {
    await repository.saveSettings({ instrumentId: instrument.id });
    await navigate('/');
  };
  const back = () => {
    const { archived: _, ...kept } = instrument;
    void save(kept, t('shelf.isBack'));
  };
  const away = () => void save({ ...instrument, archived: true }, t('shelf.isOff'));
  return (
    <ViewHead title={instrument.name}>
      {!instrument.archived && (
        <Button onClick={() => void onBench()}>{t('shelf.putItOnTheBench')}</Button>
      )}
      <Button variant="default" onClick={() => void copy()}>
        {t('shelf.copy')}
      </Button>
      <Button
        component={Link}
        to={`/paper?card=pegs&instrument=${instrument.id}`}
        variant="default"
      >
        {t('shelf.pegCard')}
      </Button>
      <HandOn instrument={instrument} />
      <Button variant="default" onClick={instrument.archived ? back : away}>
        {instrument.archived ? t('shelf.backOnTheShelf') : t('shelf.takeItOffTheShelf')}
      </Button>
    </ViewHead>
  );
}
