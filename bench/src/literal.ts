import {
  askedAtBench,
  type BenchInput,
  type BenchTalk,
  type BenchWorld,
  benchSaying,
  benchTalk,
  courseInHand,
  startBenchTalk,
} from '@rosefinch/core/dialogue';
import { outcomeOf, plainWorld, readingAt } from '@rosefinch/core/dialogue/benchFixture';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { findTuning, shiftHz, type Target, targetsOf } from '@rosefinch/core/music';
import { sayingInWords } from '@rosefinch/core/sentences';
import {
  type BenchState,
  benchAfter,
  type StringReading,
  startBench,
  stringsNow,
} from '@rosefinch/core/sitting';
import {
  centsPerTurn,
  expectedCoupling,
  findModel,
  type Instrument,
  stringLoad,
  withPeg,
} from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';
import { type Asked, askedBy, LEAST } from './obey.ts';

/** What pegs and nuts do to a hand that does what it is told. */
interface Trouble {
  /** Turns of the button that move nothing when it goes the other way. */
  readonly dead: number;
  /** How far a string hangs back in its slot. */
  readonly sticks: Cents;
}

/** Cents a turn of each string about its note, string 1 first: middling figures, from memory, check; single pegs lie about them. */
const MODELS: readonly (readonly [
  model: string,
  tuning: string,
  centsPerTurn: readonly Cents[],
])[] = [
  ['steel-guitar', 'guitar-standard', [170, 250, 400, 280, 320, 400]],
  ['nylon-guitar', 'guitar-standard', [45, 70, 100, 30, 35, 45]],
  ['banjo-five', 'banjo-open-g', [500, 700, 1000, 700, 200]],
];
/** Single pegs lie about them by this, in the logarithm. */
const PEG_SPREAD = 0.35;
const TOLERANCE: Cents = 2;
const READING_NOISE: Cents = 0.3;
/** A hand misses the size that it was told by this share, and its own least turn by as much. */
const HAND = { told: 0.12, least: 0.4 } as const;
const MOST_PASSES = 6;
const MOST_PLUCKS = 260;

/** A string on its peg: the button has play, the slot holds the string until it lets go in a jump. */
class Peg {
  private button = 0;
  private post = 0;
  /** What the string behind the nut pulls, and what sounds, in cents about its note. */
  private behind: Cents;
  private sounding: Cents;

  constructor(
    private readonly random: Random,
    private readonly trouble: Trouble,
    readonly centsPerTurn: number,
    cents: Cents,
  ) {
    this.behind = cents;
    this.sounding = cents;
  }

  get cents(): Cents {
    return this.sounding;
  }

  turn(turns: number): void {
    this.button += turns;
    const half = this.trouble.dead / 2;
    const post = Math.min(this.button + half, Math.max(this.button - half, this.post));
    // A post winds on tension, not cents: the further down, the more cents to a turn.
    const share =
      2 ** (this.behind / 600) + ((post - this.post) * this.centsPerTurn * Math.LN2) / 600;
    this.post = post;
    this.behind = 600 * Math.log2(Math.max(0.05, share));
    this.slip(this.trouble.sticks);
  }

  /** A finger behind the nut evens out most of what hangs there. */
  press(): void {
    this.slip(Math.min(1.5, this.trouble.sticks));
  }

  private slip(holds: Cents): void {
    const apart = this.behind - this.sounding;
    if (Math.abs(apart) <= holds) return;
    // It lets go at once, and stops short of evening out.
    this.sounding = this.behind - Math.sign(apart) * holds * between(this.random, 0.3, 0.8);
  }

  /** The neck gives way: both sides of the nut go with it. */
  pull(cents: Cents): void {
    this.behind += cents;
    this.sounding += cents;
  }
}

/** A player who sees nothing but the sentence, and does what it says. */
class Literal {
  private talk: BenchTalk = startBenchTalk();
  private bench: BenchState;
  private instrument: Instrument;
  private readonly targets: readonly Target[];
  private readonly heard: StringReading[] = [];
  private readonly pegs: readonly Peg[];
  private readonly order: readonly number[];
  private readonly tensions: readonly number[];
  private readonly coupling: number;
  private readonly pressing = new Set<number>();
  private lastTurn = 0;
  private plucked = 0;
  plucks = 0;

  constructor(
    private readonly random: Random,
    trouble: Trouble,
  ) {
    const [model, tuning, usual] = MODELS[Math.floor(random() * MODELS.length)]!;
    this.instrument = findModel(model)!.build('x', 'X');
    this.targets = targetsOf(findTuning(tuning)!, 440);
    this.order = this.targets.map(({ course }) => course).reverse();
    this.bench = startBench({ order: this.order, tolerance: TOLERANCE });
    this.coupling = between(random, 0.02, 0.06);
    this.tensions = this.targets.map(
      ({ course, hz }) => stringLoad(this.instrument, course, hz)!.tension,
    );
    this.pegs = this.targets.map((_, i) => {
      const centsPerTurn = usual[i]! * Math.exp(PEG_SPREAD * normal(random));
      return new Peg(random, trouble, centsPerTurn, 25 * normal(random));
    });
  }

  /** True once the bench says that it is in tune and it truly is. */
  play(): boolean {
    while (this.plucks < MOST_PLUCKS && this.bench.passes.length <= MOST_PASSES) {
      const asked = askedBy(sayingInWords(benchSaying(this.talk, this.world)));
      if (asked.do === 'over')
        return this.pegs.every((peg) => Math.abs(peg.cents) <= 2 * TOLERANCE);
      this.obey(asked);
    }
    return false;
  }

