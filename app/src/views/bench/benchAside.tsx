import { Button, Group } from '@mantine/core';
import { benchFault } from '@rosefinch/core/dialogue';
import type { ReactNode } from 'react';
import { ReferenceLine } from '../../parts/charts/index.ts';
import { HeardReference, tenths } from './HeardReference.tsx';
import type { Bench } from './useBench.ts';

/** Beside the sentence: the answers to what it asks, or the finger’s place on the way to a tuning; null for neither. */
export function benchAside(bench: Bench): ReactNode {
  const { instrument, talk, world, send, way, course } = bench;
  const { led, notice } = talk;
  if (led.kind === 'reference' && led.hz !== null)
    return (
      <HeardReference
        hz={led.hz}
        onTake={(a4) => send({ type: 'take A4', a4 })}
        onLeave={() => send({ type: 'reference' })}
      />
    );
  const fault = benchFault(talk, world);
  const a4 = fault?.rule === 'in tune with itself' ? fault.ownA4 : null;
  if (a4 !== null)
    return (
      <Button onClick={() => send({ type: 'take A4', a4: tenths(a4) })}>
        Set A4 to {a4.toFixed(1)} Hz
      </Button>
    );
  if (notice?.kind === 'doubt')
    return (
      <Group gap="xs">
        {notice.courses.map((one) => (
          <Button key={one} variant="default" onClick={() => send({ type: 'choose', course: one })}>
            It was string {one}
          </Button>
        ))}
      </Group>
    );
  const references = way?.references.get(course);
  return references ? (
    <ReferenceLine references={references} leftHanded={instrument.leftHanded} />
  ) : null;
}
