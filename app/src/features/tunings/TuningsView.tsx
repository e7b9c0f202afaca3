import { Stack, TextInput, Title } from '@mantine/core';
import { findTunings, notesInWords, openChord, type Tuning } from '@rosefinch/core/music';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { counted, useKeys } from '../../ui/index.ts';
import { PitchWires } from './PitchWires.tsx';

/** The catalogue: found by name, chord or notes, each as a small set of wires by pitch. */
export function TuningsView() {
  const [query, setQuery] = useState('');
  const box = useRef<HTMLInputElement>(null);
  const found = findTunings(query);
  useKeys({ '/': () => box.current?.focus() }, true);
  return (
    <Stack>
      <Title order={1} size="h2">
        Tunings
      </Title>
      <TextInput
        ref={box}
        maw={520}
        size="md"
        label="Search"
        description="A name, an instrument, a chord, or notes such as D A D G A D. Key: /"
        value={query}
        onChange={(event) => setQuery(event.currentTarget.value)}
      />
      <div role="status" className="soft">
        {found.length === 0
          ? 'No tuning fits. Try fewer words.'
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

function Tile({ tuning }: { tuning: Tuning }) {
  const chord = openChord(tuning);
  return (
    <Link to={`/tunings/${tuning.id}`} className="card tile">
      <strong>{tuning.name}</strong>
      <span className="soft">
        {tuning.kind}
        {chord && `, open chord ${chord}`}
      </span>
      <span>{notesInWords(tuning)}</span>
      <PitchWires tuning={tuning} />
    </Link>
  );
}
