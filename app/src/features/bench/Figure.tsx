import type { BenchState } from '@rosefinch/core/coach';
import { currentPass, stringOf } from '@rosefinch/core/coach';
import { type Target, targetName } from '@rosefinch/core/music';
import { deviationInWords, signedCents } from '../../ui/index.ts';
import { BigFigure, type LiveNote, useRinging } from '../listening/index.ts';

interface Props {
  readonly state: BenchState;
  readonly targets: readonly Target[];
  readonly live: LiveNote;
  readonly hidden: boolean;
  /** The last reading is on the disk. */
  readonly stored: boolean;
}

/** The active deviation, readable from two metres. */
export function Figure({ state, targets, live, hidden, stored }: Props) {
  const ringing = useRinging(live);
  const course = ringing?.course ?? state.active;
  const target = targets.find((t) => t.course === course);
  const last = course === null ? undefined : stringOf(currentPass(state), course)?.readings.at(-1);
  const cents = ringing?.cents ?? last?.cents ?? null;
  const error = ringing || !last ? '' : `, ±${last.errorCents.toFixed(1)}`;
  const aim = last?.aim ?? 0;
  const note =
    hidden || cents === null
      ? ' '
      : `cents, ${deviationInWords(cents - aim, state.goal.tolerance)}${error}${aim === 0 ? '' : `, aim ${signedCents(aim)}`}`;
  return (
    <BigFigure
      name={target ? `string ${target.course} · ${targetName(target)}` : 'no string yet'}
      figure={hidden ? 'hidden' : cents === null ? '–' : signedCents(cents)}
      note={note}
      stored={stored}
    />
  );
}
