import { Button, FileButton, Group, Radio, Title } from '@mantine/core';
import { type LabelId, message } from '@rosefinch/core/message';
import { type Preference, TABLE_NAMES } from '@rosefinch/core/records';
import { useState } from 'react';
import { archiveAside, type Survey, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { download, useNotices } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { KINDS } from './kinds.ts';
import { useArchive } from './useArchive.ts';
import { useUndo } from './useUndo.ts';
import { WorkLine } from './WorkLine.tsx';

interface Planned {
  readonly file: File;
  readonly survey: Survey;
}

const PREFERENCES: readonly (readonly [Preference, LabelId])[] = [
  ['newer', 'settings.theNewerOne'],
  ['here', 'settings.theOneHere'],
  ['file', 'settings.theFiles'],
];

/** Reads a backup, shows what it would do, and does it only then: all of it, what is good of it, or nothing. */
export function Restore() {
  const t = useWords();
  const { archive, planned, plan, restore, leave } = useRestore();
  return (
    <section aria-label={t('settings.restore')}>
      <Title order={2} size="h3" mb="sm">
        {t('settings.restoreABackup')}
      </Title>
      <FileButton
        onChange={(file) => void plan(file)}
        accept="application/json,.json"
        inputProps={{ 'aria-label': t('settings.backupFile') }}
      >
        {(props) => (
          <Button {...props} variant="default">
            {t('settings.chooseABackup')}
          </Button>
        )}
      </FileButton>
      <WorkLine work={archive.work} name={t('settings.readingBackup')} onCancel={archive.cancel} />
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
  const undo = useUndo(archive);
  const restore = ({ file }: Planned, preference: Preference, salvage: boolean) => {
    const how = { preference, salvage };
    void archive.run(
      (progress) => archiveAside(shelf, { job: 'restore', file, how, at: now() }, progress),
      (id) => {
        setPlanned(null);
        notices.undoable(message('settings.restored'), () => undo(id));
        return message('settings.restoredAll');
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
  const t = useWords();
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
          label={t('settings.whereBothAreThereAnd')}
          value={preference}
          onChange={(value) => setPreference(value as Preference)}
        >
          <Group>
            {PREFERENCES.map(([value, label]) => (
              <Radio key={value} value={value} label={t(label)} size="md" />
            ))}
          </Group>
        </Radio.Group>
      )}
      <Group mt="sm">
        <Button onClick={() => onRestore(preference, faults > 0)}>
          {faults > 0 ? t('settings.restoreWhatIsGood') : t('settings.restore')}
        </Button>
        <Button variant="default" onClick={onLeave}>
          {t('settings.leaveIt')}
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
  const t = useWords();
  return (
    <table className="ledger narrow">
      <caption>{t('settings.whatFileDoes', { file: name })}</caption>
      <thead>
        <tr>
          <th scope="col">{t('settings.kind')}</th>
          <th scope="col">{t('settings.new')}</th>
          <th scope="col">{t('settings.newer')}</th>
          <th scope="col">{t('settings.older')}</th>
          <th scope="col">{t('settings.different')}</th>
          <th scope="col">{t('settings.same')}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name}>
            <th scope="row">{t(KINDS[row.name])}</th>
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
  const t = useWords();
  const all = faults.length + moreFaults;
  const save = () => {
    const text = faults.map(
      ({ place, reason, text }) => `${t.value(place)}: ${t.value(reason)}\n${text}\n`,
    );
    download(`${name}-left-out.txt`, text.join('\n'), 'text/plain');
  };
  return (
    <div className="problem" role="alert">
      <strong>{t('settings.notReadable', { records: all, file: name })}</strong>
      <ul>
        {faults.slice(0, FAULTS_SHOWN).map(({ place, reason }) => (
          <li key={t.value(place)}>
            {t.value(place)}: {t.value(reason)}
          </li>
        ))}
      </ul>
      {t('settings.restWithout', { records: all })}
      <Group mt="sm">
        <Button variant="default" onClick={save}>
          {t('settings.saveTheList')}
        </Button>
      </Group>
    </div>
  );
}
