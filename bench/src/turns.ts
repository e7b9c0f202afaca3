import { type ListenEvent, Listener } from '@rosefinch/core/listen';
import { normal, seededRandom } from '@rosefinch/core/maths';
import type { Cents, Hz, Seconds } from '@rosefinch/core/units';
import { exactHz, sound, strike } from './foreign/string.ts';
import { notTurned, type TurnedRing, turnedThenStill, turnedToTheEnd } from './foreign/turners.ts';
import { quantile } from './print.ts';
import { OPEN_STRINGS } from './strings.ts';

const RATE = 24_000;
const LEAD: Seconds = 0.45;
const QUIET = 2e-4;
const LAST_HEARD: Seconds = 0.1;

type Outcome = Extract<ListenEvent, { type: 'outcome' }>;

/** One ring as it was heard, and what is true of it. */
interface Heard {
  readonly name: string;
  readonly ring: TurnedRing;
  readonly outcomes: readonly Outcome[];
  /** What a fresh pluck would read before the first movement and after the last. */
  readonly before: Hz;
  readonly after: Hz;
}

/** Sounds one ring of a string of a generator that shares no line with the code. */
function hearRing(seed: number, make: (random: () => number) => TurnedRing): Heard {
  const random = seededRandom(seed * 86_243);
  const string = OPEN_STRINGS[Math.floor(random() * OPEN_STRINGS.length)]!;
  const ring = make(random);
  const stood = string.hz * 2 ** ((60 * (random() - 0.5)) / 1200);
  const struck = strike(random, string, stood);
  const length = Math.round((LEAD + ring.until + 1) * RATE);
  const out = Float32Array.from({ length }, () => QUIET * normal(random));
  sound(out, struck, { rate: RATE, at: LEAD, until: ring.until, moved: ring.moved });
  const outcomes: Outcome[] = [];
  const listener = new Listener(RATE, (event) => {
    if (event.type === 'outcome') outcomes.push(event);
  });
  listener.know(string.set.map((hz, i) => ({ target: { course: i + 1, midi: 0, hz } })));
  listener.hear(out);
  listener.finish();
  const before = exactHz(struck, 0.2, 0.8);
  // Nobody hears the pitch of the very end: what last sounded is that of the last tenth of a second.
  const after = before * 2 ** (ring.moved(ring.until - LAST_HEARD) / 1200);
  return { name: string.name, ring, outcomes, before, after };
}

const centsOff = (hz: Hz, truth: Hz): Cents => 1200 * Math.log2(hz / truth);

/** What came of rings that were turned and then left alone. */
interface TurnCount {
  readonly n: number;
  /** Figures that a ring ended with, off from the truth, and over what they state. */
  readonly errors: readonly Cents[];
  readonly stated: readonly number[];
  /** Rings with a reading of before the first movement, and how far those are off. */
  readonly found: readonly Cents[];
  readonly kinds: ReadonlyMap<string, number>;
  readonly notes: readonly string[];
}

export function countTurns(
  first: number,
  n: number,
  make: (random: () => number) => TurnedRing,
): TurnCount {
  const errors: Cents[] = [];
  const stated: number[] = [];
  const found: Cents[] = [];
  const kinds = new Map<string, number>();
  const notes: string[] = [];
  for (let seed = first; seed < first + n; seed++) {
    const { name, ring, outcomes, before, after } = hearRing(seed, make);
    const readings = outcomes.flatMap(({ outcome }) => (outcome.kind === 'reading' ? outcome : []));
    const last = outcomes.at(-1)?.outcome;
    const kind = !last
      ? 'nothing'
      : last.kind === 'reading'
        ? last.turned
          ? 'read after the turn'
          : 'read'
        : last.kind === 'not sure'
          ? last.reason
          : last.kind;
    kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
    const [earliest] = readings;
    if (earliest && !earliest.turned && ring.to > ring.from)
      found.push(Math.abs(centsOff(earliest.hz, before)));
    if (last?.kind !== 'reading') {
      notes.push(
        `seed ${seed} ${name}: ${kind}, turned ${ring.from.toFixed(2)}–${ring.to.toFixed(2)} of ${ring.until.toFixed(2)} by ${ring.moved(ring.until).toFixed(0)}`,
      );
      continue;
    }
    const error = centsOff(last.hz, after);
    errors.push(Math.abs(error));
    stated.push(Math.abs(error) / last.errorCents);
    if (Math.abs(error) > 1.5)
      notes.push(
        `seed ${seed} ${name}: ${error.toFixed(1)} ± ${last.errorCents.toFixed(1)} (${kind}), turned ${ring.from.toFixed(2)}–${ring.to.toFixed(2)} of ${ring.until.toFixed(2)} by ${ring.moved(ring.until).toFixed(0)}`,
      );
  }
  return { n, errors, stated, found, kinds, notes };
}

const ROWS = [
  ['turned, then still for 0.28 s and more', turnedThenStill],
  ['turned to the end', turnedToTheEnd],
  ['not turned', notTurned],
] as const;

const share = (count: number, n: number) => `${((100 * count) / Math.max(1, n)).toFixed(1)} %`;

/** Strings that are turned while they ring; `--row=` prints one row, `--each` lists what went wrong, `--n=` takes so many. */
export function turnFigures(first: number, usual: number): void {
  const n = Number(process.argv.find((word) => word.startsWith('--n='))?.slice(4) ?? usual);
  const list = process.argv.includes('--each');
  const wanted =
    process.argv.find((word) => word.startsWith('--row='))?.slice('--row='.length) ?? '';
  const rows = ROWS.filter(([name]) => name.includes(wanted));
  console.log(
    `\nTurned while it rings, seeds ${first}–${first + n - 1}; strings and hands of generators of their own, sound`,
  );
  for (const [name, make] of rows) {
    const { errors, stated, found, kinds, notes } = countTurns(first, n, make);
    const close = errors.filter((e) => e <= 1.5).length;
    console.log(`  ${name}, ${n}: ${[...kinds].map(([k, c]) => `${k} ${c}`).join(', ')}`);
    console.log(
      `    last figure: ${errors.length}, within 1.5 cents ${share(close, n)} of all, over 3 cents ${errors.filter((e) => e > 3).length}; ` +
        `median ${quantile(errors, 0.5, 2)}, p95 ${quantile(errors, 0.95, 2)}; truth within ±1 / ±2 ${share(stated.filter((s) => s <= 1).length, stated.length)} / ${share(stated.filter((s) => s <= 2).length, stated.length)}`,
    );
    if (found.length > 0)
      console.log(
        `    a figure from before the turn: ${share(found.length, n)}, median ${quantile(found, 0.5, 2)}, p95 ${quantile(found, 0.95, 2)}`,
      );
    if (list) for (const note of notes) console.log(`      ${note}`);
  }
}
