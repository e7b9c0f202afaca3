import { Button, Group } from '@mantine/core';
import { A4_RANGE, nearestNote, STANDARD_A4, shiftHz } from '@rosefinch/core/music';
import type { Hz } from '@rosefinch/core/units';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly hz: Hz;
  readonly onTake: (a4: Hz) => void;
  readonly onLeave: () => void;
}

/** A reference that was heard: which note it is, and the A4 that goes with it. */
export function HeardReference({ hz, onTake, onLeave }: Props) {
  const t = useWords();
  const { midi, cents } = nearestNote(hz, STANDARD_A4);
  const a4 = tenths(shiftHz(STANDARD_A4, cents));
  const possible = a4 >= A4_RANGE.low && a4 <= A4_RANGE.high;
  return (
    <section className="card" aria-label={t('bench.heardReference')}>
      <p>
        {t('bench.midiCentsCentsA4Is', {
          midi: t.note(midi),
          cents: t.signed(cents),
          a4: t.number(a4, 1),
        })}
      </p>
      <Group>
        <Button disabled={!possible} onClick={() => onTake(a4)}>
          {t('bench.tuneToIt')}
        </Button>
        <Button variant="default" onClick={onLeave}>
          {t('bench.leaveIt')}
        </Button>
      </Group>
    </section>
  );
}

/** A reference pitch as it can be set. */
export function tenths(hz: Hz): number {
  return Math.round(10 * hz) / 10;
}
