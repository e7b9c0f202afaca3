import { crossChecks, neckOf } from '@rosefinch/core/fretboard';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { centsBetween, type Target, TUNINGS, type Tuning, targetsOf } from '@rosefinch/core/music';
import {
  type FrozenWay,
  frozenWay,
  type PlanOrder,
  planRetune,
  planStrings,
  type Way,
  wayTo,
} from '@rosefinch/core/retune';
import {
  type BenchState,
  benchAfter,
  currentPass,
  isClosed,
  nextCourse,
  passDone,
  type StringReading,
  startBench,
} from '@rosefinch/core/sitting';
import { aimOf, stateOf } from '@rosefinch/core/state';
import {
  type Coupling,
  expectedCoupling,
  findModel,
  type Instrument,
  stringLoad,
} from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';

const TOLERANCE: Cents = 2;
const READING_NOISE: Cents = 0.3;
/** A hand that turns a peg towards a figure, and one that is led by another string or by the tone, in cents. */
const HAND = { byDisplay: 1.2, byEar: 1.5, byTone: 2.5, near: 6 } as const;
const MOST_TURNS = 6;
const MOST_PASSES = 6;
/** A comparison that is called exact and is off by more is false. */
const FALSE_BEYOND: Cents = 3;
/** An ear could have used it. */
const TRUE_WITHIN: Cents = 2;
/** No string is retuned further. */
const FARTHEST: Cents = 600;
const ORDERS: readonly PlanOrder[] = ['planned', 'thickestFirst', 'thinnestFirst'];
const MODELS: readonly (readonly [model: string, strings: number])[] = [
  ['steel-guitar', 6],
  ['ukulele-concert', 4],
  ['banjo-five', 5],
];

/**
 * An instrument as it truly is, by tensions and nothing else: the neck gives way under the sum of what
 * the strings pull, each at its own place, and takes a little from every one. Nothing of core's coupling is in it.
 */
class Tensions {
  /** What each peg holds its string to, as a share of the tension at its note. */
  private readonly held: number[];
  private bend = 0;

  constructor(
    private readonly random: Random,
    private readonly newtons: readonly number[],
    private readonly coupling: number,
    cents: readonly Cents[],
  ) {
    this.places = newtons.map(() => between(random, 0.7, 1.3));
    this.gives = newtons.map(() => between(random, 0.7, 1.3));
    this.held = cents.map((off) => 2 ** (off / 600));
    this.stand(cents);
  }

  /** As it was left: what the neck takes is made good by the pegs. */
  private stand(cents: readonly Cents[]): void {
    this.settle();
    for (let k = 0; k < 20; k++)
      cents.forEach((off, i) => {
        this.held[i]! *= 2 ** ((off - this.cents(i + 1)) / 600);
        this.settle();
      });
  }
  private readonly places: number[];
  private readonly gives: number[];

  private share(i: number): number {
    return this.held[i]! - this.gives[i]! * this.bend;
  }

  /** What the neck takes of each string, once all pull together: found by going round. */
  private settle(): void {
    const mean = this.newtons.reduce((a, b) => a + b, 0) / this.newtons.length;
    for (let k = 0; k < 12; k++)
      this.bend = this.newtons.reduce(
        (sum, n, i) => sum + this.coupling * this.places[i]! * (n / mean) * (this.share(i) - 1),
        0,
      );
  }

  cents(course: number): Cents {
    return 600 * Math.log2(Math.max(1e-3, this.share(course - 1)));
  }

  /** Turns a peg until the string stands where the hand believes it right. */
  bring(course: number, to: Cents, error: Cents): void {
    const wanted = to + error * normal(this.random);
    for (let k = 0; k < 8; k++) {
      this.held[course - 1]! *= 2 ** ((wanted - this.cents(course)) / 600);
      this.settle();
    }
    // Now and then a winding slips back.
    if (this.random() < 0.02) this.held[course - 1]! *= 2 ** (-between(this.random, 1, 3) / 600);
    this.settle();
  }

