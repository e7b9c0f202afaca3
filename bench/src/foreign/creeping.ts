import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import type { Cents, Seconds } from '@rosefinch/core/units';

/*
 * Two worlds of new strings that share no line and no law with the judge of the settling view. "laws": five laws of the
 * string's age, which a pull adds to, with a winding that gives, a rebound and a memory of lifts. "flow": a string
 * that flows under the stress it truly has, faster the more, and hardens as it flows; three springs with dampers; a
 * neck. In both the room warms and cools, hands are uneven, and a winding slips now and then.
 */

export const CREEP_WORLDS = ['laws', 'flow'] as const;
export type CreepWorld = (typeof CREEP_WORLDS)[number];
export const CREEP_KINDS = ['ukulele', 'nylon guitar', 'steel guitar', 'banjo', 'bass'] as const;
export type CreepKind = (typeof CREEP_KINDS)[number];

/** What the strings of a kind are like when they are new. */
interface NewStrings {
  readonly count: number;
  readonly nylon: boolean;
  /** Fall of the first hour in the world of laws, half of all strings, in cents, and the spread of its logarithm. */
  readonly hour: Cents;
  readonly spread: number;
  /** Size of all that flows, of steel 0.13. */
  readonly flow: number;
  /** Usual change with warmth, in cents a degree, from and to. */
  readonly warmth: readonly [Cents, Cents];
}

const NYLON = { nylon: true, hour: 32, spread: 0.7, flow: 0.65, warmth: [-2.2, 0.6] } as const;
const STEEL = { nylon: false, hour: 8, spread: 0.7, flow: 0.13, warmth: [-1.8, -0.4] } as const;

const NEW_STRINGS: Readonly<Record<CreepKind, NewStrings>> = {
  ukulele: { ...NYLON, count: 4 },
  'nylon guitar': { ...NYLON, count: 6 },
  'steel guitar': { ...STEEL, count: 6 },
  banjo: { ...STEEL, count: 5 },
  // A core that is thick for its pull is stretched by a thousandth only, a plain string of a guitar by
  // seven: the same give at the post, and the same degree, are more cents. Worked out by hand from
  // cores of 1 mm at 180 N on every string, which is the worst case; how much such strings fall is not
  // known, so it spreads wider.
  bass: { nylon: false, count: 5, hour: 10, spread: 1, flow: 0.2, warmth: [-5, -1] },
};

export function isNylon(kind: CreepKind): boolean {
  return NEW_STRINGS[kind].nylon;
}

export function stringsOf(kind: CreepKind): number {
  return NEW_STRINGS[kind].count;
}

/** A string as it truly is; copies go their own way. */
interface TrueString {
  /** Where its peg, its creep and its winding have it, in cents. */
  readonly own: Cents;
  advance(seconds: Seconds): void;
  pull(strength: number): void;
  turn(cents: Cents): void;
  copy(): TrueString;
}

const logBetween = (random: Random, low: number, high: number) =>
  Math.exp(between(random, Math.log(low), Math.log(high)));

type Fall = (age: Seconds) => Cents;

const LAWS: readonly ((random: Random) => Fall)[] = [
  (random) => {
    const m = between(random, 0.12, 0.42);
    return (t) => t ** m;
  },
  (random) => {
    const t0 = logBetween(random, 15, 900);
    return (t) => Math.log1p(t / t0);
  },
  (random) => {
    const [tau, b] = [logBetween(random, 900, 90_000), between(random, 0.3, 0.75)];
    return (t) => -Math.expm1(-((t / tau) ** b));
  },
  (random) => {
    const [quick, slow] = [logBetween(random, 120, 1500), logBetween(random, 4000, 150_000)];
    const share = between(random, 0.25, 0.75);
    return (t) => -share * Math.expm1(-t / quick) - (1 - share) * Math.expm1(-t / slow);
  },
  (random) => {
    const [m, end] = [between(random, 0.25, 0.6), logBetween(random, 3600, 200_000)];
    return (t) => t ** m / (1 + (t / end) ** m);
  },
];

/** A fall by age, with what winding, rebound and lifts add. */
class Lawful implements TrueString {
  private at: Seconds = 0;
  private turned: Cents = 0;
  private back: { readonly cents: Cents; readonly since: Seconds }[] = [];
  private rebound: Cents = 0;
  private reboundAt: Seconds = 0;

  constructor(
    private readonly fall: Fall,
    private age: Seconds,
    private slack: Cents,
    private readonly traits: {
      readonly jump: Seconds;
      readonly gives: number;
      readonly memory: number;
      readonly forgets: Seconds;
      readonly springs: number;
    },
  ) {}

