import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { TUNINGS, type Tuning, targetsOf } from '@rosefinch/core/music';
import {
  aimFor,
  type Coupling,
  type CouplingPrior,
  expectedCoupling,
  findModel,
  type Instrument,
  learnCoupling,
  pull,
  type StringHeard,
  stringLoad,
} from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';

const TOLERANCE: Cents = 2;
const READING_NOISE: Cents = 0.3;
const HAND_ERROR: Cents = 1;
const MOST_PASSES = 9;
const MOST_TURNS = 8;
const MODELS_USED = ['steel-guitar', 'nylon-guitar', 'ukulele-tenor', 'banjo-five'];

/**
 * An instrument whose neck gives way: what the fit believes (rank one, gain times tension)
 * with strings and pairs that depart from it, and with what it leaves out: a neck that
 * takes some of its bend only later, strings that slip back, readings far out now and then.
 */
class Neck {
  readonly cents: Cents[];
  private readonly coupling: number[][];
  private late: Cents[];

  constructor(
    private readonly random: Random,
    tensions: readonly number[],
    gain: number,
    start: readonly Cents[],
    coupling?: number[][],
  ) {
    this.cents = [...start];
    this.late = start.map(() => 0);
    this.coupling = coupling ?? trueCoupling(random, tensions, gain);
  }

  get matrix(): number[][] {
    return this.coupling;
  }

  read(course: number): StringHeard {
    const noise = this.random() < 0.02 ? 3 : 1;
    this.settle();
    const cents = this.cents[course - 1]! + noise * READING_NOISE * normal(this.random);
    return { course, cents, errorCents: READING_NOISE };
  }

  /** Turns a string to where the hand wants it, nearly. */
  turn(course: number, to: Cents): void {
    const from = this.cents[course - 1]!;
    const reached = to + HAND_ERROR * normal(this.random);
    const change = pull(reached) - pull(from);
    this.cents.forEach((_, j) => {
      if (j === course - 1) return;
      const moved = this.coupling[j]![course - 1]! * change;
      this.cents[j]! += 0.95 * moved;
      this.late[j]! += 0.05 * moved;
    });
    const slips = reached > from && this.random() < 0.02 ? between(this.random, 1, 3) : 0;
    this.cents[course - 1] = reached - slips;
  }

  /** A third of what is still to come of a bend comes between two readings. */
  private settle(): void {
    this.late = this.late.map((cents, j) => {
      this.cents[j]! += cents / 3;
      return (2 * cents) / 3;
    });
  }
}

function trueCoupling(random: Random, tensions: readonly number[], gain: number): number[][] {
  const mean = tensions.reduce((a, b) => a + b, 0) / tensions.length;
  const felt = tensions.map((tension) => (tension / mean) * (1 + 0.05 * normal(random)));
  return tensions.map((_, j) => {
    const own = gain * (1 + 0.25 * normal(random));
    return felt.map((w, i) => (i === j ? 0 : -own * w * (1 + 0.2 * normal(random))));
  });
}

interface Tuned {
  readonly passes: number;
  readonly heard: StringHeard[];
}

/** Tunes pass by pass, thickest string first, as the bench asks for it. */
function tune(neck: Neck, coupling: Coupling | null): Tuned {
  const order = neck.cents.map((_, i) => neck.cents.length - i);
  const heard: StringHeard[] = [];
  const known = neck.cents.map(() => 0);
  const hear = (course: number) => {
    const reading = neck.read(course);
    heard.push(reading);
    known[course - 1] = reading.cents;
    return reading.cents;
  };
  for (const course of order) hear(course);
  for (let pass = 1; pass <= MOST_PASSES; pass++) {
    order.forEach((course, k) => {
      hear(course);
      const aim = coupling ? aimFor(known, order.slice(k), coupling) : 0;
      for (let turn = 0; turn < MOST_TURNS; turn++) {
        if (Math.abs(known[course - 1]! - aim) <= TOLERANCE) break;
        neck.turn(course, aim);
        const before = known[course - 1]!;
        hear(course);
        if (coupling) follow(known, course, before, coupling);
      }
    });
    if (neck.cents.every((cents) => Math.abs(cents) <= TOLERANCE)) return { passes: pass, heard };
  }
  return { passes: MOST_PASSES + 1, heard };
}

/** What the turn of a string did to the others, as far as the coupling is known. */
function follow(known: Cents[], course: number, before: Cents, { matrix }: Coupling): void {
  const change = pull(known[course - 1]!) - pull(before);
  for (let j = 0; j < known.length; j++)
    if (j !== course - 1) known[j]! += matrix[j]![course - 1]! * change;
}

