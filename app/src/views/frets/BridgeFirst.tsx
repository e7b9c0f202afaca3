import { Button, Group, NumberInput } from '@mantine/core';
import type { Millimetres } from '@rosefinch/core/units';
import { FRET_VIEW_SAYS } from '@rosefinch/core/words';
import { inMillimetres, lengthFigure, lengthUnit } from '@rosefinch/core/writing';
import { useState } from 'react';
import { decimals } from '../../parts/frame/index.ts';

interface Props {
  readonly scaleMm: Millimetres;
  readonly onBegin: () => void;
}

/** A loose bridge is put in its place first: by measure, then by ear. */
export function BridgeFirst({ scaleMm, onBegin }: Props) {
  const [nut, setNut] = useState<number | string>('');
  const [rest, setRest] = useState<number | string>('');
  const off =
    typeof nut === 'number' && typeof rest === 'number' ? inMillimetres(nut - rest) : null;
  return (
    <section aria-label="Bridge first">
      <strong>The bridge first: it is loose and wanders</strong>
      <Group align="end" mt="xs">
        <Half label="Nut to fret 12" about={scaleMm / 2} value={nut} onChange={setNut} />
        <Half label="Fret 12 to bridge" about={scaleMm / 2} value={rest} onChange={setRest} />
        <Button variant="default" onClick={onBegin}>
          Then by ear: the octaves of the outer strings
        </Button>
      </Group>
      {off !== null && (
        <p role="note">
          {Math.abs(off) < 0.5 ? FRET_VIEW_SAYS.standsRight : FRET_VIEW_SAYS.bridgeMoves(off)}
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
  return (
    <NumberInput
      {...decimals()}
      label={`${label}, ${lengthUnit()}`}
      placeholder={lengthFigure(about, 0)}
      w={170}
      min={1}
      max={1000}
      decimalScale={2}
      value={value}
      onChange={onChange}
    />
  );
}
