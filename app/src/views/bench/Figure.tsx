import { type Target, targetName } from '@rosefinch/core/music';
import type { BenchState, StringReading } from '@rosefinch/core/sitting';
import { currentPass, stringOf } from '@rosefinch/core/sitting';
import type { Cents } from '@rosefinch/core/units';
import { deviationInWords, signedCents } from '@rosefinch/core/words';
import { BigFigure, type LiveNote, useRinging } from '../../parts/listening/index.ts';

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
  const course = ringing ? ringing.course : state.active;
  const target = targets.find((t) => t.course === course);
  const name = target ? `string ${target.course} · ${targetName(target)}` : 'no string yet';
  const last = course === null ? undefined : stringOf(currentPass(state), course)?.readings.at(-1);
  const shown = ringing ?? last;
  if (hidden || !shown)
    return <BigFigure name={name} figure={hidden ? 'hidden' : '–'} note=" " stored={stored} />;
  const note = noteOf(shown.cents, last, state.goal.tolerance, ringing !== null);
  return <BigFigure name={name} figure={signedCents(shown.cents)} note={note} stored={stored} />;
}

/** Where it stands in words, how sure that is once it is read, and where it is to be brought. */
function noteOf(
  cents: Cents,
  last: StringReading | undefined,
  tolerance: Cents,
  rings: boolean,
): string {
  const aim = last?.aim ?? 0;
  const error = rings || !last ? '' : `, ±${last.errorCents.toFixed(1)}`;
  const aimed = aim === 0 ? '' : `, aim ${signedCents(aim)}`;
  return `cents, ${deviationInWords(cents - aim, tolerance)}${error}${aimed}`;
}
