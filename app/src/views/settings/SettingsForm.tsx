import {
  Button,
  NativeSelect,
  Slider,
  Stack,
  Switch,
  Text,
  Title,
  useMantineColorScheme,
} from '@mantine/core';
import { noteName } from '@rosefinch/core/music';
import { forceInWords, momentInWords, SETTINGS_SAYS, signedCents } from '@rosefinch/core/words';
import { lengthInWords, written } from '@rosefinch/core/writing';
import type { ReactNode } from 'react';
import { type Settings, useData, useLive } from '../../data/index.ts';
import { locale, now, zone } from '../../environment.ts';
import { CheckedNumber, type NumberRule } from '../../parts/frame/index.ts';

const A4: NumberRule = { name: 'A4', low: 400, high: 480, unit: ' Hz' };
const TOLERANCE: NumberRule = { name: 'Tolerance', low: 0.5, high: 20, unit: ' cents' };

/** What the bench goes by, in groups. Every change is kept at once. */
export function SettingsForm({ settings }: { settings: Settings }) {
  const { repository } = useData();
  const set = (change: Partial<Settings>) => void repository.saveSettings(change);
  const own = { settings, set };
  return (
    <div className="settings-groups">
      <Group title="Pitch">
        <Pitch {...own} />
      </Group>
      <Group title="Tuning">
        <Choices {...own} names={['order', 'moves', 'wording']} />
        <Manner {...own} />
      </Group>
      <Group title="Sound">
        <Choices {...own} names={['referenceTone']} />
        <ReferenceTone {...own} />
        <Switches {...own} names={['spokenArrival', 'pulse', 'practiceSound']} />
      </Group>
      <Group title="Notes, numbers and units">
        <Choices {...own} names={['notes', 'signs', 'decimal', 'length', 'force', 'dates']} />
        <Text size="sm" role="note">
          It reads like this: {noteName(58, 'flat')} is {noteName(58)}, {signedCents(-2.5)} cents,{' '}
          {lengthInWords(648, 0)}, {forceInWords(72.6, settings.force)},{' '}
          {momentInWords(now(), zone(), locale())}.
        </Text>
      </Group>
      <Group title="Screen and keys">
        <Theme />
        <Choices {...own} names={['wires']} />
        <Switches {...own} names={['keysOn']} />
      </Group>
    </div>
  );
}

/** Settings that belong together. */
function Group({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section className="card" aria-label={title}>
      <Title order={2} size="h4" mb="xs">
        {title}
      </Title>
      <Stack gap="sm">{children}</Stack>
    </section>
  );
}

const SCHEMES = [
  { value: 'auto', label: 'as the machine has it' },
  { value: 'light', label: 'light' },
  { value: 'dark', label: 'dark' },
] as const;

function Theme() {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  return (
    <NativeSelect
      label="Theme"
      data={[...SCHEMES]}
      value={colorScheme}
      onChange={(event) => setColorScheme(event.currentTarget.value as typeof colorScheme)}
    />
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
        stays={SETTINGS_SAYS.a4Stays(written(settings.a4))}
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
        stays={SETTINGS_SAYS.toleranceStays(written(settings.tolerance))}
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
      { value: 'lbf', label: 'pounds of force, lbf' },
    ],
  }),
  choice({
    name: 'notes',
    label: 'Notes are called',
    data: [
      { value: 'english', label: 'C D E F G A B' },
      { value: 'german', label: 'C D E F G A H, with B for B♭' },
      { value: 'syllables', label: 'Do Re Mi Fa Sol La Si' },
    ],
  }),
  choice({
    name: 'signs',
    label: 'Black keys',
    data: [
      { value: 'tuning', label: 'as the tuning spells them' },
      { value: 'sharp', label: 'always with ♯' },
      { value: 'flat', label: 'always with ♭' },
    ],
  }),
  choice({
    name: 'decimal',
    label: 'Decimals',
    data: [
      { value: '.', label: '2.5' },
      { value: ',', label: '2,5' },
    ],
  }),
  choice({
    name: 'length',
    label: 'Lengths in',
    data: [
      { value: 'mm', label: 'millimetres' },
      { value: 'inch', label: 'inches' },
    ],
  }),
  choice({
    name: 'dates',
    label: 'Dates',
    data: [
      { value: '', label: 'as the browser writes them' },
      { value: 'en-GB', label: '31 Dec 2026, 17:05' },
      { value: 'en-US', label: 'Dec 31, 2026, 5:05 PM' },
      { value: 'de-DE', label: '31.12.2026, 17:05' },
      { value: 'sv-SE', label: '2026-12-31 17:05' },
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

interface NamedProps<Name> extends GroupProps {
  /** Which of them. */
  readonly names: readonly Name[];
}

type ChoiceName = (typeof CHOICES)[number]['name'];

function Choices({ settings, set, names }: NamedProps<ChoiceName>) {
  return CHOICES.filter((one) => names.includes(one.name)).map(({ name, data, ...words }) => (
    <NativeSelect
      key={name}
      {...words}
      data={[...data]}
      value={settings[name]}
      onChange={(event) => set({ [name]: event.currentTarget.value })}
    />
  ));
}

/** Two ways of working that are never mixed in one step. */
function Manner({ settings, set }: GroupProps) {
  return (
    <NativeSelect
      label="Tuned"
      description={settings.aiming ? SETTINGS_SAYS.byDisplay : SETTINGS_SAYS.byEar}
      data={[
        { value: 'display', label: 'by display: in one pass' },
        { value: 'ear', label: 'by ear: near first, then one against the other' },
      ]}
      value={settings.aiming ? 'display' : 'ear'}
      onChange={(event) => set({ aiming: event.currentTarget.value === 'display' })}
    />
  );
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
  { name: 'keysOn', label: 'Keys are on' },
  { name: 'spokenArrival', label: 'Say readings aloud' },
  { name: 'pulse', label: 'A short pulse when a string is at rest, where a phone can' },
  { name: 'practiceSound', label: 'The practice instrument can be heard' },
] as const;

type SwitchName = (typeof SWITCHES)[number]['name'];

function Switches({ settings, set, names }: NamedProps<SwitchName>) {
  return SWITCHES.filter((one) => names.includes(one.name)).map(({ name, ...words }) => (
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
      <Text>{SETTINGS_SAYS.sittingKeeps(written(sitting.a4), written(sitting.tolerance))}</Text>
      <Button
        variant="default"
        mt="xs"
        onClick={() => void repository.endSession(sitting.id, now())}
      >
        Begin a new sitting with {written(a4)} Hz and {written(tolerance)} cents
      </Button>
    </div>
  );
}
