import type { Reading } from '../listen/index.ts';
import { decibels, median } from '../maths/index.ts';
import { type Cents, DAY_MS, type EpochMs } from '../units.ts';

/** What was measured of one string on one day, from the sound of its plucks. */
export interface Heard {
  readonly at: EpochMs;
  readonly course: number;
  /** B of the stiff-string law. */
  readonly stiffness: number;
  /** How far the partials lie off that law, cents. */
  readonly offLaw: number;
  /** How much weaker partials 8 and up are than 1 to 4, dB. */
  readonly dull: number;
}

const LOW_PARTIALS = 4;
const HIGH_PARTIALS = { from: 7, to: 14 } as const;
const CENTS_PER_OCTAVE = 1200;

/** What one pluck tells of how its string has aged; null where too few partials were heard. */
export function heardOf(course: number, at: EpochMs, reading: Reading): Heard | null {
  const { f0Hz, inharmonicity, partials } = reading;
  const level = (all: Reading['partials']) =>
    all.reduce((sum, { amplitude }) => sum + decibels(amplitude), 0) / all.length;
  const low = partials.filter(({ number }) => number <= LOW_PARTIALS);
  const high = partials.filter(
    ({ number }) => number >= HIGH_PARTIALS.from && number <= HIGH_PARTIALS.to,
  );
  if (low.length < 2 || high.length < 2 || !(inharmonicity > 0)) return null;
  const off = partials.map(({ number, hz }) =>
    Math.abs(
      CENTS_PER_OCTAVE *
        Math.log2(hz / (number * f0Hz * Math.sqrt(1 + inharmonicity * number ** 2))),
    ),
  );
  const offLaw = median(off);
  return { at, course, stiffness: inharmonicity, offLaw, dull: level(low) - level(high) };
}

/** What is known of the strings of an instrument since they were put on. */
export interface Wear {
  readonly now: EpochMs;
  /** Null where nobody has said when strings were put on. */
  readonly fittedAt: EpochMs | null;
  /** When it was out of the house; without an end it is out still. */
  readonly loans: readonly { readonly from: EpochMs; readonly to: EpochMs | null }[];
  readonly sittings: number;
  /** Oldest first. */
  readonly heard: readonly Heard[];
  readonly soft: boolean;
  /** Strings that a fret check since then has found false in themselves, with how far off they take a note. */
  readonly falseStrings: readonly { readonly course: number; readonly cents: Cents }[];
  /** Strings whose fretted notes lie about without a pattern, while those beside them do not, by so much. */
  readonly scattering: readonly { readonly course: number; readonly cents: Cents }[];
}

/** One thing that speaks for or against the strings; from 0, as new, to 1, worn out. */
export interface Sign {
  readonly kind: 'age' | 'played' | 'dull' | 'stiffness' | 'off law' | 'false' | 'scatter';
  readonly worn: number;
  /** The figure behind it: days, days, dB, a share, cents, cents, cents. */
  readonly figure: number;
  /** The string that shows it most; null where it is of all. */
  readonly course: number | null;
}

export type WearVerdict = 'still good' | 'tired' | 'change' | 'not known';

/** Strings of a lent instrument are played daily, those of one on the shelf by sessions alone: common practice, no source. */
const LIFE_DAYS = { hard: 300, soft: 540 } as const;
const LIFE_PLAYED_DAYS = { hard: 60, soft: 120 } as const;
/** A change since the strings were new that stands for worn out. Common practice, no source. */
const WORN = { dullDb: 14, stiffness: 0.35, offLaw: 2.5, scatter: 6 } as const;
/** A session is so much of a day of playing. */
const SITTING_DAYS = 0.15;
/** A string is judged by so many plucks at each end. */
const AT_EACH_END = 3;
const VERDICTS = { tired: 0.5, change: 0.85 } as const;

/** Says how worn the strings are, by every sign that there is. */
export function wornStrings(wear: Wear): { readonly verdict: WearVerdict; readonly signs: Sign[] } {
  const signs = [...byUse(wear), ...bySound(wear), ...byFrets(wear)].sort(
    (a, b) => b.worn - a.worn,
  );
  const [first] = signs;
  if (!first) return { verdict: 'not known', signs };
  // Age alone never sends good strings away: it makes them tired at most.
  const heard = signs.filter(({ kind }) => kind !== 'age' && kind !== 'played');
  const worst = Math.max(0, ...heard.map(({ worn }) => worn));
  const use = Math.max(0, ...signs.map(({ worn }) => worn));
  if (worst >= VERDICTS.change || (worst >= VERDICTS.tired && use >= VERDICTS.change))
    return { verdict: 'change', signs };
  return { verdict: use >= VERDICTS.tired ? 'tired' : 'still good', signs };
}

function byUse({ now, fittedAt, loans, sittings, soft }: Wear): Sign[] {
  if (fittedAt === null) return [];
  const kind = soft ? 'soft' : 'hard';
  const days = (now - fittedAt) / DAY_MS;
  const lent = loans.reduce(
    (sum, { from, to }) => sum + Math.max(0, (to ?? now) - Math.max(from, fittedAt)),
    0,
  );
  const played = lent / DAY_MS + SITTING_DAYS * sittings;
  return [
    { kind: 'age', worn: days / LIFE_DAYS[kind], figure: days, course: null },
    { kind: 'played', worn: played / LIFE_PLAYED_DAYS[kind], figure: played, course: null },
  ];
}

/** A string that is false in itself plays no fret right: that sends it away by itself. */
function byFrets({ falseStrings, scattering }: Wear): Sign[] {
  return [
    ...falseStrings.map(({ course, cents }) => ({
      kind: 'false' as const,
      worn: 1,
      figure: cents,
      course,
    })),
    ...scattering.map(({ course, cents }) => ({
      kind: 'scatter' as const,
      worn: cents / WORN.scatter,
      figure: cents,
      course,
    })),
  ];
}

/** What the sound of each string has become since it was new; needs plucks at both ends. */
function bySound({ heard, fittedAt }: Wear): Sign[] {
  const since = heard.filter(({ at }) => fittedAt === null || at >= fittedAt);
  const courses = [...new Set(since.map(({ course }) => course))];
  const changes = courses.flatMap((course) => {
    const own = since.filter((one) => one.course === course);
    if (own.length < 2 * AT_EACH_END) return [];
    const change = (read: (one: Heard) => number) =>
      median(own.slice(-AT_EACH_END).map(read)) - median(own.slice(0, AT_EACH_END).map(read));
    return {
      course,
      dull: change(({ dull }) => dull),
      stiffness: Math.expm1(change(({ stiffness }) => Math.log(stiffness))),
      offLaw: change(({ offLaw }) => offLaw),
    };
  });
  const worst = (
    kind: Sign['kind'],
    read: (c: (typeof changes)[number]) => number,
    worn: number,
  ) => {
    const [most] = [...changes].sort((a, b) => read(b) - read(a));
    return most ? [{ kind, worn: read(most) / worn, figure: read(most), course: most.course }] : [];
  };
  return [
    ...worst('dull', ({ dull }) => dull, WORN.dullDb),
    ...worst('stiffness', ({ stiffness }) => Math.abs(stiffness), WORN.stiffness),
    ...worst('off law', ({ offLaw }) => offLaw, WORN.offLaw),
  ];
}
