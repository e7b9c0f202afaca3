import { Button, Group, Text, Title } from '@mantine/core';
import { type Message, message } from '@rosefinch/core/message';
import { useState } from 'react';
import { archiveAside, type StoreReport, useData } from '../../data/index.ts';
import { download } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { useArchive } from './useArchive.ts';
import { WorkLine } from './WorkLine.tsx';

/** Reads everything that is kept: what can be mended is, the rest is told, and nothing is lost. */
export function StoreCheck() {
  const t = useWords();
  const { shelf } = useData();
  const archive = useArchive();
  const [report, setReport] = useState<StoreReport | null>(null);
  const check = () =>
    archive.run(
      (progress) =>
        archiveAside(shelf, { job: 'check', foundAgain: t('records.foundAgain') }, progress),
      (found) => {
        setReport(found);
        return inWords(found);
      },
    );
  const save = ({ left }: StoreReport) =>
    download(
      'rosefinch-check.txt',
      left
        .map(({ place, reason, text }) => `${t.value(place)}: ${t.value(reason)}\n${text}\n`)
        .join('\n'),
      'text/plain',
    );
  return (
    <section aria-label={t('settings.checkOfTheRecords')}>
      <Title order={2} size="h3">
        {t('settings.checkTheRecords')}
      </Title>
      <Text mb="sm">{t('settings.check')}</Text>
      <Group>
        <Button variant="default" onClick={() => void check()}>
          {t('settings.checkTheRecords')}
        </Button>
        {report && report.left.length > 0 && (
          <Button variant="default" onClick={() => save(report)}>
            {t('settings.saveTheList')}
          </Button>
        )}
      </Group>
      <WorkLine work={archive.work} name={t('settings.checking')} onCancel={archive.cancel} />
      {archive.work.kind === 'done' && report && <Found report={report} />}
    </section>
  );
}

const MOST_SHOWN = 10;

function Found({ report }: { readonly report: StoreReport }) {
  const t = useWords();
  return (
    <ul>
      {[...timesOf(report.mended.map((one) => t(one)))].map(([what, times]) => (
        <li key={what}>{t('settings.mendedTimes', { what, times })}</li>
      ))}
      {report.left.slice(0, MOST_SHOWN).map(({ place, reason }) => (
        <li key={t.value(place)}>
          {t.value(place)}: {t.value(reason)}
        </li>
      ))}
    </ul>
  );
}

function inWords({ checked, mended, left }: StoreReport): Message {
  return message('settings.checked', {
    records: checked,
    mended: mended.length,
    left: left.length,
  });
}

/** How often each of some texts comes, in the order of their first time. */
function timesOf(texts: readonly string[]): Map<string, number> {
  const times = new Map<string, number>();
  for (const text of texts) times.set(text, (times.get(text) ?? 0) + 1);
  return times;
}
