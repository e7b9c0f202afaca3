import { Listener, type PluckOutcome, whoSounded } from '@rosefinch/core/listen';
import { between, normal, seededRandom } from '@rosefinch/core/maths';
import { centsBetween, type Target } from '@rosefinch/core/music';
import type { Cents, Hz } from '@rosefinch/core/units';
import { exactHz, sound, strike } from './foreign/string.ts';
import { quantile } from './print.ts';
import { type OpenString, stringsOfModel } from './strings.ts';

/** Strings stand off by up to so much. */
const OFF: Cents = 60;
const LEAD_S = 0.4;
const RING_S = 1.6;
/** Signal over noise. */
const SNR_DB = 30;
const OCTAVE_OFF: Cents = 600;
const GROSS: Cents = 50;
/** What the sound goes through. */
const WAYS: readonly (readonly [name: string, rate: Hz, lowest: Hz | null])[] = [
  ['48 kHz', 48_000, null],
  ['44.1 kHz', 44_100, null],
  ['48 kHz, nothing below 150 Hz', 48_000, 150],
];

const MODELS = [
  'bass-six',
  'eight-guitar',
  'baritone-guitar',
  'twelve-guitar',
  'guitalele',
  'ukulele-eight',
  'banjo-cello',
  'banjo-long-neck',
] as const;

/** Steep: fourth order, what lies an octave lower is 24 dB weaker. */
function withoutLow(dry: Float32Array, rate: Hz, lowest: Hz): void {
  // Two Butterworth sections by the bilinear transform.
  const w = Math.tan((Math.PI * lowest) / rate);
  for (const q of [0.541_196_1, 1.306_563]) {
    const norm = 1 / (1 + w / q + w * w);
    const a1 = 2 * (w * w - 1) * norm;
    const a2 = (1 - w / q + w * w) * norm;
    let [x1, x2, y1, y2] = [0, 0, 0, 0];
    for (let i = 0; i < dry.length; i++) {
      const x = dry[i]!;
      const y = norm * (x - 2 * x1 + x2) - a1 * y1 - a2 * y2;
      [x2, x1, y2, y1] = [x1, x, y1, y];
      dry[i] = y;
    }
  }
}

function addNoise(dry: Float32Array, rate: Hz, random: () => number): void {
  let power = 0;
  const from = Math.round(LEAD_S * rate);
  for (let i = from; i < dry.length; i++) power += dry[i]! ** 2;
  const floor = Math.sqrt(power / (dry.length - from)) * 10 ** (-SNR_DB / 20);
  for (let i = 0; i < dry.length; i++) dry[i]! += floor * normal(random);
}

function heard(sounded: Float32Array, rate: Hz, targets: readonly Target[]): PluckOutcome[] {
  const outcomes: PluckOutcome[] = [];
  const listener = new Listener(rate, (event) => {
    if (event.type === 'outcome') outcomes.push(event.outcome);
  });
  listener.know(targets.map((target) => ({ target })));
  listener.hear(sounded);
  listener.finish();
  return outcomes;
}

interface Tally {
  errors: number[];
  octaves: number;
  gross: number;
  refused: number;
  wrong: number;
}

/** Every string of the new instruments plucked alone, by the foreign string; and pairs picked together. One model alone, where it is named. */
export function rangeFigures(first: number, each: number, only?: string): void {
  console.log(
    `\nThe ranges of the class: each string alone, up to ${OFF} cents off, ${SNR_DB} dB over the noise, seeds ${first}–${first + each - 1}`,
  );
  for (const id of MODELS.filter((one) => only === undefined || one === only))
    for (const [way, rate, lowest] of WAYS) {
      const { targets, strings } = stringsOfModel(id);
      // A microphone's loss is no matter where nothing lies below it.
      if (lowest !== null && Math.min(...targets.map(({ hz }) => hz)) > lowest) continue;
      console.log(`  ${id}, ${way}`);
      for (const [i, string] of strings.entries()) {
        const tally: Tally = { errors: [], octaves: 0, gross: 0, refused: 0, wrong: 0 };
        for (let seed = first; seed < first + each; seed++)
          alone(tally, { string, target: targets[i]!, targets, seed, rate, lowest });
        print(string.name, string.hz, each, tally);
      }
    }
  if (only === undefined || only === 'pairs') pairFigures(first, each);
}

