import { Button, FileButton, Group, NumberInput } from '@mantine/core';
import type { AirOfDay } from '@rosefinch/core/records';
import { LOG_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { readAirCsv, useData, useLive } from '../../data/index.ts';
import { dayHere, now } from '../../environment.ts';
import { decimals } from '../../parts/frame/index.ts';

/** The air of the room: typed for today, or from the table of a logger. It tells dry air from pegs. */
export function AirForm() {
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
    setSays([LOG_SAYS.airKept]);
  };
  const read = async (file: File | null) => {
    if (!file) return;
    const result = readAirCsv(await file.text());
    if (!result.ok) {
      setSays([LOG_SAYS.nothingOf(file.name), ...result.faults]);
      return;
    }
    await repository.chronicle.saveAir(result.days);
    setSays([LOG_SAYS.airRead(result.lines, file.name, result.days.length)]);
  };
  return (
    <section aria-label="The air of the room" className="screen-only">
      <h2>The air of the room</h2>
      <p className="soft">
        {days && days.length > 0 && `${LOG_SAYS.daysKnown(days.length)} `}
        {LOG_SAYS.whatAirTells}
      </p>
      <Group align="end">
        <NumberInput
          {...decimals()}
          label="Temperature today, °C"
          w={180}
          min={-30}
          max={60}
          value={celsius}
          onChange={setCelsius}
        />
        <NumberInput
          {...decimals()}
          label="Humidity today, %"
          w={170}
          min={0}
          max={100}
          value={humidity}
          onChange={setHumidity}
        />
        <Button disabled={!typed} onClick={() => void save()}>
          Keep it
        </Button>
        <FileButton accept=".csv,text/csv" onChange={(file) => void read(file)}>
          {(props) => (
            <Button variant="default" {...props}>
              From a logger’s table (CSV)
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
