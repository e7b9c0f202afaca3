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
import type { LabelId } from '@rosefinch/core/message';
import type { ReactNode } from 'react';
import { type Settings, useData, useLive } from '../../data/index.ts';
import { now, zone } from '../../environment.ts';
import { CheckedNumber, type NumberRule } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

const A4: NumberRule = { name: 'parts.ruleA4', low: 400, high: 480, unit: 'Hz' };
const TOLERANCE: NumberRule = { name: 'parts.ruleTolerance', low: 0.5, high: 20, unit: 'cents' };

/** What the bench goes by, in groups. Every change is kept at once. */
export function SettingsForm({ settings }: { settings: Settings }) {
  const t = useWords();
  const { repository } = useData();
  const set = (change: Partial<Settings>) => void repository.saveSettings(change);
  const own = { settings, set };
  return (
    <div className="settings-groups">
      <Group title={t('settings.pitch')}>
        <Pitch {...own} />
      </Group>
      <Group title={t('settings.tuning')}>
        <Choices {...own} names={['order', 'moves', 'wording']} />
        <Manner {...own} />
      </Group>
      <Group title={t('settings.sound')}>
        <Choices {...own} names={['referenceTone']} />
        <ReferenceTone {...own} />
        <Switches {...own} names={['spokenArrival', 'pulse', 'practiceSound']} />
      </Group>
      <Group title={t('settings.notesNumbersAndUnits')}>
        <Choices {...own} names={['notes', 'signs', 'decimal', 'length', 'force', 'dates']} />
        <Text size="sm" role="note">
          {t('settings.itReadsLikeThisNoteName', {
            noteName: t.note(58, 'flat'),
            noteName2: t.note(58),
            signedCents: t.signed(-2.5),
            length: t.lengthOf(648, 0),
            force: t.force(72.6),
            moment: t.moment(now(), { now: now(), zone: zone() }, 'moment'),
          })}
        </Text>
      </Group>
      <Group title={t('settings.screenAndKeys')}>
        <Theme />
        <Choices {...own} names={['wires', 'pegsSeen']} />
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
  { value: 'auto', label: 'settings.asTheMachineHasIt' },
  { value: 'light', label: 'settings.light' },
  { value: 'dark', label: 'settings.dark' },
] as const;

function Theme() {
  const t = useWords();
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  return (
    <NativeSelect
      label={t('settings.theme')}
      data={SCHEMES.map(({ value, label }) => ({ value, label: t(label) }))}
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
  const t = useWords();
  return (
    <>
      <CheckedNumber
        rule={A4}
        label={t('settings.a4Hz')}
        description={t('settings.400To480440Is')}
        decimalScale={1}
        value={settings.a4}
        stays={t('settings.a4Stays', { a4: t.value(settings.a4) })}
        onValue={(a4) => set({ a4 })}
      />
      <OpenSitting settings={settings} />
      <CheckedNumber
        rule={TOLERANCE}
        label={t('settings.toleranceCents')}
        description={t('settings.aStringThisNearIts')}
        step={0.5}
        decimalScale={1}
        value={settings.tolerance}
        stays={t('settings.toleranceStays', { cents: t.value(settings.tolerance) })}
        onValue={(tolerance) => set({ tolerance })}
      />
    </>
  );
}

/** A setting that is one of a few words. */
interface Choice<Name extends keyof Settings> {
  readonly name: Name;
  readonly label: LabelId;
  readonly description?: LabelId;
  /** Each value with its words. */
  readonly data: readonly { readonly value: Settings[Name]; readonly label: LabelId }[];
}

const choice = <Name extends keyof Settings>(made: Choice<Name>) => made;

const CHOICES = [
  choice({
    name: 'order',
    label: 'settings.orderOfStrings',
    data: [
      { value: 'thickestFirst', label: 'settings.valueThickestFirst' },
      { value: 'thinnestFirst', label: 'settings.valueThinnestFirst' },
    ],
  }),
  choice({
    name: 'force',
    label: 'settings.tensionIn',
    data: [
      { value: 'N', label: 'settings.newtonsN' },
      { value: 'kgf', label: 'settings.kilogramsOfForceKgf' },
      { value: 'lbf', label: 'settings.poundsOfForceLbf' },
    ],
  }),
  choice({
    name: 'notes',
    label: 'settings.notesAreCalled',
    data: [
      { value: 'english', label: 'settings.shownCDEFGAB' },
      { value: 'german', label: 'settings.cDEFG' },
      { value: 'syllables', label: 'settings.doReMiFaSol' },
    ],
  }),
  choice({
    name: 'signs',
    label: 'settings.blackKeys',
    data: [
      { value: 'tuning', label: 'settings.asTheTuningSpellsThem' },
      { value: 'sharp', label: 'settings.alwaysWith' },
      { value: 'flat', label: 'settings.alwaysWith2' },
    ],
  }),
  choice({
    name: 'decimal',
    label: 'settings.decimals',
    data: [
      { value: '.', label: 'settings.shownPoint' },
      { value: ',', label: 'settings.shownComma' },
    ],
  }),
  choice({
    name: 'length',
    label: 'settings.lengthsIn',
    data: [
      { value: 'mm', label: 'settings.millimetres' },
      { value: 'inch', label: 'settings.inches' },
    ],
  }),
  choice({
    name: 'dates',
    label: 'settings.dates',
    data: [
      { value: '', label: 'settings.asTheBrowserWritesThem' },
      { value: 'en-GB', label: 'settings.31Dec20261705' },
      { value: 'en-US', label: 'settings.dec312026505' },
      { value: 'de-DE', label: 'settings.shown311220261705' },
      { value: 'sv-SE', label: 'settings.shown202612311705' },
    ],
  }),
  choice({
    name: 'wires',
    label: 'settings.wires',
    data: [
      { value: 'asYouLookDown', label: 'settings.valueAsYouLookDown' },
      { value: 'turnedRound', label: 'settings.valueTurnedRound' },
    ],
  }),
  choice({
    name: 'pegsSeen',
    label: 'settings.pegsSeen',
    description: 'settings.pegsSeenMore',
    data: [
      { value: 'playing', label: 'settings.pegsPlaying' },
      { value: 'facing', label: 'settings.pegsFacing' },
      { value: 'table', label: 'settings.pegsTable' },
    ],
  }),
  choice({
    name: 'moves',
    label: 'settings.movements',
    description: 'settings.manySmallTurnsOrOne',
    data: [
      { value: 'manySmall', label: 'settings.valueManySmall' },
      { value: 'oneBold', label: 'settings.valueOneBold' },
    ],
  }),
  choice({
    name: 'wording',
    label: 'settings.advice',
    data: [
      { value: 'full', label: 'settings.withHowItIsDone' },
      { value: 'short', label: 'settings.oneLine' },
    ],
  }),
  choice({
    name: 'referenceTone',
    label: 'settings.referenceTone',
    data: [
      { value: 'plucked', label: 'settings.valuePlucked' },
      { value: 'sustained', label: 'settings.valueSustained' },
    ],
  }),
] as const;

interface NamedProps<Name> extends GroupProps {
  /** Which of them. */
  readonly names: readonly Name[];
}

type ChoiceName = (typeof CHOICES)[number]['name'];

function Choices({ settings, set, names }: NamedProps<ChoiceName>) {
  const t = useWords();
  return CHOICES.filter((one) => names.includes(one.name)).map(({ name, data, label, ...more }) => (
    <NativeSelect
      key={name}
      label={t(label)}
      {...('description' in more && { description: t(more.description) })}
      data={data.map((one) => ({ value: one.value, label: t(one.label) }))}
      value={settings[name]}
      onChange={(event) => set({ [name]: event.currentTarget.value })}
    />
  ));
}

/** Two ways of working that are never mixed in one step. */
function Manner({ settings, set }: GroupProps) {
  const t = useWords();
  return (
    <NativeSelect
      label={t('settings.tuned')}
      description={settings.aiming ? t('settings.byDisplay') : t('settings.byEar')}
      data={[
        { value: 'display', label: t('settings.byDisplayInOnePass') },
        { value: 'ear', label: t('settings.byEarNearFirstThen') },
      ]}
      value={settings.aiming ? 'display' : 'ear'}
      onChange={(event) => set({ aiming: event.currentTarget.value === 'display' })}
    />
  );
}

function ReferenceTone({ settings, set }: GroupProps) {
  const t = useWords();
  return (
    <div>
      <Text size="sm">{t('settings.loudnessOfTheReferenceTone')}</Text>
      <Slider
        thumbLabel={t('settings.loudnessOfTheReferenceTone2')}
        min={0}
        max={100}
        defaultValue={Math.round(100 * settings.referenceVolume)}
        onChangeEnd={(value) => set({ referenceVolume: value / 100 })}
      />
    </div>
  );
}

const SWITCHES = [
  { name: 'keysOn', label: 'settings.keysAreOn' },
  { name: 'spokenArrival', label: 'settings.sayReadingsAloud' },
  { name: 'pulse', label: 'settings.aShortPulseWhenA' },
  { name: 'practiceSound', label: 'settings.thePracticeInstrumentCanBe' },
] as const;

type SwitchName = (typeof SWITCHES)[number]['name'];

function Switches({ settings, set, names }: NamedProps<SwitchName>) {
  const t = useWords();
  return SWITCHES.filter((one) => names.includes(one.name)).map(({ name, label }) => (
    <Switch
      key={name}
      label={t(label)}
      checked={settings[name]}
      onChange={(event) => set({ [name]: event.currentTarget.checked })}
    />
  ));
}

/** A session keeps the A4 and the tolerance that it began with: said where they differ, with the way on. */
function OpenSitting({ settings }: { settings: Settings }) {
  const t = useWords();
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
        {t('settings.sittingKeeps', { a4: t.value(sitting.a4), cents: t.value(sitting.tolerance) })}
      </Text>
      <Button
        variant="default"
        mt="xs"
        onClick={() => void repository.endSession(sitting.id, now())}
      >
        {t('settings.beginANewSittingWith', { a4: t.value(a4), tolerance: t.value(tolerance) })}
      </Button>
    </div>
  );
}