/** Out by a season: all strings somewhat flat, each a little differently. */
function drifted(random: Random, strings: number): Cents[] {
  const season = between(random, -35, 5);
  return Array.from({ length: strings }, () => season + 12 * normal(random));
}

/** From another tuning of the catalogue, no string further than three semitones. */
function retuned(random: Random, instrument: Instrument, home: Tuning): Cents[] {
  const ways = TUNINGS.filter(
    (tuning) =>
      tuning !== home &&
      tuning.kind === instrument.kind &&
      tuning.courses.length === instrument.courses.length &&
      tuning.courses.every(([midi], i) => Math.abs(midi! - home.courses[i]![0]!) <= 3),
  );
  const from = ways[Math.floor(random() * ways.length)]!;
  return from.courses.map(([midi], i) => 100 * (midi! - home.courses[i]![0]!) + 6 * normal(random));
}

interface Case {
  readonly plain: number;
  readonly aimed: number;
  readonly far: boolean;
  /** Error of the learned coupling against its size, and what it thought that would be. */
  readonly error: number;
  readonly stated: number;
}

function oneCase(seed: number, gain: number, retune: boolean): Case {
  const random = seededRandom(seed * 7919);
  const model = findModel(MODELS_USED[seed % MODELS_USED.length]!)!;
  const instrument = model.build('x', 'X');
  const home = TUNINGS.find((tuning) => tuning.id === instrument.tuningId)!;
  const tensions = targetsOf(home, 440).map(
    ({ course, hz }) => stringLoad(instrument, course, hz)!.tension,
  );
  const n = tensions.length;
  const start = () => (retune ? retuned(random, instrument, home) : drifted(random, n));
  const truth = trueCoupling(random, tensions, gain);
  const prior: CouplingPrior = { tensions, bridge: instrument.bridge };
  const earlier = [1, 2, 3].map(() => tune(new Neck(random, tensions, gain, start(), truth), null));
  const learned = learnCoupling(
    earlier.map(({ heard }) => heard),
    prior,
  );
  const now = start();
  const other = Math.floor(random() * 1e9);
  const again = () => new Neck(seededRandom(other), tensions, gain, now, truth);
  let squares = 0;
  let misses = 0;
  truth.forEach((row, j) => {
    row.forEach((k, i) => {
      squares += k * k;
      misses += (k - learned.matrix[j]![i]!) ** 2;
    });
  });
  return {
    plain: tune(again(), null).passes,
    aimed: tune(again(), learned).passes,
    far: Math.max(...now.map(Math.abs)) >= 15,
    error: Math.sqrt(misses / squares),
    stated: learned.error,
  };
}

const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;

/** How many passes a teacher needs, with and without what earlier sessions told of the neck. */
export function passFigures(instruments: number): void {
  console.log(
    `\nPasses until all strings lie within ±${TOLERANCE} cents, seeds 1–${instruments}, guitar (steel, nylon), ukulele, banjo; reading noise ${READING_NOISE}, hand ${HAND_ERROR} cent; coupling learned from three earlier sittings`,
  );
  for (const retune of [false, true])
    for (const gain of [0.04, 0.08]) {
      const cases = Array.from({ length: instruments }, (_, i) => oneCase(i + 1, gain, retune));
      const far = cases.filter((one) => one.far);
      const noMore = far.filter(({ plain, aimed }) => aimed <= plain).length;
      console.log(
        `  ${retune ? 'retuned' : 'drifted'}, gain ${gain}  n ${cases.length}  without ${mean(cases.map((c) => c.plain)).toFixed(2)}  with ${mean(cases.map((c) => c.aimed)).toFixed(2)}  no more passes in ${((100 * noMore) / far.length).toFixed(1)} % of ${far.length} that began 15 cents out or more  error of the coupling ${(100 * mean(cases.map((c) => c.error))).toFixed(0)} %, stated ${(100 * mean(cases.map((c) => c.stated))).toFixed(0)} %  given up ${cases.filter((c) => c.aimed > MOST_PASSES || c.plain > MOST_PASSES).length}`,
      );
    }
  console.log(
    `  expected before anything was heard: ${expectedError().toFixed(0)} % off at gain 0.08`,
  );
}

/** How far the middling figures are off for a soft neck. */
function expectedError(): number {
  const tensions = [72, 69, 74, 82, 86, 78];
  const truth = trueCoupling(seededRandom(5), tensions, 0.08);
  const { matrix } = expectedCoupling({ tensions, bridge: 'fixed' });
  const all = truth.flatMap((row, j) => row.map((k, i) => [k, matrix[j]![i]!] as const));
  const squares = all.reduce((sum, [k]) => sum + k * k, 0);
  return 100 * Math.sqrt(all.reduce((sum, [k, m]) => sum + (k - m) ** 2, 0) / squares);
}
