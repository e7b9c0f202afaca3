import { Button, Group } from '@mantine/core';
import { A4_RANGE, nearestNote, noteName, STANDARD_A4 } from '@rosefinch/core/music';
import { signedCents } from '../../ui/index.ts';

interface Props {
  readonly hz: number;
  readonly onTake: (a4: number) => void;
  readonly onLeave: () => void;
}

/** A reference that was heard: which note it is, and the A4 that goes with it. */
export function HeardReference({ hz, onTake, onLeave }: Props) {
  const { midi, cents } = nearestNote(hz, STANDARD_A4);
  const a4 = tenths(STANDARD_A4 * 2 ** (cents / 1200));
  const possible = a4 >= A4_RANGE.low && a4 <= A4_RANGE.high;
  return (
    <section className="card" aria-label="Heard reference">
      <p>
        {noteName(midi)}, {signedCents(cents)} cents: A4 is {a4.toFixed(1)} Hz there.
      </p>
      <Group>
        <Button disabled={!possible} onClick={() => onTake(a4)}>
          Tune to it
        </Button>
        <Button variant="default" onClick={onLeave}>
          Leave it
        </Button>
      </Group>
    </section>
  );
}

/** A reference pitch as it can be set. */
export function tenths(hz: number): number {
  return Math.round(10 * hz) / 10;
}
