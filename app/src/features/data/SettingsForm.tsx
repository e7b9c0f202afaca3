import { NativeSelect, NumberInput, Slider, Stack, Switch, Text, Title } from '@mantine/core';
import { type Settings, useData } from '../../data/index.ts';

/** What the bench goes by. Every change is kept at once. */
export function SettingsForm({ settings }: { settings: Settings }) {
  const { repository } = useData();
  const set = (change: Partial<Settings>) => void repository.saveSettings(change);
  return (
    <section aria-label="Settings">
      <Title order={1} size="h2" mb="sm">
        Settings
      </Title>
      <Stack gap="sm" maw={420}>
        <NumberInput
          label="A4, Hz"
          description="400 to 480; 440 is the standard"
          min={400}
          max={480}
          decimalScale={1}
          clampBehavior="blur"
          value={settings.a4}
          onChange={(value) => isWithin(value, 400, 480) && set({ a4: value })}
        />
        <NumberInput
          label="Tolerance, cents"
          description="A string this near its note is at rest"
          min={0.5}
          max={20}
          step={0.5}
          decimalScale={1}
          value={settings.tolerance}
          onChange={(value) => isWithin(value, 0.5, 20) && set({ tolerance: value })}
        />
        <NativeSelect
          label="Order of strings"
          data={['thickest first', 'thinnest first']}
          value={settings.order}
          onChange={(event) => set({ order: event.currentTarget.value as Settings['order'] })}
        />
        <NativeSelect
          label="Tension in"
          data={[
            { value: 'N', label: 'newtons, N' },
            { value: 'kgf', label: 'kilograms of force, kgf' },
          ]}
          value={settings.force}
          onChange={(event) => set({ force: event.currentTarget.value as Settings['force'] })}
        />
        <NativeSelect
          label="Wires"
          data={['as you look down', 'turned round']}
          value={settings.wires}
          onChange={(event) => set({ wires: event.currentTarget.value as Settings['wires'] })}
        />
        <NativeSelect
          label="Movements"
          description="Many small turns, or one to the pitch and the fine part after it"
          data={['many small', 'one bold']}
          value={settings.moves}
          onChange={(event) => set({ moves: event.currentTarget.value as Settings['moves'] })}
        />
        <NativeSelect
          label="Advice"
          data={[
            { value: 'full', label: 'with how it is done' },
            { value: 'short', label: 'one line' },
          ]}
          value={settings.wording}
          onChange={(event) => set({ wording: event.currentTarget.value as Settings['wording'] })}
        />
        <NativeSelect
          label="Reference tone"
          data={['plucked', 'sustained']}
          value={settings.referenceTone}
          onChange={(event) =>
            set({ referenceTone: event.currentTarget.value as Settings['referenceTone'] })
          }
        />
        <div>
          <Text size="sm">Loudness of the reference tone</Text>
          <Slider
            thumbLabel="Loudness of the reference tone, per cent"
            min={0}
            max={100}
            defaultValue={Math.round(100 * settings.referenceVolume)}
            onChangeEnd={(value) => set({ referenceVolume: value / 100 })}
          />
        </div>
        <Switch
          label="Aim ahead"
          description="A string is brought to where it will land when the others have been tuned, once the instrument is known"
          checked={settings.aiming}
          onChange={(e) => set({ aiming: e.currentTarget.checked })}
        />
        <Switch
          label="Keys are on"
          checked={settings.keysOn}
          onChange={(e) => set({ keysOn: e.currentTarget.checked })}
        />
        <Switch
          label="Say readings aloud"
          checked={settings.spokenArrival}
          onChange={(e) => set({ spokenArrival: e.currentTarget.checked })}
        />
        <Switch
          label="The practice guitar can be heard"
          checked={settings.practiceSound}
          onChange={(e) => set({ practiceSound: e.currentTarget.checked })}
        />
      </Stack>
    </section>
  );
}

function isWithin(value: number | string, low: number, high: number): value is number {
  return typeof value === 'number' && value >= low && value <= high;
}
