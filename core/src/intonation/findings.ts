import { median, nth } from '../maths/index.ts';
import type { Instrument } from '../strings/index.ts';
import { soundingLength } from '../strings/index.ts';
import type { Cents, Millimetres } from '../units.ts';
import { amountOf, type CauseFound, type StringCauses } from './causes.ts';

/** A cause with the strings that share it. */
export interface Finding {
  readonly cause: CauseFound['cause'];
  readonly courses: readonly number[];
  /** The median of the strings. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  readonly fret?: number;
  /** What a repairer would move, by string; null for what is no place. */
  readonly amounts: readonly {
    readonly course: number;
    readonly mm: Millimetres;
    readonly errorMm: Millimetres;
  }[];
}

/** Below this nobody hears it, in cents. */
const AUDIBLE = 2;
const ORDER: readonly CauseFound['cause'][] = [
  'fret',
  'light touch',
  'hard touch',
  'saddle place',
  'nut place',
  'nut height',
];

/** The causes of all strings, those that share one together; what nobody hears is left out. */
export function findingsOf(
  instrument: Instrument,
  strings: ReadonlyMap<number, StringCauses>,
): Finding[] {
  const groups = new Map<string, { course: number; found: CauseFound }[]>();
  for (const [course, causes] of strings) {
    if (causes.kind !== 'fitted' || causes.strange) continue;
    for (const found of causes.causes) {
      if (Math.abs(found.cents) < AUDIBLE) continue;
      const key = `${found.cause} ${found.fret ?? ''} ${Math.sign(found.cents)}`;
      groups.set(key, [...(groups.get(key) ?? []), { course, found }]);
    }
  }
  const findings = [...groups.values()].map((group): Finding => {
    const { found } = nth(group, 0);
    return {
      cause: found.cause,
      courses: group.map(({ course }) => course).sort((a, b) => a - b),
      cents: median(group.map((one) => one.found.cents)),
      errorCents: median(group.map((one) => one.found.errorCents)),
      ...(found.fret !== undefined && { fret: found.fret }),
      amounts: group.flatMap((one) => {
        const amount = amountOf(one.found, soundingLength(instrument, one.course));
        return amount ? [{ course: one.course, ...amount }] : [];
      }),
    };
  });
  return findings.sort((a, b) => ORDER.indexOf(a.cause) - ORDER.indexOf(b.cause));
}
