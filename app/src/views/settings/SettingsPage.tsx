import './settings.css';
import { Button, Stack } from '@mantine/core';
import { Link } from 'react-router';
import { useSettings } from '../../data/index.ts';
import { installerNow } from '../../environment.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { SettingsForm } from './SettingsForm.tsx';

/** What the bench goes by; what is kept lies beside it. */
export function SettingsPage() {
  const settings = useSettings();
  const install = installerNow();
  if (!settings) return <p>One moment …</p>;
  return (
    <Stack>
      <ViewHead title="Settings">
        <Button component={Link} to="/data" variant="default">
          Backup and restore
        </Button>
        {install && (
          <Button variant="default" onClick={install}>
            Install it on this machine
          </Button>
        )}
      </ViewHead>
      <SettingsForm settings={settings} />
    </Stack>
  );
}
