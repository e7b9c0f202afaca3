import { Button, FileButton, Group, Radio, Title } from '@mantine/core';
import { type Preference, TABLE_NAMES } from '@rosefinch/core/records';
import { SETTINGS_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { archiveAside, type Survey, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { download, useNotices } from '../../parts/frame/index.ts';
import { useArchive } from './useArchive.ts';
import { WorkLine } from './WorkLine.tsx';

interface Planned {
  readonly file: File;
  readonly survey: Survey;
}

const KINDS: Readonly<Record<(typeof TABLE_NAMES)[number], string>> = {
  settings: 'settings',
  instruments: 'instruments',
  tunings: 'tunings',
  restringings: 'new strings',
  fretChecks: 'fret checks',
  sessions: 'sittings',
  events: 'events',
  measurements: 'measurements',
  recordings: 'recordings',
  rounds: 'rounds',
  marks: 'loans, repairs and notes',
  climate: 'days of air',
  learners: 'learners',
  earRuns: 'ear exercises',
};

const PREFERENCES: readonly (readonly [Preference, string])[] = [
  ['newer', 'the newer one'],
  ['here', 'the one that is here'],
  ['file', 'the file’s'],
];

/** Reads a backup, shows what it would do, and does it only then: all of it, what is good of it, or nothing. */
export function Restore() {
  const { archive, planned, plan, restore, leave } = useRestore();
  return (
    <section aria-label="Restore">
      <Title order={2} size="h3" mb="sm">
        Restore a backup
      </Title>
      <FileButton
        onChange={(file) => void plan(file)}
        accept="application/json,.json"
        inputProps={{ 'aria-label': 'Backup file' }}
      >
        {(props) => (
          <Button {...props} variant="default">
            Choose a backup …
          </Button>
        )}
      </FileButton>
      <WorkLine work={archive.work} name="Reading the backup" onCancel={archive.cancel} />
      {planned && (
        <Plan
          key={planned.file.name}
          planned={planned}
          onRestore={(preference, salvage) => restore(planned, preference, salvage)}
          onLeave={leave}
        />
      )}
    </section>
  );
}

/** Looks through a backup, and takes it in when that is wanted. */
function useRestore() {
  const { shelf } = useData();
  const archive = useArchive();
  const notices = useNotices();
  const [planned, setPlanned] = useState<Planned | null>(null);

  const plan = async (file: File | null) => {
    if (!file) return;
    setPlanned(null);
    await archive.run(
      (progress) => archiveAside(shelf, { job: 'survey', file }, progress),
      (survey) => {
        setPlanned({ file, survey });
        return null;
      },
    );
  };
  const undo = () =>
    archive.run(
      (progress) => archiveAside(shelf, { job: 'undo' }, progress),
      () => SETTINGS_SAYS.asBefore,
    );
  const restore = ({ file }: Planned, preference: Preference, salvage: boolean) => {
    const how = { preference, salvage };
    void archive.run(
      (progress) => archiveAside(shelf, { job: 'restore', file, how, at: now() }, progress),
      () => {
        setPlanned(null);
        notices.undoable(SETTINGS_SAYS.restored, undo);
        return SETTINGS_SAYS.restoredAll;
      },
    );
  };
  return { archive, planned, plan, restore, leave: () => setPlanned(null) };
}

interface PlanProps {
  readonly planned: Planned;
  readonly onRestore: (preference: Preference, salvage: boolean) => void;
  readonly onLeave: () => void;
}

function Plan({ planned: { file, survey }, onRestore, onLeave }: PlanProps) {
  const [preference, setPreference] = useState<Preference>('newer');
  const faults = survey.faults.length + survey.moreFaults;
  const rows = rowsOf(survey);
  const differ = rows.some(({ newer, older, different }) => newer + older + different > 0);
  return (
    <div className="card">
      {faults > 0 && <Faults name={file.name} survey={survey} />}
      <Standings name={file.name} rows={rows} />
      {differ && (
        <Radio.Group
          mt="sm"
          label="Where both are there and differ, keep"
          value={preference}
          onChange={(value) => setPreference(value as Preference)}
        >
          <Group>
            {PREFERENCES.map(([value, label]) => (
              <Radio key={value} value={value} label={label} size="md" />
            ))}
          </Group>
        </Radio.Group>
      )}
      <Group mt="sm">
        <Button onClick={() => onRestore(preference, faults > 0)}>
          {faults > 0 ? 'Restore what is good' : 'Restore'}
        </Button>
        <Button variant="default" onClick={onLeave}>
          Leave it
        </Button>
      </Group>
    </div>
  );
}

const rowsOf = (survey: Survey) => TABLE_NAMES.map((name) => ({ name, ...survey.standings[name] }));

interface StandingsProps {
  readonly name: string;
  readonly rows: ReturnType<typeof rowsOf>;
}

/** How what is in the file stands to what is here, kind by kind. */
function Standings({ name, rows }: StandingsProps) {
  return (
    <table className="ledger narrow">
      <caption>{SETTINGS_SAYS.whatFileDoes(name)}</caption>
      <thead>
        <tr>
          <th scope="col">kind</th>
          <th scope="col">new</th>
          <th scope="col">newer</th>
          <th scope="col">older</th>
          <th scope="col">different</th>
          <th scope="col">same</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name}>
            <th scope="row">{KINDS[row.name]}</th>
            <td>{row.new}</td>
            <td>{row.newer}</td>
            <td>{row.older}</td>
            <td>{row.different}</td>
            <td>{row.same}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const FAULTS_SHOWN = 5;

function Faults({ name, survey: { faults, moreFaults } }: { name: string; survey: Survey }) {
  const all = faults.length + moreFaults;
  const save = () => {
    const text = faults.map(({ place, reason, text }) => `${place}: ${reason}\n${text}\n`);
    download(`${name}-left-out.txt`, text.join('\n'), 'text/plain');
  };
  return (
    <div className="problem" role="alert">
      <strong>{SETTINGS_SAYS.notReadable(all, name)}</strong>
      <ul>
        {faults.slice(0, FAULTS_SHOWN).map(({ place, reason }) => (
          <li key={place}>
            {place}: {reason}
          </li>
        ))}
      </ul>
      {SETTINGS_SAYS.restWithout(all)}
      <Group mt="sm">
        <Button variant="default" onClick={save}>
          Save the list
        </Button>
      </Group>
    </div>
  );
}
