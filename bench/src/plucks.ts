import { readPlucks, reportedHz, whoSounded } from '@rosefinch/core/listen';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { drawTimbre, glideMean, Voice } from '@rosefinch/core/practice';
import type { Cents, Hz } from '@rosefinch/core/units';
import { mix, type Noise, noise, power } from './noises.ts';
import { quantile } from './print.ts';
import { OPEN_STRINGS, type OpenString } from './strings.ts';

const RATE = 24_000;
const LEAD_S = 0.4;
const RING_S = 1.25;
const BLOCK = 32;
const GROSS: Cents = 50;
/** A quiet room lies below everything. */
const ROOM = 2e-4;

/** What else is heard beside the pluck. */
type Beside =
  | { readonly kind: 'noise'; readonly noise: Noise; readonly db: number }
  /** Another string of the same instrument still rings, so far below. */
  | { readonly kind: 'sympathetic'; readonly db: number }
  /** The same string still rings from the pluck before, the peg turned since. */
  | { readonly kind: 'plucked again' }
  /** Somebody else plays the same or a neighbouring note. */
  | { readonly kind: 'second instrument'; readonly db: number };

interface Pluck {
  readonly sound: Float32Array;
  readonly string: OpenString;
  /** When it is plucked, in seconds. */
  readonly at: number;
  /** What an exact reading would say. */
  readonly exactHz: Hz;
}

function voiceOf(random: Random, string: OpenString, hz: Hz, strength: number): Voice {
  const b = between(random, ...string.stiffness);
  const timbre = drawTimbre(random, b, string.decay, 1.5);
  const gesture = { strength, position: between(random, 0.1, 0.3) };
  return new Voice(RATE, timbre, hz / Math.sqrt(1 + 16 * b), gesture, random);
}

function sing(voice: Voice, f0: Hz, out: Float32Array, from: number): void {
  const block = new Float64Array(BLOCK);
  for (let at = from; at < out.length; at += BLOCK) {
    block.fill(0);
    voice.render(block, BLOCK, f0);
    for (let k = 0; k < BLOCK && at + k < out.length; k++) out[at + k]! += block[k]!;
  }
}

/** A seeded pluck of one of the 21 strings, up to 60 cents out, with something beside it. */
function pluck(seed: number, beside: Beside): Pluck {
  const random = seededRandom(seed * 48_271);
  const string = OPEN_STRINGS[seed % OPEN_STRINGS.length]!;
  const hz = string.hz * 2 ** (between(random, -60, 60) / 1200);
  const b = between(random, ...string.stiffness);
  const strength = between(random, 0.3, 0.9);
  const f0 = hz / Math.sqrt(1 + 16 * b);
  // Before a string is plucked again it was plucked first, in a quiet room.
  const at = LEAD_S + (beside.kind === 'plucked again' ? between(random, 0.35, 1.4) : 0);
  const onset = Math.round(at * RATE);
  const sound = new Float32Array(Math.round((at + RING_S) * RATE));
  const timbre = drawTimbre(random, b, string.decay, 1.5);
  const gesture = { strength, position: between(random, 0.1, 0.3) };
  sing(new Voice(RATE, timbre, f0, gesture, random), f0, sound, onset);
  const level = power(sound, onset, onset + RATE);
  if (beside.kind === 'plucked again')
    ringFromBefore(sound, string, hz * 2 ** (between(random, -30, 30) / 1200), onset, random);
  else addBeside(sound, beside, string, hz, level, random);
  for (let i = 0; i < sound.length; i++) sound[i]! += ROOM * normal(random);
  const mean = glideMean(strength, 0.2, 0.8);
  return { sound, string, at, exactHz: reportedHz(f0, b) * 2 ** (mean / 1200) };
}

function addBeside(
  sound: Float32Array,
  beside: Exclude<Beside, { kind: 'plucked again' }>,
  string: OpenString,
  hz: Hz,
  level: number,
  random: Random,
): void {
  if (beside.kind === 'noise') {
    mix(sound, noise(beside.noise, sound.length, RATE, random), level, beside.db);
    return;
  }
  const others = string.set.filter((other) => other !== string.hz);
  const steps = [0, 0, 1, -1, 2, -2][Math.floor(random() * 6)]!;
  const other =
    beside.kind === 'sympathetic'
      ? others[Math.floor(random() * others.length)]! * 2 ** (between(random, -30, 30) / 1200)
      : hz * 2 ** ((100 * steps + between(random, -30, 30)) / 1200);
  const extra = new Float32Array(sound.length);
  // A string that rings along began earlier; another player begins when he likes.
  const start = beside.kind === 'sympathetic' ? 0 : Math.floor(random() * 0.6 * RATE);
  const voice = voiceOf(random, string, other, 0.5);
  sing(voice, other, extra, start);
  mix(sound, extra, level, beside.db);
}

/** Adds the pluck before, until the finger comes back to the string a moment before the onset. */
function ringFromBefore(
  sound: Float32Array,
  string: OpenString,
  hz: Hz,
  onset: number,
  random: Random,
): void {
  const voice = voiceOf(random, string, hz, between(random, 0.3, 0.9));
  const touched = Math.round(onset - between(random, 0, 0.05) * RATE);
  sing(voice, hz, sound.subarray(0, touched), Math.round(LEAD_S * RATE));
  voice.damp();
  sing(voice, hz, sound, touched);
}

/** What came of a run of plucks. */
class PluckTally {
  readonly errors: number[] = [];
  wrongOctave = 0;
  gross = 0;
  refused = 0;
  several = 0;
  wrongString = 0;
  within = 0;
  withinTwo = 0;
  readonly notes: string[] = [];

  constructor(readonly n: number) {}

