import { useWords } from '../../parts/words/index.ts';
import './settings.css';
import { Button, Stack } from '@mantine/core';
import { Link } from 'react-router';
import { useSettings } from '../../data/index.ts';
import { installerNow } from '../../environment.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { SettingsForm } from './SettingsForm.tsx';

/** What the bench goes by; what is kept lies beside it. */
export function SettingsPage() {
  const t = useWords();
  const settings = useSettings();
  const install = installerNow();
  if (!settings) return <p>{t('common.moment')}</p>;
  return (
    <Stack>
      <ViewHead title={t('settings.settings')}>
        <Button component={Link} to="/data" variant="default">
          {t('settings.backupAndRestore')}
        </Button>
        {install && (
          <Button variant="default" onClick={install}>
            {t('settings.installItOnThisMachine')}
          </Button>
        )}
      </ViewHead>
      <SettingsForm settings={settings} />
    </Stack>
  );
}
