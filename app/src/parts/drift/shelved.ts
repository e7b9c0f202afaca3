import { type AirAt, type Told, withAir } from '@rosefinch/core/drift';
import {
  minutesFor,
  type Need,
  needOf,
  ONE_STRUM,
  type TimedSitting,
} from '@rosefinch/core/rounds';
import type { RowFacts } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { DAY_MS, type EpochMs } from '@rosefinch/core/units';
import type { Life } from '../../data/index.ts';
import { leftOf, leftOffIn } from './task.ts';

const MINUTE_MS = 60_000;

export const NO_LIFE: Life = { sittings: [], restringings: [], marks: [] };

/** An instrument of the shelf with all that is known of it now: every sentence and figure follows from this. */
export interface Judged {
  readonly instrument: Instrument;
  readonly life: Life;
  readonly told: Told | null;
  readonly need: Need;
  readonly minutes: number;
  /** Probability that a string is out by now; null where that is not known. */
  readonly out: number | null;
  readonly facts: RowFacts;
}

interface Moment {
  readonly now: EpochMs;
  readonly air: readonly AirAt[];
}

/** Puts together what a row tells. `told` is null while it is worked out. */
export function judged(
  instrument: Instrument,
  life: Life,
  told: Told | null,
  moment: Moment,
  pending = false,
): Judged {
  const { now } = moment;
  const left = leftOf(instrument, life);
  const leftOff = leftOffIn(left);
  const need = needOf({
    now,
    lastAt: left?.at ?? life.sittings.at(-1)?.session.startedAt ?? null,
    look: nextLook(life),
    leftOff: leftOff !== null,
    dueDays: told?.due?.days ?? null,
  });
  const likely = left && told?.due ? outBy(told.due.out, (now - left.at) / DAY_MS) : null;
  const out = leftOff ? 1 : likely;
  const minutes = minutesFor({
    kind: instrument.kind,
    strings: instrument.courses.length,
    sittings: life.sittings.map(timed),
    out,
  });
  const facts = { ...factsOf(instrument, life, told, moment), need, leftOff, pending };
  return { instrument, life, told, need, out, minutes, facts };
}

/** When new strings are to be looked at, on the clock on the wall: practice time may have been let go by. */
function nextLook({ restringings }: Life): EpochMs | null {
  const watched = restringings.find(({ doneAt }) => doneAt === null);
  const look = watched?.looks[0];
  return look === undefined ? null : look - (watched?.practiceAheadMs ?? 0);
}

function factsOf(
  { courses }: Instrument,
  life: Life,
  told: Told | null,
  { now, air }: Moment,
): Omit<RowFacts, 'need' | 'leftOff' | 'pending'> {
  const fitted = life.restringings.map(({ fittedAt }) => fittedAt);
  return {
    drift: told?.drift ?? null,
    fittedAt: fitted.length > 0 ? Math.max(...fitted) : null,
    lent: isLent(life, now),
    wasLent: wasLent(life),
    sittings: life.sittings.length,
    pegs: courses[0]?.strings[0]?.peg.kind ?? 'geared',
    withAir: told ? withAir(told.drift.spans, air) : null,
  };
}

function isLent({ marks }: Life, now: EpochMs): boolean {
  return marks.some(({ kind, at, until }) => kind === 'loan' && at <= now && (until ?? now) >= now);
}

/** So many sessions back it still matters that it was lent. */
const LATELY = 8;

function wasLent({ sittings, marks }: Life): boolean {
  const from = sittings.at(-LATELY)?.session.startedAt ?? 0;
  return marks.some(({ kind, until }) => kind === 'loan' && until !== null && until > from);
}

function outBy(out: readonly number[], days: number): number {
  if (days < 1) return 0;
  return out[Math.min(out.length, Math.floor(days)) - 1] ?? 0;
}

/** How long a session took, and whether everything was right as it was. */
function timed({ session, summary }: Life['sittings'][number]): TimedSitting {
  const last = Math.max(session.startedAt, ...summary.strings.map(({ leftAt }) => leftAt ?? 0));
  const right = summary.strings.every(
    ({ found }) => found === null || Math.abs(found) <= session.tolerance,
  );
  // A session begins with its first reading: taking it in hand came before.
  return { minutes: ONE_STRUM + (last - session.startedAt) / MINUTE_MS, right };
}