  get own(): Cents {
    const { forgets } = this.traits;
    const remembered = this.back.reduce((sum, { cents, since }) => {
      const x = Math.sqrt((this.at - since) / forgets);
      return sum + (cents * x) / (1 + x);
    }, 0);
    const sprung = this.rebound * Math.exp(-(this.at - this.reboundAt) / 25);
    return this.turned - this.fall(this.age) + this.slack - remembered - sprung;
  }

  advance(seconds: Seconds): void {
    this.at += seconds;
    this.age += seconds;
    this.slack *= Math.exp(-seconds / 1500);
  }

  pull(strength: number): void {
    const before = this.own;
    this.age += this.traits.jump * strength;
    this.slack *= Math.max(0, 1 - this.traits.gives * strength);
    this.rebound = this.traits.springs * (before - this.own);
    this.reboundAt = this.at;
  }

  turn(cents: Cents): void {
    this.turned += cents;
    if (cents > 0)
      this.back = [
        ...this.back,
        { cents: this.traits.memory * Math.min(60, cents), since: this.at },
      ];
  }

  copy(): Lawful {
    return Object.assign(Object.create(Lawful.prototype), this);
  }
}

function lawful(random: Random, { nylon, hour: usual, spread }: NewStrings): Lawful {
  const law = LAWS[Math.floor(random() * LAWS.length)]!(random);
  // From the first minute to the first hour, left alone.
  const hour = usual * Math.exp(spread * normal(random));
  const size = hour / (law(3600) - law(60));
  return new Lawful(
    (age) => size * law(age),
    logBetween(random, 30, 400),
    nylon ? between(random, 0, 20) : between(random, 0, 8),
    {
      jump: logBetween(random, 180, 1800),
      gives: between(random, 0.3, 0.8),
      memory: nylon ? between(random, 0, 0.14) : between(random, 0, 0.06),
      forgets: logBetween(random, 60, 900),
      springs: between(random, 0, 0.08),
    },
  );
}

/** One cent is so much of a string's stress. */
const STRESS_PER_CENT = (2 * Math.LN2) / 1200;

/** Flow that a stress drives and that hardens, and springs with dampers beside it. */
class Flowing implements TrueString {
  private turned: Cents = 0;
  private flowed: Cents = 0;
  private readonly springs: number[];

  constructor(
    private readonly traits: {
      readonly hardening: Cents;
      readonly first: number;
      readonly drive: number;
      readonly creeps: readonly { readonly cents: Cents; readonly tau: Seconds }[];
      readonly tug: number;
    },
    private slack: Cents,
    start?: { readonly springs: readonly number[] },
  ) {
    this.springs = start ? [...start.springs] : traits.creeps.map(() => 0);
  }

  get own(): Cents {
    return this.turned + this.slack - this.flowed - this.springs.reduce((a, b) => a + b, 0);
  }

  advance(seconds: Seconds): void {
    for (let left = seconds, step = 0.5; left > 0; step *= 1.12) {
      const dt = Math.min(left, step);
      this.flow(dt, 1 + STRESS_PER_CENT * this.own);
      left -= dt;
    }
  }

  private flow(dt: Seconds, stress: number): void {
    const { hardening, first, drive, creeps } = this.traits;
    const rate = first * Math.exp(Math.min(9, drive * (stress - 1)));
    this.flowed = hardening * Math.log(Math.exp(this.flowed / hardening) + (rate * dt) / hardening);
    creeps.forEach(({ cents, tau }, i) => {
      const aim = cents * Math.max(0, stress);
      this.springs[i] = aim + (this.springs[i]! - aim) * Math.exp(-dt / tau);
    });
  }

  pull(strength: number): void {
    for (let tug = 0; tug < 3; tug++) this.flow(1, 1 + this.traits.tug * strength);
    this.slack *= Math.max(0, 1 - 0.5 * strength);
  }

  turn(cents: Cents): void {
    this.turned += cents;
  }

  copy(): Flowing {
    const other = new Flowing(this.traits, this.slack, { springs: this.springs });
    other.turned = this.turned;
    other.flowed = this.flowed;
    return other;
  }
}

function flowing(random: Random, { flow }: NewStrings): Flowing {
  const share = flow * Math.exp(0.5 * normal(random));
  const hardening = share * logBetween(random, 9, 32);
  const drive = between(random, 8, 24);
  const string = new Flowing(
    {
      hardening,
      first: hardening / logBetween(random, 8, 200),
      drive,
      creeps: [
        { cents: share * between(random, 2, 20), tau: logBetween(random, 20, 120) },
        { cents: share * between(random, 2, 30), tau: logBetween(random, 500, 3000) },
        { cents: share * between(random, 2, 40), tau: logBetween(random, 10_000, 60_000) },
      ],
      tug: between(random, 2.2, 6.5) / drive,
    },
    share * between(random, 0, 15),
  );
  // It was wound up and tuned a while before anybody read it.
  const age = logBetween(random, 30, 400);
  for (let k = 0; k < 4; k++) {
    string.advance(age / 4);
    string.turn(-string.own);
  }
  return string;
}