interface Scene {
  readonly string: OpenString;
  readonly target: Target;
  readonly targets: readonly Target[];
  readonly seed: number;
  readonly rate: Hz;
  readonly lowest: Hz | null;
}

function alone(tally: Tally, { string, target, targets, seed, rate, lowest }: Scene): void {
  const random = seededRandom(seed * 92_821 + Math.round(string.hz));
  const struck = strike(random, string, string.hz * 2 ** (between(random, -OFF, OFF) / 1200));
  const out = new Float32Array(Math.round((LEAD_S + RING_S) * rate));
  sound(out, struck, { rate, at: LEAD_S });
  if (lowest !== null) withoutLow(out, rate, lowest);
  addNoise(out, rate, random);
  const reading = heard(out, rate, targets).find(({ kind }) => kind === 'reading');
  if (reading?.kind !== 'reading') {
    tally.refused++;
    return;
  }
  const { windowFrom, windowLength } = reading;
  const exact = exactHz(struck, windowFrom, windowFrom + windowLength);
  const cents = centsBetween(exact, reading.hz);
  if (Math.abs(cents) > OCTAVE_OFF) tally.octaves++;
  else if (Math.abs(cents) > GROSS) tally.gross++;
  else tally.errors.push(Math.abs(cents));
  const who = whoSounded(
    reading,
    targets.map((one) => ({ target: one })),
    null,
    target.course,
  );
  const isIt = who.kind === 'known' && targets[who.course - 1]!.midi === target.midi;
  if (who.kind === 'known' && !isIt) tally.wrong++;
}

function print(
  name: string,
  hz: Hz,
  each: number,
  { errors, octaves, gross, refused, wrong }: Tally,
): void {
  errors.sort((a, b) => a - b);
  const at = (share: number) => (errors.length > 0 ? quantile(errors, share) : '–');
  console.log(
    `    ${name.padEnd(18)} ${hz.toFixed(1).padStart(6)} Hz: median ${at(0.5)}, 95 % ${at(0.95)} cents, an octave off ${octaves}, else gross ${gross}, refused ${refused}, another string named ${wrong}; of ${each}`,
  );
}

/** Both strings of a pair picked together, 3 to 15 ms apart, while the first of them is asked for. */
function pairFigures(first: number, each: number): void {
  console.log(
    `\nBoth strings of a pair picked together (twelve strings, up to 20 cents off, seeds as above)`,
  );
  const { targets, strings } = stringsOfModel('twelve-guitar');
  const rate = 48_000;
  for (let low = 0; low < strings.length; low += 2) {
    const counts = new Map<string, number>();
    const errors: number[] = [];
    for (let seed = first; seed < first + each; seed++) {
      const random = seededRandom(seed * 31_337 + low);
      const pair = [strings[low]!, strings[low + 1]!].map((string) =>
        strike(random, string, string.hz * 2 ** (between(random, -20, 20) / 1200), {
          level: between(random, 0.2, 0.4),
        }),
      );
      const out = new Float32Array(Math.round((LEAD_S + RING_S) * rate));
      const gap = between(random, 0.003, 0.015);
      for (const [k, struck] of pair.entries()) sound(out, struck, { rate, at: LEAD_S + k * gap });
      addNoise(out, rate, random);
      const outcomes = heard(out, rate, targets);
      const reading = outcomes.find(({ kind }) => kind === 'reading');
      const said = reading ?? outcomes[0];
      const key = said?.kind === 'not sure' ? said.reason : (said?.kind ?? 'nothing');
      counts.set(key, (counts.get(key) ?? 0) + 1);
      if (reading?.kind === 'reading') {
        const { windowFrom, windowLength } = reading;
        const off = pair.map((struck) =>
          Math.abs(
            centsBetween(exactHz(struck, windowFrom, windowFrom + windowLength), reading.hz),
          ),
        );
        errors.push(Math.min(...off));
      }
    }
    errors.sort((a, b) => a - b);
    const far = errors.filter((cents) => cents > 2).length;
    const said = [...counts].map(([key, n]) => `${key} ${n}`).join(', ');
    console.log(
      `    course ${low / 2 + 1}: ${said}; a reading is over 2 cents from both of them ${far} of ${errors.length}`,
    );
  }
}
