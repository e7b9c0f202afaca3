import { seededRandom } from '@rosefinch/core/maths';

/**
 * A year of an instrument as a caretaker would tell it, from no law that the judge knows: rooms that
 * are heated or not, strings that each answer the air in their own measure, pegs that give way
 * mostly after they were turned, a borrower who tunes by ear to nothing in particular.
 */
export interface CaretakerPlan {
  readonly strings: number;
  readonly soft: boolean;
  readonly sittings: readonly number[];
  readonly kind: 'air' | 'peg' | 'new strings' | 'handled' | 'still';
  readonly seed: number;
}

type Moved = Record<'air' | 'peg' | 'creep' | 'hands', number>;

export interface CaretakerYear {
  readonly sittings: readonly {
    readonly day: number;
    readonly found: readonly number[];
    readonly left: readonly number[];
    /** What truly moved each string since the session before. */
    readonly moved: readonly Moved[];
  }[];
  readonly sets: readonly number[];
  readonly loans: readonly { readonly from: number; readonly to: number }[];
  readonly peg: number | null;
  /** Where every string truly is after the last session, day by day. */
  readonly after: readonly (readonly number[])[];
}

/** Days that are lived on after the last session, to see when it leaves its tolerance. */
const ON = 120;

export function caretakerYear(plan: CaretakerPlan): CaretakerYear {
  const random = seededRandom(plan.seed);
  const uniform = (low: number, high: number) => low + (high - low) * random();
  const heavy = () => {
    // Three degrees of freedom: errors with a tail.
    const n = () => random() + random() + random() + random() - 2;
    return (n() * 1.7) / Math.sqrt(0.3 + (n() ** 2 + n() ** 2) * 1.2);
  };
  const last = plan.sittings.at(-1) ?? 0;
  const answers = Array.from({ length: plan.strings }, () => uniform(0.65, 1.4));
  const size =
    plan.kind === 'still' ? 0.1 : plan.kind === 'air' ? uniform(0.6, 1.6) : uniform(0.3, 0.7);
  const peg = plan.kind === 'peg' ? Math.floor(random() * plan.strings) : null;
  const backwards = plan.sittings.slice(-6);
  const sets = plan.kind === 'new strings' ? [Math.max(0, (backwards[0] ?? 0) - 1)] : [];
  const loans =
    plan.kind === 'handled'
      ? [{ from: (backwards[1] ?? 0) + 0.5, to: (backwards[4] ?? 0) - 0.5 }]
      : [];
  const now = answers.map(() => 0);
  const fell = answers.map(() => 0);
  const unmoved = (): Moved => ({ air: 0, peg: 0, creep: 0, hands: 0 });
  let moved = answers.map(unmoved);
  const move = (s: number, by: keyof Moved, cents: number) => {
    now[s]! += cents;
    moved[s]![by] += cents;
  };
  let [heated, air, before] = [false, 0, 0];
  let turnedAt = -100;
  const sittings: CaretakerYear['sittings'][number][] = [];
  const after: number[][] = [];
  for (let day = 0; day <= last + ON; day++) {
    if (random() < 1 / 18) heated = !heated;
    before = air;
    const aim = (heated ? -6 : 4) + 3 * Math.sin((2 * Math.PI * day) / 365);
    air += 0.35 * (aim - air) + 0.9 * heavy();
    const stretch = size * (air - before);
    for (let s = 0; s < now.length; s++) {
      move(s, 'air', answers[s]! * stretch);
      move(s, 'hands', 0.25 * heavy());
      const fitted = sets.findLast((on) => on <= day);
      if (fitted !== undefined) {
        const fall = (plan.soft ? 26 : 5) * (day - fitted + 1) ** 0.28 * (0.8 + 0.1 * s);
        move(s, 'creep', fell[s]! - fall);
        fell[s] = fall;
      }
      if (random() < 0.002) move(s, 'hands', uniform(-25, 10));
      if (loans.some(({ from, to }) => day > from && day < to) && random() < 0.25)
        move(s, 'hands', uniform(-16, 16));
    }
    if (peg !== null) {
      const since = day - turnedAt;
      // It gives way soon after it was turned, and seldom later: most often little, sometimes much.
      if (random() < (since < 3 ? 0.6 : 0.12)) move(peg, 'peg', -5 * (random() + 0.03) ** -0.6);
    }
    if (day > last) {
      after.push([...now]);
      continue;
    }
    if (!plan.sittings.includes(day)) continue;
    const since = moved;
    moved = answers.map(unmoved);
    const found = now.map((cents) => cents + 0.6 * heavy());
    const left = found.map((cents, s) => {
      if (Math.abs(cents) <= 2.5) return cents;
      now[s] = 0.5 + 0.8 * heavy();
      if (s === peg) turnedAt = day;
      return now[s]! + 0.6 * heavy();
    });
    sittings.push({ day, found, left, moved: since });
  }
  return { sittings, sets, loans, peg, after };
}