/** Degrees above the mean over time: a day's swing, slower weather, a heater that comes and goes. */
function roomOf(random: Random): (at: Seconds) => number {
  const day = between(random, 0.5, 4);
  const [phase, other, third] = [random(), random(), random()];
  const weather = between(random, 0, 1.5);
  const heater = between(random, 0, 0.3);
  const wave = (at: Seconds, period: Seconds, from: number) =>
    Math.sin(2 * Math.PI * (at / period + from));
  return (at) =>
    day * wave(at, 86_400, phase) +
    weather * wave(at, 210_000, other) +
    heater * wave(at, 2400, third);
}

/** Sound strings let go a little once in so long; slipping ones far more and oftener. */
const SLIPS = {
  sound: { every: 250_000, low: 0.5, high: 3, pulled: 0.02 },
  slipping: { every: 700, low: 3, high: 14, pulled: 0.7 },
} as const;

/** An instrument with new strings, and what the hands and the room do to it. */
export class CreepingInstrument {
  private readonly random: Random;
  private strings: TrueString[];
  private readonly degrees: (at: Seconds) => number;
  private readonly perDegree: readonly Cents[];
  private readonly neck: number;
  private readonly slips: readonly (keyof typeof SLIPS)[];
  at: Seconds = 0;

  constructor(
    readonly world: CreepWorld,
    readonly kind: CreepKind,
    seed: number,
    slipping: number | null = null,
  ) {
    const random = seededRandom(seed * 7919 + CREEP_KINDS.indexOf(kind) * 104_729);
    this.random = random;
    const fitted = NEW_STRINGS[kind];
    const make = world === 'laws' ? lawful : flowing;
    this.strings = Array.from({ length: fitted.count }, () => make(random, fitted));
    this.degrees = roomOf(random);
    const usual = between(random, ...fitted.warmth);
    this.perDegree = this.strings.map(() => usual * (1 + 0.2 * normal(random)));
    this.neck = world === 'flow' ? between(random, 0.005, 0.03) : 0;
    this.slips = this.strings.map((_, i) => (i + 1 === slipping ? 'slipping' : 'sound'));
    const start = random() * 86_400;
    const degrees = this.degrees;
    const zero = degrees(start);
    this.degrees = (at) => degrees(start + at) - zero;
  }

  private room(i: number): Cents {
    return this.perDegree[i]! * this.degrees(this.at);
  }

  cents(course: number): Cents {
    const own = this.strings.map((string, i) => string.own + this.room(i));
    const others = own.reduce((sum, cents) => sum + cents, 0) - own[course - 1]!;
    return own[course - 1]! - this.neck * others;
  }

  read(course: number, error: Cents): Cents {
    return this.cents(course) + error * normal(this.random);
  }

  wait(seconds: Seconds): void {
    this.at += seconds;
    this.strings.forEach((string, i) => {
      string.advance(seconds);
      const { every } = SLIPS[this.slips[i]!];
      for (let left = seconds; left > 0; ) {
        const next = -every * Math.log(1 - this.random());
        left -= next;
        if (left > 0) this.slip(i);
      }
    });
  }

  private slip(i: number): void {
    const { low, high } = SLIPS[this.slips[i]!];
    this.strings[i]!.turn(-between(this.random, low, high));
  }

  /** A hand pulls unevenly, by a third. */
  pull(course: number): void {
    const string = this.strings[course - 1]!;
    string.pull(Math.exp(0.33 * normal(this.random)));
    if (this.random() < SLIPS[this.slips[course - 1]!].pulled) this.slip(course - 1);
  }

  lift(course: number, to: Cents): void {
    for (let k = 0; k < 3; k++) this.strings[course - 1]!.turn(to - this.cents(course));
  }

  /** The same instrument, whose future is its own; its chances are drawn anew from a seed. */
  copy(seed: number): CreepingInstrument {
    const other: CreepingInstrument = Object.assign(
      Object.create(CreepingInstrument.prototype),
      this,
      { random: seededRandom(seed) },
    );
    other.strings = this.strings.map((string) => string.copy());
    return other;
  }

  /** Seconds until each string leaves the tolerance, nobody touching them; `most` where none does. */
  holds(tolerance: Cents, most: Seconds): Seconds[] {
    const holds = this.strings.map(() => most);
    const open = new Set(this.strings.map((_, i) => i));
    for (let time = 0; time < most && open.size > 0; ) {
      for (const i of open)
        if (Math.abs(this.cents(i + 1)) > tolerance) {
          holds[i] = time;
          open.delete(i);
        }
      const step = Math.min(300, Math.max(2, 0.03 * time));
      this.wait(step);
      time += step;
    }
    return holds;
  }
}
