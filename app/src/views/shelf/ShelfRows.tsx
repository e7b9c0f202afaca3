import { Checkbox } from '@mantine/core';
import { type LabelId, list, message } from '@rosefinch/core/message';
import type { Need } from '@rosefinch/core/rounds';
import {
  diagnosisInWords,
  kindInWords,
  minutesInShort,
  needInWords,
  tuningName,
} from '@rosefinch/core/sentences';
import { Link } from 'react-router';
import { now, zone } from '../../environment.ts';
import { FoundWires } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Shelved } from './shelved.ts';

interface Props {
  readonly shelf: readonly Shelved[];
  readonly chosen: ReadonlySet<string>;
  readonly onPick: (id: string) => void;
}

const HEADINGS: Readonly<Record<Need['kind'], LabelId>> = {
  now: 'shelf.toLookAtNow',
  'probably right': 'shelf.probablyRight',
  resting: 'shelf.resting',
};

/** The shelf by need, each instrument with what is going on with it. */
export function ShelfRows({ shelf, chosen, onPick }: Props) {
  const t = useWords();
  // Rows stand still until what is due is known: then they move once.
  if (shelf.some(({ facts }) => facts.pending && facts.sittings > 0))
    return <Rows title={t('shelf.workingOutWhatIsDue')} {...{ shelf, chosen, onPick }} />;
  return (Object.keys(HEADINGS) as Need['kind'][]).map((kind) => {
    const rows = shelf.filter(({ need }) => need.kind === kind);
    if (rows.length === 0) return null;
    return <Rows key={kind} title={t(HEADINGS[kind])} {...{ shelf: rows, chosen, onPick }} />;
  });
}

function Rows({ title, shelf, chosen, onPick }: Props & { readonly title: string }) {
  return (
    <section className="shelf-group" aria-label={title}>
      <h2>
        {title} <span className="soft">{shelf.length}</span>
      </h2>
      <ul>
        {shelf.map((entry) => (
          <Row
            key={entry.instrument.id}
            entry={entry}
            chosen={chosen.has(entry.instrument.id)}
            onPick={onPick}
          />
        ))}
      </ul>
    </section>
  );
}

interface RowProps {
  readonly entry: Shelved;
  readonly chosen: boolean;
  readonly onPick: (id: string) => void;
}

function Row({ entry, chosen, onPick }: RowProps) {
  const t = useWords();
  const { instrument, tuning, life, need, minutes, facts } = entry;
  const clock = { now: now(), zone: zone() };
  const found = life.sittings.map(({ summary }) =>
    summary.strings.filter(({ member }) => member === 1).map((string) => string.found),
  );
  return (
    <li className="shelf-row" aria-label={instrument.name}>
      <Checkbox
        aria-label={t('shelf.takeNameAlong', { name: instrument.name })}
        size="md"
        className="shelf-pick"
        checked={chosen}
        onChange={() => onPick(instrument.id)}
      />
      <Link to={`/shelf/${instrument.id}`} className="shelf-name">
        <strong>{instrument.name}</strong>
        <span className="soft">
          {t.value(
            list([
              kindInWords(instrument.kind),
              ...(tuning ? [tuningName(tuning)] : []),
              ...(instrument.capo ? [message('shelf.capoAt', { fret: instrument.capo })] : []),
            ]),
          )}
        </span>
      </Link>
      <span className="shelf-wires">
        <FoundWires
          sittings={found}
          strings={instrument.courses.length}
          tolerance={life.sittings.at(-1)?.session.tolerance ?? 2}
          label={t('shelf.theLastSittingsOfName', { name: instrument.name })}
        />
      </span>
      <span className="shelf-says">
        {t(diagnosisInWords(facts, clock))}
        {instrument.groups?.length ? (
          <span className="soft"> {instrument.groups.join(', ')}</span>
        ) : null}
      </span>
      <span className="shelf-minutes">{t(minutesInShort(minutes))}</span>
      <span className="shelf-due" data-now={need.kind === 'now'}>
        {t(needInWords(need, clock, facts.pending))}
      </span>
    </li>
  );
}
