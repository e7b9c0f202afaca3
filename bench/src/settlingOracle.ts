import {
  CREEP_WORLDS,
  CreepingInstrument,
  type CreepKind,
  type CreepWorld,
} from './foreign/creeping.ts';
import { quantile } from './print.ts';
import { type Deed, sat } from './settling.ts';

const LESSON = 45 * 60;
const TOLERANCE = 5;
const DAY = 86_400;
/** Strings drawn from the generator for each one that is judged; so many of them count, at least. */
const DRAWS = 400;
const COUNTING = 25;
const RISK = 0.05;
const SURE = 0.92;
const LOOKS = ['11 min', 'a night'] as const;

/** A string drawn: how far its readings are from those that were heard, in their errors, and how long it holds. */
interface Drawn {
  readonly misfit: number;
  readonly hold: number;
}

/** Other strings of the same generator, to which the same was done. */
function drawn(world: CreepWorld, kind: CreepKind, deeds: readonly Deed[], error: number) {
  return Array.from({ length: DRAWS }, (_, i): Drawn[] => {
    const instrument = new CreepingInstrument(world, kind, 500_000 + i);
    const misfit: number[] = [];
    for (const deed of deeds) {
      if (deed.do === 'wait') instrument.wait(deed.seconds);
      else if (deed.do === 'pull') instrument.pull(deed.course);
      else if (deed.do === 'lift') instrument.lift(deed.course, deed.to);
      else {
        const off = (deed.cents - instrument.cents(deed.course)) / error;
        misfit[deed.course] = (misfit[deed.course] ?? 0) + off * off;
      }
    }
    const courses = Object.keys(misfit).map(Number);
    for (const course of courses) instrument.lift(course, 0);
    const holds = instrument.holds(TOLERANCE, DAY);
    return courses.map((course) => ({ misfit: misfit[course]!, hold: holds[course - 1]! }));
  });
}

/** Weights by the misfit, tempered until enough of them count. */
function weightsOf(misfits: readonly number[]): number[] {
  const least = Math.min(...misfits);
  for (let heat = 1; ; heat *= 1.3) {
    const raw = misfits.map((misfit) => Math.exp((least - misfit) / (2 * heat)));
    const sum = raw.reduce((a, b) => a + b, 0);
    const weights = raw.map((weight) => weight / sum);
    if (1 / weights.reduce((s, w) => s + w * w, 0) >= COUNTING) return weights;
  }
}

/** The one of them, in their order, up to which the weights come to so much. */
function quantileOf(order: readonly number[], weights: readonly number[], share: number): number {
  let sum = 0;
  for (const i of order) {
    sum += weights[i]!;
    if (sum >= share) return i;
  }
  return order.at(-1)!;
}

/** What one who knows the generator can say of the same readings, beside what the judge says. */
export function oracleFigures(from: number, n: number): void {
  console.log(
    `\nSettling, an oracle that knows the generator (${DRAWS} strings of it for each, ${COUNTING} count), seeds ${from}–${from + n - 1}, tolerance ${TOLERANCE}, once brought up: broken, promise ÷ hold, yes of holding, yes wrong; then the judge`,
  );
  for (const world of CREEP_WORLDS)
    for (const kind of ['ukulele', 'steel guitar'] as const)
      for (const look of LOOKS) {
        const rows = Array.from({ length: n }, (_, i) => {
          const goal = { tolerance: TOLERANCE, lesson: LESSON };
          const { seen } = sat(from + i, { world, kind, rounds: 1, goal });
          const { deeds, error, strings } = seen.find(({ name }) => name === look)!;
          const others = drawn(world, kind, deeds, error);
          return strings.map(({ string, lifted }, k) => {
            const mine = others.map((list) => list[string.history.course - 1]!);
            const weights = weightsOf(mine.map(({ misfit }) => misfit));
            const order = mine.map((_, j) => j).sort((a, b) => mine[a]!.hold - mine[b]!.hold);
            const low = quantileOf(order, weights, RISK);
            const holding = mine.reduce((s, m, j) => s + (m.hold >= LESSON ? weights[j]! : 0), 0);
            return {
              k,
              truth: lifted,
              oracle: { promise: mine[low]!.hold, holds: holding >= SURE },
              judge: { promise: string.lifted.promise, holds: string.holds },
            };
          });
        }).flat();
        const told = (who: 'oracle' | 'judge') => {
          const broken = rows.filter((row) => row.truth < row[who].promise).length;
          const ratios = rows.map((row) => row[who].promise / Math.max(1, row.truth));
          const holding = rows.filter(({ truth }) => truth >= LESSON);
          const yes = rows.filter((row) => row[who].holds);
          const wrong = yes.filter(({ truth }) => truth < LESSON).length;
          const right = holding.filter((row) => row[who].holds).length;
          return `${((100 * broken) / rows.length).toFixed(1)} %, ${quantile(ratios, 0.5, 2)}, ${right} of ${holding.length}, ${wrong} of ${yes.length}`;
        };
        console.log(`  ${world}, ${kind}, ${look}: ${told('oracle')}; ${told('judge')}`);
      }
}
