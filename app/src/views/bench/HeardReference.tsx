import { Button, Group } from '@mantine/core';
import { A4_RANGE, nearestNote, noteName, STANDARD_A4, shiftHz } from '@rosefinch/core/music';
import type { Hz } from '@rosefinch/core/units';
import { signedCents } from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';

interface Props {
  readonly hz: Hz;
  readonly onTake: (a4: Hz) => void;
  readonly onLeave: () => void;
}

/** A reference that was heard: which note it is, and the A4 that goes with it. */
export function HeardReference({ hz, onTake, onLeave }: Props) {
  const { midi, cents } = nearestNote(hz, STANDARD_A4);
  const a4 = tenths(shiftHz(STANDARD_A4, cents));
  const possible = a4 >= A4_RANGE.low && a4 <= A4_RANGE.high;
  return (
    <section className="card" aria-label="Heard reference">
      <p>
        {noteName(midi)}, {signedCents(cents)} cents: A4 is {fixed(a4, 1)} Hz there.
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
export function tenths(hz: Hz): number {
  return Math.round(10 * hz) / 10;
}
