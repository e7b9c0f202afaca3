import { Button, Group, Stack, TextInput } from '@mantine/core';
import {
  findTuning,
  findTunings,
  notesInWords,
  openChord,
  type Tuning,
} from '@rosefinch/core/music';
import { counted, TUNING_VIEW_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useData, useLive } from '../../data/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { PitchWires } from './PitchWires.tsx';

/** The catalogue: found by name, chord or notes, each as a small set of wires by pitch. */
export function TuningsView() {
  const [query, setQuery] = useState('');
  const tunings = useLive((repository) => repository.tunings(), 'tunings');
  if (!tunings) return <p>One moment …</p>;
  const found = findTunings(query, tunings);
  return (
    <Stack>
      <ViewHead title="Tunings">
        <Button component={Link} to="/tunings/new">
          A tuning of your own
        </Button>
      </ViewHead>
      <Deleted />
      <TextInput
        maw={520}
        size="md"
        label="Search"
        description={TUNING_VIEW_SAYS.searchBy}
        value={query}
        onChange={(event) => setQuery(event.currentTarget.value)}
      />
      <div role="status" className="soft">
        {found.length === 0
          ? TUNING_VIEW_SAYS.noneFits
          : counted(found.length, 'tuning fits', 'tunings fit')}
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
  const { repository } = useData();
  const { deleted } = (useLocation().state ?? {}) as { deleted?: Tuning };
  const [back, setBack] = useState(false);
  if (!deleted || back) return null;
  return (
    <Group role="status">
      <span>{deleted.name} is deleted.</span>
      <Button
        variant="default"
        onClick={() => {
          void repository.saveTuning(deleted);
          setBack(true);
        }}
      >
        Undo
      </Button>
    </Group>
  );
}

function Tile({ tuning }: { tuning: Tuning }) {
  const chord = openChord(tuning);
  return (
    <Link to={`/tunings/${tuning.id}`} className="card tile">
      <strong>{tuning.name}</strong>
      <span className="soft">
        {findTuning(tuning.id) ? '' : 'own, '}
        {tuning.kind}
        {chord && `, open chord ${chord}`}
      </span>
      <span>{notesInWords(tuning)}</span>
      <PitchWires tuning={tuning} />
    </Link>
  );
}