  /** What a long acquaintance would have learned of its neck, each figure off by a share: found by trying every peg. */
  learned(share: number): Coupling {
    const kept = [...this.held];
    this.stand(this.newtons.map(() => 0));
    const before = this.newtons.map((_, i) => this.cents(i + 1));
    const columns = before.map((own, i) => {
      const held = this.held[i]!;
      this.held[i] = held * 2 ** (10 / 600);
      this.settle();
      const turned = this.cents(i + 1) - own;
      const moved = before.map((was, j) => (i === j ? 0 : (this.cents(j + 1) - was) / turned));
      this.held[i] = held;
      this.settle();
      return moved;
    });
    this.held.splice(0, kept.length, ...kept);
    this.settle();
    const off = () => 1 + share * normal(this.random);
    const matrix = before.map((_, j) => columns.map((column) => column[j]! * off()));
    return { matrix, error: share, turns: 40 };
  }

  /** Where a string must be brought now to land on its note, once the others that are to come stand on theirs. */
  aimFor(course: number, toCome: readonly number[]): Cents {
    const kept = [...this.held];
    const move = (one: number, to: Cents) => {
      for (let k = 0; k < 8; k++) {
        this.held[one - 1]! *= 2 ** ((to - this.cents(one)) / 600);
        this.settle();
      }
    };
    move(course, 0);
    const held = this.held[course - 1]!;
    for (let k = 0; k < 12; k++) for (const other of toCome) move(other, 0);
    this.held[course - 1] = held;
    this.settle();
    const landed = this.cents(course);
    this.held.splice(0, kept.length, ...kept);
    this.settle();
    return -landed;
  }

  read(course: number): StringReading {
    const far = this.random() < 0.02 ? 4 : 1;
    const cents = this.cents(course) + far * READING_NOISE * normal(this.random);
    return { course, cents, errorCents: READING_NOISE, moving: false, hz: 100 };
  }
}

interface Tally {
  exact: number;
  wrong: number;
  about: number;
  aboutBeyond: number;
  could: number;
  shown: number;
  tones: number;
  steps: number;
  passes: number[];
  givenUp: number;
  /** Told to turn by an aim; told away from where the string truly must go; told beyond it. */
  told: number;
  wrongWay: number;
  beyond: number;
}

const empty = (): Tally => ({
  exact: 0,
  wrong: 0,
  about: 0,
  aboutBeyond: 0,
  could: 0,
  shown: 0,
  tones: 0,
  steps: 0,
  passes: [],
  givenUp: 0,
  told: 0,
  wrongWay: 0,
  beyond: 0,
});

interface Case {
  readonly instrument: Instrument;
  readonly home: Tuning;
  readonly target: Tuning;
  readonly order: PlanOrder;
  readonly manner: 'by ear' | 'by display';
  readonly coupling: Coupling;
  readonly truth: Tensions;
  readonly before: ReadonlyMap<number, number>;
}

/** One retune by a player who does what is asked, string by string, until a whole pass needs no turn. */
class Retune {
  private bench: BenchState;
  private readonly readings: StringReading[] = [];
  private readonly targets: readonly Target[];
  private readonly frozen: FrozenWay;

  constructor(
    private readonly one: Case,
    private readonly tally: Tally,
  ) {
    this.targets = targetsOf(one.target, 440);
    this.frozen = frozenWay({ ...one, a4: 440, tolerance: TOLERANCE });
    const order = this.targets.map(({ course }) => course).reverse();
    this.bench = startBench({ order, tolerance: TOLERANCE });
  }

  play(): void {
    for (let pass = 1; pass <= MOST_PASSES; pass++) {
      const turned = this.pass();
      if (!turned && this.isRight()) {
        this.tally.passes.push(pass);
        return;
      }
      this.bench = benchAfter(this.bench, { type: 'next pass' });
    }
    this.tally.givenUp++;
  }

  private isRight(): boolean {
    return this.targets.every(
      ({ course }) => Math.abs(this.one.truth.cents(course)) <= 2 * TOLERANCE,
    );
  }

  private pass(): boolean {
    let turned = false;
    for (let step = 0; step < 40 && !passDone(this.bench); step++) {
      const course = this.way().next[0] ?? nextCourse(this.bench, null);
      if (course === null) break;
      if (this.string(course)) turned = true;
    }
    return turned;
  }

  /** Works on one string until the bench lets go of it; true if it had to be turned. */
  private string(course: number): boolean {
    let turned = false;
    this.pluck(course);
    for (let k = 0; k < MOST_TURNS; k++) {
      const entry = currentPass(this.bench).strings.find((s) => s.course === course);
      if (!entry || isClosed(entry)) return turned;
      const last = this.readings.at(-1)!;
      if (Math.abs(last.cents - (last.aim ?? 0)) > TOLERANCE) {
        const way = this.way();
        this.turn(course, way);
        turned = true;
        this.pluck(course);
        const now = this.readings.at(-1)!;
        // While others are far off, near is near enough.
        if (way.far && this.one.manner === 'by ear' && Math.abs(now.cents) < 10) break;
      } else this.pluck(course);
    }
    this.bench = benchAfter(this.bench, { type: 'choose', course: null });
    return turned;
  }

