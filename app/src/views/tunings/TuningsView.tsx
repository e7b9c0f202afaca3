import { Button, Group, Stack, TextInput } from '@mantine/core';
import { list, message } from '@rosefinch/core/message';
import {
  findTuning,
  findTunings,
  notesInWords,
  type OwnTuning,
  openChord,
  type Tuning,
} from '@rosefinch/core/music';
import { kindInWords } from '@rosefinch/core/sentences';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useData, useLive } from '../../data/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { PitchWires } from './PitchWires.tsx';

/** The catalogue: found by name, chord or notes, each as a small set of wires by pitch. */
export function TuningsView() {
  const t = useWords();
  const [query, setQuery] = useState('');
  const tunings = useLive((repository) => repository.tunings(), 'tunings');
  if (!tunings) return <p>{t('common.moment')}</p>;
  const found = findTunings(query, t.value, tunings, t.reader);
  return (
    <Stack>
      <ViewHead title={t('tunings.tunings')}>
        <Button component={Link} to="/tunings/new">
          {t('tunings.aTuningOfYourOwn')}
        </Button>
      </ViewHead>
      <Deleted />
      <TextInput
        maw={520}
        size="md"
        label={t('tunings.search')}
        description={t('tunings.searchBy')}
        value={query}
        onChange={(event) => setQuery(event.currentTarget.value)}
      />
      <div role="status" className="soft">
        {found.length === 0 ? t('tunings.noneFits') : t('tunings.fit', { count: found.length })}
      </div>
      <div className="tiles">
        {found.map((tuning) => (
          <Tile key={tuning.id} tuning={tuning} />
        ))}
      </div>
    </Stack>
  );
}

/** After a tuning was thrown away: the way to bring it back. */
function Deleted() {
  const t = useWords();
  const { repository } = useData();
  const { deleted } = (useLocation().state ?? {}) as { deleted?: OwnTuning };
  const [back, setBack] = useState(false);
  if (!deleted || back) return null;
  return (
    <Group role="status">
      <span>{t('tunings.nameIsDeleted', { name: deleted.name })}</span>
      <Button
        variant="default"
        onClick={() => {
          void repository.saveTuning(deleted);
          setBack(true);
        }}
      >
        {t('common.undo')}
      </Button>
    </Group>
  );
}

function Tile({ tuning }: { tuning: Tuning }) {
  const t = useWords();
  const chord = openChord(tuning, t.reader);
  return (
    <Link to={`/tunings/${tuning.id}`} className="card tile">
      <strong>{t.value(tuning.name)}</strong>
      <span className="soft">
        {t.value(
          list([
            ...(findTuning(tuning.id) ? [] : [message('tunings.ownOne')]),
            kindInWords(tuning.kind),
            ...(chord ? [message('parts.openChordOf', { chord })] : []),
          ]),
        )}
      </span>
      <span>{notesInWords(tuning, t.reader)}</span>
      <PitchWires tuning={tuning} />
    </Link>
  );
}