  /** Of each peg that was learned from two turns and more: whether its cents a turn lie within two stated errors. */
  get learned(): boolean[] {
    return this.targets.flatMap(({ course, hz }) => {
      const { measured } = this.instrument.courses[course - 1]!.strings[0]!.peg;
      if (!measured || measured.turns < 2) return [];
      const figure = centsPerTurn(this.instrument, course, hz)!;
      const off = Math.log(figure / this.pegs[course - 1]!.centsPerTurn);
      return Math.abs(off) <= 2 * measured.error;
    });
  }

  private get inHand(): number {
    return courseInHand(this.bench, undefined);
  }

  private obey(asked: Exclude<Asked, { do: 'over' }>): void {
    const course = this.inHand;
    switch (asked.do) {
      case 'turn':
        this.turn(course, asked.way === 'tighten' ? asked.turns : -asked.turns);
        break;
      case 'turn back':
        this.turn(course, -this.lastTurn);
        break;
      case 'press':
        this.pegs[course - 1]!.press();
        this.pressing.add(course);
        break;
      case 'below':
        this.pressing.add(course);
        this.turn(course, -2 * LEAST);
        break;
      case 'next pass':
        this.send({ type: 'next pass' });
        break;
      case 'go on':
        this.send({ type: 'accept' });
        break;
      case 'pluck':
        this.pluck(asked.course ?? course);
        return;
      case 'name':
        this.send({ type: 'choose', course: this.plucked });
        return;
      case 'again':
        break;
    }
    this.pluck(this.inHand);
  }

  private turn(course: number, turns: number): void {
    const least = Math.abs(turns) <= LEAST * 1.01;
    const share = 1 + (least ? HAND.least : HAND.told) * normal(this.random);
    const peg = this.pegs[course - 1]!;
    const before = peg.cents;
    this.lastTurn = turns * Math.max(0.2, share);
    peg.turn(this.lastTurn);
    if (this.pressing.has(course)) peg.press();
    const moved = 2 ** (peg.cents / 600) - 2 ** (before / 600);
    const mean = this.tensions.reduce((a, b) => a + b, 0) / this.tensions.length;
    this.pegs.forEach((other, i) => {
      const pulled = this.coupling * (this.tensions[course - 1]! / mean) * moved * (600 / Math.LN2);
      if (i !== course - 1) other.pull(-pulled);
    });
  }

  private pluck(course: number): void {
    this.plucks++;
    this.plucked = course;
    const asked = askedAtBench(this.talk, this.bench);
    const cents = this.pegs[course - 1]!.cents + READING_NOISE * normal(this.random);
    const hz = shiftHz(this.targets[course - 1]!.hz, cents);
    this.send({ type: 'heard', heard: { type: 'onset', at: 0, asked: 0 }, asked });
    const track = Array.from({ length: 60 }, (_, i) => (i % 2 ? hz : 0.05 + 0.015 * i));
    const heard = outcomeOf(readingAt(hz, READING_NOISE), track);
    this.send({ type: 'heard', heard, asked });
  }

  private send(input: BenchInput): void {
    const { state, effects } = benchTalk(this.talk, input, this.world);
    this.talk = state;
    for (const effect of effects) {
      if (effect.do === 'save peg')
        this.instrument = withPeg(this.instrument, effect.course, effect.peg);
      if (effect.do !== 'record') continue;
      this.bench = benchAfter(this.bench, effect.event);
      if (effect.event.type === 'reading') this.heard.push(effect.event.reading);
    }
  }

  private get world(): BenchWorld {
    const { bench, heard, targets, instrument } = this;
    const known = heard.map(({ course, hz }) => ({ course, hz, inharmonicity: 5e-5 }));
    return plainWorld({
      state: bench,
      heard,
      tuning: findTuning(instrument.tuningId)!,
      targets,
      strings: stringsNow(targets, known, new Map(), 0),
      coupling: expectedCoupling({ tensions: this.tensions, bridge: instrument.bridge }),
      instrument,
    });
  }
}

const TROUBLES: readonly (readonly [string, Trouble])[] = [
  ['sound pegs', { dead: 0, sticks: 0 }],
  ['dead travel of 0.03 turn', { dead: 0.03, sticks: 0 }],
  ['a nut that sticks by 8 cents', { dead: 0, sticks: 8 }],
  ['both', { dead: 0.03, sticks: 8 }],
];

/** How often a player who does literally what is said gives up, on pegs and nuts as they are. */
export function literalFigures(first: number, sittings: number): void {
  console.log(
    `\nA player who does literally what the sentence says, seeds ${first}–${first + sittings - 1}: steel and nylon guitar, banjo; starts off by sd 25 cents, coupling 0.02–0.06; a hand that misses a size by ${100 * HAND.told} %, its own least turn (${(360 * LEAST).toFixed(0)}°) by ${100 * HAND.least} %; given up after ${MOST_PASSES} passes or ${MOST_PLUCKS} plucks`,
  );
  for (const [name, trouble] of TROUBLES) {
    let given = 0;
    let plucks = 0;
    const figures: boolean[] = [];
    for (let seed = first; seed < first + sittings; seed++) {
      const player = new Literal(seededRandom(seed * 6151), trouble);
      if (!player.play()) given++;
      plucks += player.plucks;
      figures.push(...player.learned);
    }
    console.log(
      `  ${name}: given up ${given} of ${sittings}, ${(plucks / sittings).toFixed(0)} plucks in the mean; pegs within two stated errors ${figures.filter(Boolean).length} of ${figures.length}`,
    );
  }
}
