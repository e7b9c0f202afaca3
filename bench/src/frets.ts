import {
  amountOf,
  type CauseFound,
  causesOf,
  FIFTEEN_FRETS,
  type FretReading,
  type Pressure,
  semitonesOf,
  sequenceOf,
  USEFUL_FRETS,
} from '@rosefinch/core/intonation';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';

const SCALE = 648;
const NOISE = 0.5;
/** A finger never presses twice alike, in cents. */
const FINGER = 0.5;

/** What is out of its place, in cents: the nut everywhere, the saddle and a step of pressure at fret 12, the nut's height at fret 1. */
interface Truth {
  readonly nut: number;
  readonly saddle: number;
  readonly pressure: number;
  readonly height: number;
  readonly badFret: number | null;
  readonly bad: number;
}

const NONE: Truth = { nut: 0, saddle: 0, pressure: 0, height: 0, badFret: null, bad: 0 };

/** One string as a microphone and a finger give it. */
function read(
  random: Random,
  truth: Truth,
  frets: readonly number[],
  pressures: readonly Pressure[],
  finger = FINGER,
): FretReading[] {
  const open = between(random, -30, 30);
  return sequenceOf(frets, pressures).map((place, i) => {
    const n = semitonesOf(place);
    let off = 0;
    if (place.kind === 'fret') {
      const step = { soft: -1, normal: 0, hard: 1 }[place.pressure];
      off =
        truth.nut +
        truth.saddle * (2 ** (n / 12) - 1) +
        (truth.height * (1 - 2 ** (-1 / 12))) / (1 - 2 ** (-n / 12)) +
        (truth.pressure / 2) * step * 2 ** (n / 12) +
        (n === truth.badFret ? truth.bad : 0) +
        finger * normal(random);
    }
    const cents = open + 100 * n + off + NOISE * normal(random);
    return {
      course: 1,
      place,
      cents,
      errorCents: Math.hypot(NOISE, place.kind === 'fret' ? finger : 0),
      at: i,
    };
  });
}

const of = (causes: readonly CauseFound[], cause: CauseFound['cause']) =>
  causes.find((one) => one.cause === cause);

function spreadOf(values: readonly number[]): number {
  return Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length);
}

/** Nut and saddle recovered from strings that have both. */
function twoTerms(n: number, frets: readonly number[]): string {
  const nut: number[] = [];
  const saddle: number[] = [];
  const covered = { nut: 0, saddle: 0, of: 0 };
  let silent = 0;
  for (let seed = 1; seed <= n; seed++) {
    const random = seededRandom(seed * 313);
    const truth = { ...NONE, nut: between(random, 3, 10), saddle: between(random, 4, 14) };
    const found = causesOf(read(random, truth, frets, ['normal'], 0));
    if (found.kind !== 'fitted') {
      silent++;
      continue;
    }
    const [a, s] = [of(found.causes, 'nut place'), of(found.causes, 'saddle place')];
    if (!a || !s) {
      silent++;
      continue;
    }
    const exact = amountOf({ cause: 'saddle place', cents: truth.saddle, errorCents: 0 }, SCALE)!;
    nut.push(a.cents - truth.nut);
    saddle.push(amountOf(s, SCALE)!.mm - exact.mm);
    covered.of++;
    if (Math.abs(a.cents - truth.nut) <= 1.2816 * a.errorCents) covered.nut++;
    if (Math.abs(s.cents - truth.saddle) <= 1.2816 * s.errorCents) covered.saddle++;
  }
  const per = (count: number) => `${((100 * count) / covered.of).toFixed(0)} %`;
  return `nut place to ${spreadOf(nut).toFixed(2)} cents, saddle to ${spreadOf(saddle).toFixed(2)} mm (one standard deviation); 80 % intervals hold ${per(covered.nut)} / ${per(covered.saddle)}; another set of causes chosen in ${silent}`;
}

/** Single bad frets, and checks of strings without one. */
function badFrets(n: number): string {
  let found = 0;
  let alarms = 0;
  for (let seed = 1; seed <= n; seed++) {
    const random = seededRandom(seed * 317);
    const fret = 2 + Math.floor(random() * 11);
    const frets = [...new Set([...USEFUL_FRETS, fret])];
    const base = { ...NONE, nut: between(random, 0, 8), saddle: between(random, 0, 10) };
    const bad = between(random, 6, 12) * (random() < 0.5 ? -1 : 1);
    const sick = causesOf(read(random, { ...base, badFret: fret, bad }, frets, ['normal']));
    if (sick.kind === 'fitted' && of(sick.causes, 'fret')?.fret === fret) found++;
    const well = causesOf(read(random, base, frets, ['normal']));
    if (well.kind === 'fitted' && of(well.causes, 'fret')) alarms++;
  }
  return `bad frets (2 to 12) of 6 to 12 cents found ${found} of ${n}; alarms on strings without one ${alarms} of ${n}`;
}

/** Causes that are in no model: a stretched octave of the neck, a slowly bending one. */
function outside(n: number): string {
  let covered = 0;
  let told = 0;
  let cannot = 0;
  for (let seed = 1; seed <= n; seed++) {
    const random = seededRandom(seed * 331);
    const saddle = between(random, 0, 10);
    const sway = between(random, 1.5, 4);
    const readings = read(random, { ...NONE, saddle }, USEFUL_FRETS, ['normal']).map((r) =>
      r.place.kind === 'fret' ? { ...r, cents: r.cents + sway * Math.sin(r.place.fret) } : r,
    );
    const found = causesOf(readings);
    if (found.kind !== 'fitted') continue;
    if (found.strange) {
      cannot++;
      continue;
    }
    told++;
    const s = of(found.causes, 'saddle place');
    if (Math.abs((s?.cents ?? 0) - saddle) <= 1.2816 * (s?.errorCents ?? 0.5)) covered++;
  }
  return `a neck that sways, which no cause explains: “cannot tell” ${cannot} of ${n}; else the saddle’s 80 % interval holds ${covered} of ${told}`;
}

/** Figures of the fret check. */
export function fretFigures(n: number): void {
  console.log(
    `\nFret check, ${n} seeded strings of ${SCALE} mm (seeds 1–${n}), readings of ${NOISE} cent, open string read four times and its harmonic once`,
  );
  console.log(`  7 frets, steady finger: ${twoTerms(n, USEFUL_FRETS)}`);
  console.log(`  15 frets, steady finger: ${twoTerms(n, FIFTEEN_FRETS)}`);
  console.log(`  finger of ${FINGER} cent, ${badFrets(n)}`);
  console.log(`  ${outside(n)}`);
  let causes = 0;
  for (let seed = 1; seed <= n; seed++) {
    const found = causesOf(read(seededRandom(seed * 337), NONE, USEFUL_FRETS, ['normal']));
    if (found.kind === 'fitted' && found.causes.length > 0) causes++;
  }
  console.log(`  perfect strings: a cause named in ${causes} of ${n}`);
}
