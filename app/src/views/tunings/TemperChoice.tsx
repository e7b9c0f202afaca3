import { Group, NativeSelect, NumberInput, Slider, Text } from '@mantine/core';
import { list, message, signed } from '@rosefinch/core/message';
import { offsetsOf, type Temper } from '@rosefinch/core/music';
import type { Cents } from '@rosefinch/core/units';
import { useWords } from '../../parts/words/index.ts';
import { type Draft, rootOf, tuningOf } from './draft.ts';
import { RootSelect } from './RootSelect.tsx';
import { ScaleFile } from './ScaleFile.tsx';

interface Props {
  readonly draft: Draft;
  readonly onChange: (temper: Temper) => void;
}

/** How the open strings are set: equal, pure above a root, part of the way there, or by hand. */
export function TemperChoice({ draft, onChange }: Props) {
  const t = useWords();
  const { temper, notes, heard } = draft;
  const offsets = offsetsOf(notes, temper);
  const choose = (kind: Temper['kind']) => {
    if (kind === 'equal') onChange({ kind });
    else if (kind === 'pure') onChange({ kind, root: rootOf(notes), share: 1 });
    // By hand one begins with what was played, or with what was set before.
    else onChange({ kind, offsets: heard.some((cents) => cents !== 0) ? heard : offsets });
  };
  return (
    <section aria-label={t('tunings.offsets')}>
      <Group align="end">
        <NativeSelect
          label={t('tunings.openStrings')}
          data={[
            { value: 'equal', label: t('tunings.equalTemperament') },
            { value: 'pure', label: t('tunings.aPureOpenChord') },
            { value: 'own', label: t('tunings.offsetsByHand') },
          ]}
          value={temper.kind}
          onChange={(event) => choose(event.currentTarget.value as Temper['kind'])}
        />
        {temper.kind === 'pure' && <PureChoice draft={draft} temper={temper} onChange={onChange} />}
        {temper.kind === 'own' && <OwnOffsets {...{ draft, offsets, onChange }} />}
      </Group>
      <ScaleFile draft={draft} onChange={onChange} />
      {temper.kind === 'pure' && (
        <Text size="sm" mt={6}>
          {t('tunings.pureOffsets', {
            strings: list(
              notes
                .map((_, i) => [i + 1, offsets[i] ?? 0] as const)
                .reverse()
                .map(([string, cents]) =>
                  message('parts.stringCents', { string, cents: signed(cents) }),
                ),
            ),
          })}
        </Text>
      )}
    </section>
  );
}

interface OwnProps extends Props {
  readonly offsets: readonly Cents[];
}

/** A field a string, the thickest first. */
function OwnOffsets({ draft, offsets, onChange }: OwnProps) {
  const t = useWords();
  const { accidental } = tuningOf(draft);
  const put = (at: number, value: number) =>
    onChange({ kind: 'own', offsets: offsets.map((old, k) => (k === at ? value : old)) });
  return draft.notes
    .map((midi, i) => (
      <NumberInput
        // Two strings may have the same note; their order never changes.
        // biome-ignore lint/suspicious/noArrayIndexKey: see above
        key={i}
        label={t('tunings.valueMidiCents', { value: i + 1, midi: t.note(midi, accidental) })}
        w={110}
        min={-100}
        max={100}
        decimalScale={1}
        value={Math.round(10 * (offsets[i] ?? 0)) / 10}
        onChange={(value) => put(i, Number(value))}
      />
    ))
    .reverse();
}

interface PureProps extends Props {
  readonly temper: Extract<Temper, { kind: 'pure' }>;
}

function PureChoice({ draft, temper, onChange }: PureProps) {
  const t = useWords();
  const { accidental } = tuningOf(draft);
  return (
    <>
      <RootSelect
        label={t('tunings.root')}
        root={temper.root}
        found={rootOf(draft.notes)}
        accidental={accidental}
        onChange={(root) => onChange({ ...temper, root })}
      />
      <div>
        <Text size="sm">
          {t('tunings.howFarTowardsPureValue', { value: Math.round(100 * temper.share) })}
        </Text>
        <Slider
          w={200}
          thumbLabel={t('tunings.howFarTowardsPurePer')}
          min={0}
          max={100}
          step={5}
          value={Math.round(100 * temper.share)}
          onChange={(value) => onChange({ ...temper, share: value / 100 })}
        />
      </div>
    </>
  );
}
