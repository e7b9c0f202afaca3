import { isByEar } from '@rosefinch/core/dialogue';
import { currentPass, type StringReading, stringOf } from '@rosefinch/core/sitting';
import type { Cents } from '@rosefinch/core/units';
import { deviationInWords, signedCents } from '@rosefinch/core/words';
import { allStored, shownCents, useRinging } from '../../parts/listening/index.ts';
import { StageFigure } from '../../parts/stage/index.ts';
import type { Bench } from './useBench.ts';

/** The deviation of the string in hand: it runs while the note rings, and at rest it is the reading. */
export function BenchFigure({ bench }: { readonly bench: Bench }) {
  const { sitting, listening, talk } = bench;
  const { state } = sitting;
  const ringing = useRinging(listening.live);
  const course = ringing ? ringing.course : state.active;
  const last = course === null ? undefined : stringOf(currentPass(state), course)?.readings.at(-1);
  const stored = allStored(sitting.log);
  const hidden = isByEar(talk);
  const cents = shownCents(ringing, last?.cents);
  if (hidden || cents === null)
    return <StageFigure figure={hidden ? 'hidden' : '–'} note="" stored={stored} />;
  const note = noteOf(cents, last, state.goal.tolerance);
  return <StageFigure figure={signedCents(cents)} note={note} stored={stored} />;
}

/** Where it stands in words, how sure that is once it is read, and where it is to be brought. */
function noteOf(cents: Cents, last: StringReading | undefined, tolerance: Cents): string {
  const aim = last?.aim ?? 0;
  const error = cents === last?.cents ? `, ±${last.errorCents.toFixed(1)}` : '';
  const aimed = aim === 0 ? '' : `, aim ${signedCents(aim)}`;
  return `cents, ${deviationInWords(cents - aim, tolerance)}${error}${aimed}`;
}
