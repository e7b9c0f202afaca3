import { Button, Group, Text, Title } from '@mantine/core';
import { counted, SETTINGS_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { archiveAside, type StoreReport, useData } from '../../data/index.ts';
import { download } from '../../parts/frame/index.ts';
import { useArchive } from './useArchive.ts';
import { WorkLine } from './WorkLine.tsx';

/** Reads everything that is kept: what can be mended is, the rest is told, and nothing is lost. */
export function StoreCheck() {
  const { shelf } = useData();
  const archive = useArchive();
  const [report, setReport] = useState<StoreReport | null>(null);
  const check = () =>
    archive.run(
      (progress) => archiveAside(shelf, { job: 'check' }, progress),
      (found) => {
        setReport(found);
        return inWords(found);
      },
    );
  const save = ({ left }: StoreReport) =>
    download(
      'rosefinch-check.txt',
      left.map(({ place, reason, text }) => `${place}: ${reason}\n${text}\n`).join('\n'),
      'text/plain',
    );
  return (
    <section aria-label="Check of the records">
      <Title order={2} size="h3">
        Check the records
      </Title>
      <Text mb="sm">{SETTINGS_SAYS.check}</Text>
      <Group>
        <Button variant="default" onClick={() => void check()}>
          Check the records
        </Button>
        {report && report.left.length > 0 && (
          <Button variant="default" onClick={() => save(report)}>
            Save the list
          </Button>
        )}
      </Group>
      <WorkLine work={archive.work} name="Checking" onCancel={archive.cancel} />
      {archive.work.kind === 'done' && report && <Found report={report} />}
    </section>
  );
}

const MOST_SHOWN = 10;

function Found({ report }: { readonly report: StoreReport }) {
  return (
    <ul>
      {[...new Set(report.mended)].map((what) => (
        <li key={what}>
          {what} Mended, {counted(report.mended.filter((one) => one === what).length, 'time')}.
        </li>
      ))}
      {report.left.slice(0, MOST_SHOWN).map(({ place, reason }) => (
        <li key={place}>
          {place}: {reason}
        </li>
      ))}
    </ul>
  );
}

function inWords({ checked, mended, left }: StoreReport): string {
  return SETTINGS_SAYS.checked(checked, mended.length, left.length);
}
