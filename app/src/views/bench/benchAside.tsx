import { Button, Group } from '@mantine/core';
import { benchFault, isByEar } from '@rosefinch/core/dialogue';
import { fixed } from '@rosefinch/core/writing';
import type { ReactNode } from 'react';
import { ReferenceLine } from '../../parts/charts/index.ts';
import { HeardReference, tenths } from './HeardReference.tsx';
import type { Bench } from './useBench.ts';
import type { BenchRound } from './useBenchRound.ts';

/** What the string in hand can be compared with now. */
export function BenchReference({ bench }: { readonly bench: Bench }) {
  const { instrument, way, course } = bench;
  const references = way?.references.get(course) ?? [];
  return <ReferenceLine references={references} leftHanded={instrument.leftHanded} />;
}

/** Beside the sentence: the answers to what it asks, or the finger’s place on the way to a tuning; null for neither. */
export function benchAside(bench: Bench): ReactNode {
  const { talk, world, send, way } = bench;
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
  const a4 = fault?.rule === 'in tune with itself' && fault.semitones === 0 ? fault.ownA4 : null;
  if (a4 !== null)
    return (
      <Button onClick={() => send({ type: 'take A4', a4: tenths(a4) })}>
        Set A4 to {fixed(a4, 1)} Hz
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
  // By ear it has the wire’s place.
  return way?.retuning && !isByEar(talk) ? <BenchReference bench={bench} /> : null;
}

/** Whose strings these may be: the two answers. */
export function MayBe({ round, name }: { readonly round: BenchRound; readonly name: string }) {
  return (
    <Group gap="xs">
      <Button onClick={round.isOther}>It is {round.mayBe}</Button>
      <Button variant="default" onClick={round.isThis}>
        It is {name}
      </Button>
    </Group>
  );
}
