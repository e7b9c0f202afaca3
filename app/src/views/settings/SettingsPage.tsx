import './settings.css';
import { Button, Stack } from '@mantine/core';
import { Link } from 'react-router';
import { useSettings } from '../../data/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { SettingsForm } from './SettingsForm.tsx';

/** What the bench goes by; what is kept lies beside it. */
export function SettingsPage() {
  const settings = useSettings();
  if (!settings) return <p>One moment …</p>;
  return (
    <Stack>
      <ViewHead title="Settings">
        <Button component={Link} to="/data" variant="default">
          Backup and restore
        </Button>
      </ViewHead>
      <SettingsForm settings={settings} />
    </Stack>
  );
}
