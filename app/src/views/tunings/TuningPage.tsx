import { capoWayInWords } from '@rosefinch/core/sentences';
import { useWords } from '../../parts/words/index.ts';
import './tunings.css';
import { Stack, Text, TextInput } from '@mantine/core';
import { capoWays, findTuning, type Tuning } from '@rosefinch/core/music';
import { instrumentFor } from '@rosefinch/core/strings';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { inHandFirst, type Stock, useData, useStock } from '../../data/index.ts';
import { type Card, cardOf, NeighbourMap } from '../../parts/cards/index.ts';
import { Checks } from './Checks.tsx';
import { LoadTable } from './LoadTable.tsx';
import { NeckTemper } from './NeckTemper.tsx';
import type { ShownTuning } from './shown.ts';
import { TuningHead } from './TuningHead.tsx';

/** One tuning: its strings and their load, its chord, and how to check it by ear. */
export function TuningPage() {
  const t = useWords();
  const { tuning: id = '' } = useParams();
  const stock = useStock();
  if (!stock) return <p>{t('common.moment')}</p>;
  const tuning = findTuning(id, stock.tunings);
  if (!tuning)
    return (
      <p>
        {t('tunings.noTuningCalled', { id })} <Link to="/tunings">{t('tunings.allTunings')}</Link>
      </p>
    );
  const instrument = instrumentFor(tuning, inHandFirst(stock), (model) => t(model.name));
  if (!instrument) return <p>{t('tunings.noInstrument')}</p>;
  const card = cardOf(tuning, instrument, stock, t);
  const shown: ShownTuning = { card, tuning, instrument, stock };
  return (
    <Stack>
      <TuningHead tuning={tuning} card={card} canPlan={stock.shelf.includes(instrument)} />
      <Phrase key={tuning.id} tuning={tuning} stock={stock} />
      <LoadTable {...shown} />
      {card.way && <Way way={card.way} />}
      <Checks {...shown} />
      {instrument.frets > 0 && (
        <NeckTemper key={`temper ${tuning.id}`} {...{ tuning, instrument }} />
      )}
      <SameNotes tuning={tuning} tunings={stock.tunings} />
      <Neighbours tuning={tuning} tunings={stock.tunings} />
    </Stack>
  );
}

/** What the teacher remembers the tuning by; kept when the field is left. */
function Phrase({ tuning, stock }: { tuning: Tuning; stock: Stock }) {
  const t = useWords();
  const { repository } = useData();
  const { phrases } = stock.settings;
  const [text, setText] = useState(phrases[tuning.id] ?? '');
  const keep = () => {
    const { [tuning.id]: _, ...others } = phrases;
    const phrase = text.trim();
    void repository.saveSettings({
      phrases: phrase === '' ? others : { ...others, [tuning.id]: phrase },
    });
  };
  const kept = text.trim() !== '' && text.trim() === phrases[tuning.id];
  return (
    <div className="phrase" data-empty={text.trim() === ''}>
      <TextInput
        label={t('tunings.rememberItBy')}
        description={kept ? t('tunings.keptItIsPrintedOn') : t('tunings.aSentenceOfYourOwn')}
        maw={520}
        maxLength={120}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={keep}
      />
    </div>
  );
}

/** How to get here from the tuning that the instrument is kept in. */
function Way({ way }: { way: NonNullable<Card['way']> }) {
  const t = useWords();
  return (
    <section className="card medium" aria-label={t('tunings.theWayThere')}>
      <strong>{t('tunings.fromFrom', { from: way.from })}</strong>
      <ol className="way">
        {way.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      {way.warnings.map((say) => (
        <Text size="sm" key={say}>
          {say}
        </Text>
      ))}
    </section>
  );
}

/** Other tunings that sound the same with a capo. */
function SameNotes({ tuning, tunings }: { tuning: Tuning; tunings: readonly Tuning[] }) {
  const t = useWords();
  const ways = capoWays(tuning, tunings);
  if (ways.length === 0) return null;
  return (
    <section aria-label={t('tunings.theSameNotesWithA')}>
      {ways.map(({ tuning: other, fret }) => (
        <div key={other.id}>
          <Link to={`/tunings/${other.id}`}>{t(capoWayInWords(other.name, fret))}</Link>
        </div>
      ))}
    </section>
  );
}

function Neighbours({ tuning, tunings }: { tuning: Tuning; tunings: readonly Tuning[] }) {
  const t = useWords();
  return (
    <section className="screen-only" aria-label={t('parts.tuningsNearBy')}>
      <NeighbourMap tuning={tuning} tunings={tunings} />
    </section>
  );
}
