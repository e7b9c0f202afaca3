import { Button, FileButton, Group, NumberInput } from '@mantine/core';
import type { AirOfDay } from '@rosefinch/core/records';
import { useState } from 'react';
import { readAirCsv, useData, useLive } from '../../data/index.ts';
import { dayHere, now } from '../../environment.ts';
import { decimals } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** The air of the room: typed for today, or from the table of a logger. It tells dry air from pegs. */
export function AirForm() {
  const t = useWords();
  const { repository } = useData();
  const days = useLive((r) => r.chronicle.air(), 'air');
  const [celsius, setCelsius] = useState<number | string>('');
  const [humidity, setHumidity] = useState<number | string>('');
  const [says, setSays] = useState<readonly string[]>([]);
  const typed = celsius !== '' || humidity !== '';
  const save = async () => {
    const today: AirOfDay = {
      id: dayHere(now()),
      ...(celsius !== '' && { celsius: Number(celsius) }),
      ...(humidity !== '' && { humidity: Number(humidity) }),
    };
    await repository.chronicle.saveAir([today]);
    setSays([t('log.airKept')]);
  };
  const read = async (file: File | null) => {
    if (!file) return;
    const result = readAirCsv(await file.text());
    if (!result.ok) {
      setSays([t('log.nothingOf', { file: file.name }), ...result.faults.map((fault) => t(fault))]);
      return;
    }
    await repository.chronicle.saveAir(result.days);
    setSays([t('log.airRead', { lines: result.lines, file: file.name, days: result.days.length })]);
  };
  return (
    <section aria-label={t('log.theAirOfTheRoom')} className="screen-only">
      <h2>{t('log.theAirOfTheRoom')}</h2>
      <p className="soft">
        {days && days.length > 0 && `${t('log.daysKnown', { days: days.length })} `}
        {t('log.whatAirTells')}
      </p>
      <Group align="end">
        <NumberInput
          {...decimals(t.reader)}
          label={t('log.temperatureTodayC')}
          w={180}
          min={-30}
          max={60}
          value={celsius}
          onChange={setCelsius}
        />
        <NumberInput
          {...decimals(t.reader)}
          label={t('log.humidityToday')}
          w={170}
          min={0}
          max={100}
          value={humidity}
          onChange={setHumidity}
        />
        <Button disabled={!typed} onClick={() => void save()}>
          {t('log.keepIt')}
        </Button>
        <FileButton accept=".csv,text/csv" onChange={(file) => void read(file)}>
          {(props) => (
            <Button variant="default" {...props}>
              {t('log.fromALoggersTableCSV')}
            </Button>
          )}
        </FileButton>
      </Group>
      <div role="status">
        {says.map((line) => (
          <p key={line}>{line}</p>
        ))}
      </div>
    </section>
  );
}