  take(seed: number, { sound, string, at, exactHz }: Pluck): void {
    const outcomes = readPlucks(sound, RATE);
    const readings = outcomes.flatMap(({ outcome, start }) =>
      outcome.kind === 'reading' ? [{ ...outcome, start }] : [],
    );
    // The reading of the pluck itself; one of what rang before it is that sound's own.
    const own = readings.filter(({ start }) => Math.abs(start - at) < 0.08);
    if (own.length === 0) {
      if (outcomes.some(({ outcome }) => outcome.kind === 'more than one string')) this.several++;
      else {
        this.refused++;
        const why = outcomes.map(({ outcome: o }) => (o.kind === 'not sure' ? o.reason : o.kind));
        this.notes.push(
          `seed ${seed} ${string.name} refused: ${why.join(', ') || 'nothing heard'}`,
        );
      }
      return;
    }
    for (const reading of own)
      this.judge(seed, string, 1200 * Math.log2(reading.hz / exactHz), reading);
  }

  private judge(
    seed: number,
    string: OpenString,
    cents: number,
    reading: { hz: Hz; errorCents: Cents },
  ): void {
    const error = Math.abs(cents);
    if (error > GROSS) {
      this.gross++;
      const octaves = cents / 1200;
      if (Math.abs(octaves - Math.round(octaves)) < 0.05) this.wrongOctave++;
      this.notes.push(`seed ${seed} ${string.name} gross: ${cents.toFixed(0)} cents`);
      return;
    }
    this.errors.push(error);
    if (error <= reading.errorCents) this.within++;
    if (error <= 2 * reading.errorCents) this.withinTwo++;
    const targets = string.set.map((hz, i) => ({ target: { course: i + 1, midi: 0, hz } }));
    const identity = whoSounded(reading, targets, null);
    const course = 1 + string.set.indexOf(string.hz);
    if (identity.kind !== 'known' || identity.course !== course) this.wrongString++;
  }

  print(name: string): void {
    const share = (n: number) => `${((100 * n) / Math.max(1, this.errors.length)).toFixed(0)} %`;
    console.log(
      `  ${name.padEnd(36)} n ${this.n}  ${quantile(this.errors, 0.5, 2)} / ${quantile(this.errors, 0.95, 2)}  wrong octave ${this.wrongOctave}  gross ${this.gross}  refused ${this.refused}  more than one ${this.several}  wrong string ${this.wrongString}  within ±1 / ±2: ${share(this.within)} / ${share(this.withinTwo)}`,
    );
    for (const note of this.notes.slice(0, 3)) console.log(`      ${note}`);
  }
}

/** Readings taken from seconds of sound without any note. */
function readingsOfNoise(kind: Noise, seconds: number, seed: number): number {
  const random = seededRandom(seed);
  const sound = noise(kind, seconds * RATE, RATE, random);
  const gain = 0.05 / Math.sqrt(power(sound));
  // It begins after a moment of quiet, as a file does.
  const samples = new Float32Array(sound.length + RATE / 2).fill(0);
  sound.forEach((x, i) => {
    samples[i + RATE / 2] = gain * x;
  });
  for (let i = 0; i < samples.length; i++) samples[i]! += ROOM * normal(random);
  return readPlucks(samples, RATE).filter(({ outcome }) => outcome.kind === 'reading').length;
}

const NOISES: readonly (readonly [string, Beside])[] = [
  ...([30, 20, 10] as const).map(
    (db) => [`white noise ${db} dB`, { kind: 'noise', noise: 'white', db }] as const,
  ),
  ...(['pink', 'hum', 'speech'] as const).flatMap((noise) =>
    [20, 10].map((db) => [`${noise} ${db} dB`, { kind: 'noise', noise, db }] as const),
  ),
  ['string ringing along, −10 dB', { kind: 'sympathetic', db: 10 }],
  ['the string plucked again as it rings', { kind: 'plucked again' }],
];
const PLAYERS: readonly (readonly [string, Beside])[] = [
  ['second instrument, −10 dB', { kind: 'second instrument', db: 10 }],
  ['second instrument, −6 dB', { kind: 'second instrument', db: 6 }],
];

/** Whole plucks in every kind of room, `total` of them over the rooms without a second player. */
export function pluckFigures(total: number): void {
  const each = Math.ceil(total / NOISES.length);
  const first = 20_001;
  console.log(
    `\nWhole plucks of the 21 strings, partials shifted by 1.5 cents rms, seeds ${first}–${first + each - 1} in each room: median / 95th percentile in cents`,
  );
  const all = { octave: 0, gross: 0, refused: 0 };
  for (const [name, beside] of NOISES) {
    const tally = tallyOf(each, first, beside);
    tally.print(name);
    all.octave += tally.wrongOctave;
    all.gross += tally.gross;
    all.refused += tally.refused;
  }
  const n = each * NOISES.length;
  console.log(
    `  all ${n}: wrong octave ${all.octave}, gross ${all.gross}, refused ${all.refused} (${((100 * all.refused) / n).toFixed(2)} %)`,
  );
  for (const [name, beside] of PLAYERS) tallyOf(each, first, beside).print(name);
  for (const kind of ['white', 'pink', 'hum', 'speech'] as const) {
    let readings = 0;
    for (let seed = 1; seed <= 5; seed++) readings += readingsOfNoise(kind, 12, seed);
    console.log(`  60 s of ${kind} alone, seeds 1–5: ${readings} readings`);
  }
}

function tallyOf(n: number, first: number, beside: Beside): PluckTally {
  const tally = new PluckTally(n);
  for (let seed = first; seed < first + n; seed++) tally.take(seed, pluck(seed, beside));
  return tally;
}
