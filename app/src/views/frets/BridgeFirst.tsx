import { Button, Group, NumberInput } from '@mantine/core';
import { lengthValue } from '@rosefinch/core/message';
import type { Millimetres } from '@rosefinch/core/units';
import { inMillimetres, lengthUnit } from '@rosefinch/words';
import { useState } from 'react';
import { decimals } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly scaleMm: Millimetres;
  readonly onBegin: () => void;
}

/** A loose bridge is put in its place first: by measure, then by ear. */
export function BridgeFirst({ scaleMm, onBegin }: Props) {
  const t = useWords();
  const [nut, setNut] = useState<number | string>('');
  const [rest, setRest] = useState<number | string>('');
  const off =
    typeof nut === 'number' && typeof rest === 'number'
      ? inMillimetres(nut - rest, t.reader)
      : null;
  return (
    <section aria-label={t('frets.bridgeFirst')}>
      <strong>{t('frets.theBridgeFirstItIs')}</strong>
      <Group align="end" mt="xs">
        <Half label={t('frets.nutToFret12')} about={scaleMm / 2} value={nut} onChange={setNut} />
        <Half
          label={t('frets.fret12ToBridge')}
          about={scaleMm / 2}
          value={rest}
          onChange={setRest}
        />
        <Button variant="default" onClick={onBegin}>
          {t('frets.thenByEarTheOctaves')}
        </Button>
      </Group>
      {off !== null && (
        <p role="note">
          {Math.abs(off) < 0.5
            ? t('frets.standsRight')
            : t('frets.bridgeMoves', {
                way: off > 0 ? 'away' : 'towards',
                length: lengthValue(Math.abs(off), 1),
              })}
        </p>
      )}
    </section>
  );
}

interface HalfProps {
  readonly label: string;
  /** What half the scale comes to. */
  readonly about: Millimetres;
  readonly value: number | string;
  readonly onChange: (value: number | string) => void;
}

function Half({ label, about, value, onChange }: HalfProps) {
  const t = useWords();
  return (
    <NumberInput
      {...decimals(t.reader)}
      label={`${label}, ${lengthUnit(t.reader)}`}
      placeholder={t.lengthOf(about, 0, false)}
      w={170}
      min={1}
      max={1000}
      decimalScale={2}
      value={value}
      onChange={onChange}
    />
  );
}