  private turn(course: number, way: Way): void {
    const { truth, manner } = this.one;
    const [best] = way.references.get(course) ?? [];
    this.judge(course, way);
    if (manner === 'by display') {
      this.judgeAim(course);
      truth.bring(course, this.readings.at(-1)!.aim ?? 0, HAND.byDisplay);
      return;
    }
    if (!best) this.tally.tones++;
    this.tally.steps++;
    // Led by ear it ends where the other string truly has it.
    const to = best ? truth.cents(best.course) : 0;
    truth.bring(course, to, best ? (best.good === 'about' ? HAND.near : HAND.byEar) : HAND.byTone);
  }

  /** Whether the figure leads a string to where it truly must go. */
  private judgeAim(course: number): void {
    const { truth } = this.one;
    const last = this.readings.at(-1)!;
    const aim = last.aim ?? 0;
    const toCome = currentPass(this.bench)
      .strings.filter((s) => s.course !== course && !isClosed(s))
      .map((s) => s.course);
    const must = truth.aimFor(course, toCome);
    const way = Math.sign(aim - last.cents);
    this.tally.told++;
    if (way * (truth.cents(course) - must) > FALSE_BEYOND) this.tally.wrongWay++;
    if (way * (aim - must) > FALSE_BEYOND) this.tally.beyond++;
  }

  /** What is shown at this moment, against the truth that only the generator knows. */
  private judge(course: number, way: Way): void {
    const { truth, target, instrument } = this.one;
    const aim = this.readings.at(-1)!.aim ?? 0;
    const shown = way.references.get(course) ?? [];
    for (const { course: other, good } of shown.slice(0, 3)) {
      const off = Math.abs(truth.cents(other) - aim);
      if (good === 'exact') {
        this.tally.exact++;
        if (off > FALSE_BEYOND) this.tally.wrong++;
      } else {
        this.tally.about++;
        if (off > 15) this.tally.aboutBeyond++;
      }
    }
    const read = new Set(this.readings.map((reading) => reading.course));
    const could = crossChecks(neckOf(target, instrument), 12).some(({ held, open }) => {
      if (held.course !== course && open !== course) return false;
      const other = held.course === course ? open : held.course;
      return read.has(other) && Math.abs(truth.cents(other) - aim) <= TRUE_WITHIN;
    });
    if (could) {
      this.tally.could++;
      if (shown.length > 0) this.tally.shown++;
    }
  }

  private pluck(course: number): void {
    const { truth, manner, coupling } = this.one;
    const plain = truth.read(course);
    const off = this.frozen.off.map((cents) => (Math.abs(cents) > 60 ? cents : null));
    const now = stateOf({ readings: [...this.readings, plain], before: off, coupling });
    const aim = manner === 'by display' ? aimOf(this.bench, course, now, coupling) : 0;
    const reading = aim === 0 ? plain : { ...plain, aim };
    this.readings.push(reading);
    this.bench = benchAfter(this.bench, { type: 'reading', reading });
  }

  private way(): Way {
    const { targets, readings, bench } = this;
    return wayTo(this.frozen, { targets, readings, bench });
  }
}

function caseOf(seed: number, manner: Case['manner']): Case | null {
  const random = seededRandom(seed * 6151);
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const [model, strings] = pick(MODELS);
  const instrument = findModel(model)!.build('x', 'X');
  const fitting = TUNINGS.filter((t) => t.kind === instrument.kind && t.courses.length === strings);
  const home = fitting.find(({ id }) => id === instrument.tuningId)!;
  const [now, target] = [pick(fitting), pick(fitting)];
  if (now === target) return null;
  const sd = pick([0, 8, 25]);
  const targets = targetsOf(target, 440);
  const present = targetsOf(now, 440);
  const off = present.map(({ hz }, i) => centsBetween(targets[i]!.hz, hz) + sd * normal(random));
  // Further than that another string is put on.
  if (off.some((cents) => Math.abs(cents) > FARTHEST)) return null;
  const newtons = targets.map(({ course, hz }) => stringLoad(instrument, course, hz)!.tension);
  const before = new Map(
    // What is known from before is what the last session left, within what has happened since.
    off.map((cents, i) => [i + 1, targets[i]!.hz * 2 ** ((cents + 3 * normal(random)) / 1200)]),
  );
  const order = pick(ORDERS);
  const truth = new Tensions(random, newtons, between(random, 0.02, 0.08), off);
  const coupling =
    manner === 'by display'
      ? truth.learned(0.15)
      : expectedCoupling({ tensions: newtons, bridge: instrument.bridge });
  return { instrument, home, target, order, manner, coupling, truth, before };
}

