import { Button, NativeSelect, Slider, Stack, Switch, Text, Title } from '@mantine/core';
import { type Settings, useData, useLive } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { CheckedNumber, type NumberRule } from '../../parts/frame/index.ts';

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
        <Pitch settings={settings} set={set} />
        <Choices settings={settings} set={set} />
        <ReferenceTone settings={settings} set={set} />
        <Switches settings={settings} set={set} />
      </Stack>
    </section>
  );
}

interface GroupProps {
  readonly settings: Settings;
  readonly set: (change: Partial<Settings>) => void;
}

function Pitch({ settings, set }: GroupProps) {
  return (
    <>
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
    </>
  );
}

/** A setting that is one of a few words. */
interface Choice<Name extends keyof Settings> {
  readonly name: Name;
  readonly label: string;
  readonly description?: string;
  /** Each value with its words; the value itself where it needs none. */
  readonly data: readonly (
    | Settings[Name]
    | { readonly value: Settings[Name]; readonly label: string }
  )[];
}

const choice = <Name extends keyof Settings>(made: Choice<Name>) => made;

const CHOICES = [
  choice({ name: 'order', label: 'Order of strings', data: ['thickest first', 'thinnest first'] }),
  choice({
    name: 'force',
    label: 'Tension in',
    data: [
      { value: 'N', label: 'newtons, N' },
      { value: 'kgf', label: 'kilograms of force, kgf' },
    ],
  }),
  choice({ name: 'wires', label: 'Wires', data: ['as you look down', 'turned round'] }),
  choice({
    name: 'moves',
    label: 'Movements',
    description: 'Many small turns, or one to the pitch and the fine part after it',
    data: ['many small', 'one bold'],
  }),
  choice({
    name: 'wording',
    label: 'Advice',
    data: [
      { value: 'full', label: 'with how it is done' },
      { value: 'short', label: 'one line' },
    ],
  }),
  choice({ name: 'referenceTone', label: 'Reference tone', data: ['plucked', 'sustained'] }),
] as const;

function Choices({ settings, set }: GroupProps) {
  return CHOICES.map(({ name, data, ...words }) => (
    <NativeSelect
      key={name}
      {...words}
      data={[...data]}
      value={settings[name]}
      onChange={(event) => set({ [name]: event.currentTarget.value })}
    />
  ));
}

function ReferenceTone({ settings, set }: GroupProps) {
  return (
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
  );
}

const SWITCHES = [
  {
    name: 'aiming',
    label: 'Aim ahead',
    description:
      'A string is brought to where it will land when the others have been tuned, once the instrument is known',
  },
  { name: 'keysOn', label: 'Keys are on' },
  { name: 'spokenArrival', label: 'Say readings aloud' },
  { name: 'practiceSound', label: 'The practice guitar can be heard' },
] as const;

function Switches({ settings, set }: GroupProps) {
  return SWITCHES.map(({ name, ...words }) => (
    <Switch
      key={name}
      {...words}
      checked={settings[name]}
      onChange={(event) => set({ [name]: event.currentTarget.checked })}
    />
  ));
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
