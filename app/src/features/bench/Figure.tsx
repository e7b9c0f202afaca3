import type { BenchState } from '@rosefinch/core/coach';
import { currentPass, stringOf } from '@rosefinch/core/coach';
import { noteName, type Target } from '@rosefinch/core/music';
import { useEffect, useState } from 'react';
import { deviationInWords, signedCents } from '../../ui/index.ts';
import type { LiveNote } from './live.ts';

/** While a note rings the figure follows it, no faster than an eye can read. */
const REFRESH_MS = 90;

interface Props {
  readonly state: BenchState;
  readonly targets: readonly Target[];
  readonly live: LiveNote;
  readonly hidden: boolean;
}

/** The active deviation, readable from two metres. */
export function Figure({ state, targets, live, hidden }: Props) {
  const ringing = useRinging(live);
  const course = ringing?.course ?? state.active;
  const target = targets.find((t) => t.course === course);
  const last = course === null ? undefined : stringOf(currentPass(state), course)?.readings.at(-1);
  const cents = ringing?.cents ?? last?.cents ?? null;
  const error = ringing || !last ? '' : `, ±${last.errorCents.toFixed(1)}`;
  const aim = last?.aim ?? 0;
  return (
    <section aria-label="Deviation">
      <div className="figure-note">
        {target ? `string ${target.course} · ${noteName(target.midi)}` : 'no string yet'}
      </div>
      <div className="figure" data-testid="figure">
        {hidden ? 'hidden' : cents === null ? '–' : signedCents(cents)}
      </div>
      <div className="figure-note">
        {hidden || cents === null
          ? ' '
          : `cents, ${deviationInWords(cents - aim, state.goal.tolerance)}${error}${aim === 0 ? '' : `, aim ${signedCents(aim)}`}`}
      </div>
    </section>
  );
}

/** The note that rings now, told no faster than an eye can read; null when none does. */
function useRinging(live: LiveNote): { course: number; cents: number } | null {
  const [ringing, setRinging] = useState<{ course: number; cents: number } | null>(null);
  useEffect(() => {
    let last = 0;
    return live.subscribe(() => {
      const now = performance.now();
      if (live.course === null || live.cents === null) {
        setRinging(null);
      } else if (now - last > REFRESH_MS) {
        last = now;
        setRinging({ course: live.course, cents: live.cents });
      }
    });
  }, [live]);
  return ringing;
}
