import { Button, Group, NumberInput } from '@mantine/core';
import { useState } from 'react';

interface Props {
  readonly scaleMm: number;
  readonly onBegin: () => void;
}

/** A loose bridge is put in its place first: by measure, then by ear. */
export function BridgeFirst({ scaleMm, onBegin }: Props) {
  const [nut, setNut] = useState<number | string>('');
  const [rest, setRest] = useState<number | string>('');
  const off = typeof nut === 'number' && typeof rest === 'number' ? nut - rest : null;
  return (
    <section aria-label="Bridge first">
      <strong>The bridge first: it is loose and wanders</strong>
      <Group align="end" mt="xs">
        <NumberInput
          label="Nut to fret 12, mm"
          placeholder={(scaleMm / 2).toFixed(0)}
          w={150}
          min={50}
          max={1000}
          decimalScale={1}
          value={nut}
          onChange={setNut}
        />
        <NumberInput
          label="Fret 12 to bridge, mm"
          placeholder={(scaleMm / 2).toFixed(0)}
          w={170}
          min={50}
          max={1000}
          decimalScale={1}
          value={rest}
          onChange={setRest}
        />
        <Button variant="default" onClick={onBegin}>
          Then by ear: the octaves of the outer strings
        </Button>
      </Group>
      {off !== null && (
        <p role="note">
          {Math.abs(off) < 0.5
            ? 'By measure it stands right.'
            : `By measure: move the bridge ${Math.abs(off).toFixed(1)} mm ${off > 0 ? 'away from' : 'towards'} the nut.`}
        </p>
      )}
    </section>
  );
}