const percent = (part: number, of: number) => `${((100 * part) / Math.max(1, of)).toFixed(2)} %`;
const mean = (list: readonly number[]) =>
  list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);

/** Whether what is said on the way to a tuning is true at the moment when it is said. */
export function adviceFigures(first: number, retunes: number): void {
  mannerFigures({ first, retunes }, 'by ear', 'never learned');
  mannerFigures({ first, retunes }, 'by display', 'learned to 15 %');
  orderFigures();
}

interface Seeds {
  readonly first: number;
  readonly retunes: number;
}

function mannerFigures({ first, retunes }: Seeds, manner: Case['manner'], known: string): void {
  const tally = empty();
  let n = 0;
  for (let seed = first; seed < first + retunes; seed++) {
    const one = caseOf(seed, manner);
    if (!one) continue;
    n++;
    new Retune(one, tally).play();
  }
  console.log(
    `\nRetunes ${manner}, ${n} of seeds ${first}–${first + retunes - 1}: guitar, ukulele, banjo; any two tunings of a kind that are ${FARTHEST} cents apart at most, three orders, starts off by sd 0, 8, 25 cents, coupling 0.02–0.08 by tensions, ${known}`,
  );
  console.log(
    `  comparisons called exact ${tally.exact}, false by more than ${FALSE_BEYOND} cents ${tally.wrong} (${percent(tally.wrong, tally.exact)}); called about ${tally.about}, off by more than 15 cents ${tally.aboutBeyond}`,
  );
  console.log(
    `  steps in which one is true by brute force ${tally.could}, one shown in ${percent(tally.shown, tally.could)}; by the tone ${tally.tones} of ${tally.steps} turns`,
  );
  if (tally.told > 0)
    console.log(
      `  told to turn by an aim ${tally.told}: the wrong way, from more than ${FALSE_BEYOND} cents beyond where it must be ${tally.wrongWay}; to more than that beyond it ${tally.beyond} (${percent(tally.beyond, tally.told)})`,
    );
  console.log(
    `  passes until a whole one needs no turn: ${mean(tally.passes).toFixed(2)}; given up after ${MOST_PASSES}: ${tally.givenUp}`,
  );
}

/** What the planned order saves over all pairs of tunings: strings that must be set by the tone. */
function orderFigures(): void {
  const tones = new Map<PlanOrder, number>(ORDERS.map((order) => [order, 0]));
  const swings = new Map<PlanOrder, number>(ORDERS.map((order) => [order, 0]));
  let pairs = 0;
  for (const [model, strings] of MODELS) {
    const instrument = findModel(model)!.build('x', 'X');
    const fitting = TUNINGS.filter(
      (t) => t.kind === instrument.kind && t.courses.length === strings,
    );
    const home = fitting.find(({ id }) => id === instrument.tuningId)!;
    for (const now of fitting)
      for (const target of fitting) {
        if (now === target) continue;
        pairs++;
        const present = targetsOf(now, 440);
        const nowHz = (course: number) => present[course - 1]!.hz;
        const list = planStrings({ instrument, home, target, a4: 440, nowHz });
        for (const order of ORDERS) {
          const { fine, loadRange } = planRetune(list, order, TOLERANCE, {
            bridge: instrument.bridge,
          });
          const alone = fine.filter(({ references }) => references.length === 0).length;
          tones.set(order, tones.get(order)! + alone);
          swings.set(order, swings.get(order)! + loadRange);
        }
      }
  }
  console.log(
    `  strings set by the tone in the fine pass, mean over ${pairs} pairs of tunings: ${ORDERS.map((order) => `${order} ${(tones.get(order)! / pairs).toFixed(2)}`).join(', ')}`,
  );
  console.log(
    `  the load's swing on the way, mean: ${ORDERS.map((order) => `${order} ${(swings.get(order)! / pairs).toFixed(1)} N`).join(', ')}`,
  );
}
