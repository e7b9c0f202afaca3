import { nth } from '../maths/index.ts';
import { type Target, type Tuning, targetsOf } from '../music/index.ts';
import type { Session, Summary } from '../sitting/index.ts';
import { type Instrument, MATERIALS, soundingLength, tensionOf } from '../strings/index.ts';
import type { Cents, EpochMs } from '../units.ts';
import type { Diary, DriftString, Move, Span } from './types.ts';

/** What turning the other strings at the end of a session may still have moved, cents. */
const AFTER_TURNS: Cents = 0.5;
/** Two sessions closer together than this are one, in ms. */
const APART = 2 * 3_600_000;

/** What is kept of an instrument, as far as its drift is told by it. */
export interface Kept {
  readonly instrument: Instrument;
  /** The tuning that it is kept in. */
  readonly tuning: Tuning;
  readonly a4: number;
  /** In any order; those that tell of the instrument itself. */
  readonly sittings: readonly { readonly session: Session; readonly summary: Summary }[];
  readonly fitted: readonly { readonly course: number; readonly at: EpochMs }[];
  /** When it was out of the house; without an end it is out still. */
  readonly loans: readonly { readonly from: EpochMs; readonly to: EpochMs | null }[];
}

/** The first string of every course, with how much a common stretch moves it. */
function driftStrings({ instrument, tuning, a4, fitted }: Kept): DriftString[] {
  const targets = targetsOf(tuning, a4);
  const stiff = targets.map((target) => easiness(instrument, target));
  const mean = stiff.reduce((sum, e) => sum + e, 0) / Math.max(1, stiff.length);
  return targets.map(({ course }, i) => ({
    course,
    share: nth(stiff, i) / mean,
    soft: instrument.courses[course - 1]?.strings[0]?.spec.material !== 'steel',
    fitted: fittedOn(fitted, course),
  }));
}

/** EA/T: so many times its load a string would carry if it were stretched to twice its length. By differentiating Mersenne's law. */
function easiness(instrument: Instrument, { course, hz }: Target): number {
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  if (!spec) return 1;
  const area = (Math.PI * (spec.coreMm / 1000) ** 2) / 4;
  const tension = tensionOf(spec.unitWeight, soundingLength(instrument, course), hz);
  return (MATERIALS[spec.material].modulus * area) / tension;
}

function fittedOn(fitted: Kept['fitted'], course: number): EpochMs[] {
  return fitted
    .filter((one) => one.course === course)
    .map(({ at }) => at)
    .sort((a, b) => a - b);
}

/** Every time between two sessions in one tuning, oldest first. */
export function diaryOf(kept: Kept): Diary {
  const strings = driftStrings(kept);
  const sittings = kept.sittings
    .filter(({ summary }) => summary.plucks > 0)
    .sort((a, b) => a.session.startedAt - b.session.startedAt);
  const spans: Span[] = [];
  for (let i = 1; i < sittings.length; i++) {
    const [before, now] = [nth(sittings, i - 1), nth(sittings, i)];
    if (!isSameAim(before.session, now.session)) continue;
    const from = endOf(before.summary);
    const to = now.session.startedAt;
    if (to - from < APART) continue;
    const moves = strings.map(({ course }) =>
      wasFitted(kept.fitted, course, from, to) ? null : moveOf(course, before.summary, now.summary),
    );
    spans.push({
      from,
      to,
      moves,
      lent: kept.loans.some((loan) => loan.from < to && (loan.to ?? to) > from),
    });
  }
  return { strings, spans };
}

function isSameAim(a: Session, b: Session): boolean {
  return a.tuningId === b.tuningId && a.a4 === b.a4 && (a.capo ?? 0) === (b.capo ?? 0);
}

/** When the last string of a session was read. */
function endOf({ strings, startedAt }: Summary): EpochMs {
  return Math.max(startedAt, ...strings.map(({ leftAt }) => leftAt ?? 0));
}

function wasFitted(fitted: Kept['fitted'], course: number, from: EpochMs, to: EpochMs): boolean {
  return fitted.some((one) => one.course === course && one.at > from && one.at <= to);
}

function moveOf(course: number, before: Summary, now: Summary): Move | null {
  const of = ({ strings }: Summary) => strings.find((s) => s.course === course && s.member === 1);
  const [a, b] = [of(before), of(now)];
  if (!a || !b || a.left === null || b.found === null) return null;
  return {
    cents: b.found - a.left,
    errorCents: Math.hypot(a.leftError ?? 1, b.foundError ?? 1, AFTER_TURNS),
  };
}
