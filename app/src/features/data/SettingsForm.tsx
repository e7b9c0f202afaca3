import { Button, NativeSelect, Slider, Stack, Switch, Text, Title } from '@mantine/core';
import { type Settings, useData, useLive } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { CheckedNumber, type NumberRule } from '../../ui/index.ts';

const A4: NumberRule = { name: 'A4', low: 400, high: 480, unit: ' Hz' };
const TOLERANCE: NumberRule = { name: 'Tolerance', low: 0.5, high: 20, unit: ' cents' };

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
        <CheckedNumber
          rule={A4}
          label="A4, Hz"
          description="400 to 480; 440 is the standard"
          decimalScale={1}
          value={settings.a4}
          stays={`${settings.a4} Hz stays.`}
          onValue={(a4) => set({ a4 })}
        />
        <OpenSitting settings={settings} />
        <CheckedNumber
          rule={TOLERANCE}
          label="Tolerance, cents"
          description="A string this near its note is at rest"
          step={0.5}
          decimalScale={1}
          value={settings.tolerance}
          stays={`${settings.tolerance} cents stay.`}
          onValue={(tolerance) => set({ tolerance })}
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

/** A sitting keeps the A4 and the tolerance that it began with: said where they differ, with the way on. */
function OpenSitting({ settings }: { settings: Settings }) {
  const { repository } = useData();
  const { a4, tolerance, instrumentId } = settings;
  const sitting = useLive(
    async (r) =>
      (await r.sessions()).find(
        (s) => s.instrumentId === instrumentId && s.endedAt === null && s.work !== 'settling',
      ),
    `open sitting ${instrumentId}`,
  );
  if (!sitting || (sitting.a4 === a4 && sitting.tolerance === tolerance)) return null;
  return (
    <div className="card" role="status">
      <Text>
        The sitting on the bench keeps {sitting.a4} Hz and {sitting.tolerance} cents, with which it
        began.
      </Text>
      <Button
        variant="default"
        mt="xs"
        onClick={() => void repository.endSession(sitting.id, now())}
      >
        Begin a new sitting with {a4} Hz and {tolerance} cents
      </Button>
    </div>
  );
}
