import { Estimator, readPlucks } from '@rosefinch/core/listen';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { PracticeInstrument } from '@rosefinch/core/practice';
import { between, seededRandom } from '@rosefinch/core/random';
import { steelGuitar } from '@rosefinch/core/strings';
import Aubio from 'aubiojs';
import { PitchDetector } from 'pitchy';
import { FRAME, type Frame, frame, RATE } from './corpus.ts';
import { decimated } from './decimated.ts';

/** One way to measure a frame: answers Hz, or null when it abstains. */
interface Peer {
  readonly name: string;
  readonly measures: 'reported' | 'period';
  measure(frame: Frame): number | null;
}

const N = 420;
const GROSS = 50;

async function peers(): Promise<Peer[]> {
  const estimator = new Estimator(RATE / 4, FRAME / 4);
  const pitchy = PitchDetector.forFloat32Array(FRAME);
  const aubio = await Aubio();
  const yin = new aubio.Pitch('yinfft', FRAME, FRAME, RATE);
  const cut = (f: Frame) => f.samples.slice(f.offset, f.offset + FRAME);
  return [
    {
      name: 'Rosefinch',
      measures: 'reported',
      measure: (f) => {
        const e = estimator.estimate(decimated(f.samples), f.offset / 4, FRAME / 4);
        return e && e.clarity > 0.15 ? e.reportedHz : null;
      },
    },
    {
      // Normalised square difference: McLeod and Wyvill, ICMC 2005.
      name: 'pitchy',
      measures: 'period',
      measure: (f) => pitchy.findPitch(cut(f), RATE)[0] || null,
    },
    {
      // YIN: de Cheveigné and Kawahara, JASA 111 (2002) 1917, in its FFT form.
      name: 'aubio yinfft',
      measures: 'period',
      measure: (f) => yin.do(cut(f)) || null,
    },
  ];
}

function quantile(sorted: readonly number[], share: number): string {
  const value = sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  return value === undefined ? '–' : value.toFixed(3);
}

function score(peer: Peer, frames: readonly Frame[], truth: (f: Frame) => number): string {
  const errors: number[] = [];
  let gross = 0;
  let abstained = 0;
  for (const f of frames) {
    const hz = peer.measure(f);
    if (hz === null) abstained++;
    else {
      const error = Math.abs(1200 * Math.log2(hz / truth(f)));
      if (error > GROSS) gross++;
      else errors.push(error);
    }
  }
  errors.sort((a, b) => a - b);
  return `${quantile(errors, 0.5)} / ${quantile(errors, 0.95)}  gross ${gross}  abstained ${abstained}`;
}

function frameFigures(all: readonly Peer[]): void {
  for (const shift of [0, 1.5])
    for (const snr of [30, 20, 10, 0]) {
      const frames = Array.from({ length: N }, (_, seed) => frame(seed + 1, snr, shift));
      console.log(
        `\nFrames of ${FRAME} at ${RATE} Hz, white noise ${snr} dB, partials shifted by ${shift} cents rms, seeds 1–${N}: median / 95th percentile in cents`,
      );
      for (const peer of all) {
        console.log(
          `  ${peer.name.padEnd(14)} against the reported pitch  ${score(peer, frames, (f) => f.reportedHz)}`,
        );
        if (peer.measures === 'period')
          console.log(
            `  ${''.padEnd(14)} against its own, the period  ${score(peer, frames, (f) => f.periodHz)}`,
          );
      }
    }
}

function speed(all: readonly Peer[]): void {
  const frames = Array.from({ length: 120 }, (_, seed) => frame(seed + 1, 20, 1.5));
  const time = (peer: Peer) => {
    for (const f of frames) peer.measure(f);
    const from = performance.now();
    for (let round = 0; round < 3; round++) for (const f of frames) peer.measure(f);
    return performance.now() - from;
  };
  const times = all.map((peer) => time(peer));
  const base = times[all.findIndex((peer) => peer.name === 'pitchy')] ?? 1;
  console.log('\nTime per frame against pitchy in this run:');
  all.forEach((peer, i) => {
    console.log(`  ${peer.name.padEnd(14)} ${(times[i]! / base).toFixed(2)} ×`);
  });
}

function wholePlucks(count: number): void {
  const rate = 24_000;
  const targets = targetsOf(findTuning('guitar-standard')!, 440).map((target) => target.hz);
  const errors: number[] = [];
  const tally = { gross: 0, refused: 0, within: 0, withinTwo: 0 };
  for (let seed = 1001; seed <= 1000 + count; seed++) {
    const random = seededRandom(seed);
    const detune = targets.map(() => between(random, -60, 60));
    const noise = between(random, -70, -40);
    const instrument = steelGuitar('g', 'G');
    const guitar = new PracticeInstrument({
      instrument,
      targets,
      detune,
      seed,
      sampleRate: rate,
      noise,
    });
    const course = 1 + (seed % 6);
    const strength = between(random, 0.3, 0.9);
    const sound = new Float32Array(1.6 * rate);
    guitar.render(sound.subarray(0, 0.3 * rate));
    guitar.pluck(course, { strength });
    guitar.render(sound.subarray(0.3 * rate));
    const outcome = readPlucks(sound, rate)[0]?.outcome;
    if (outcome?.kind !== 'reading') {
      tally.refused++;
      continue;
    }
    const error = Math.abs(1200 * Math.log2(outcome.hz / guitar.exactReadingHz(course, strength)));
    if (error > GROSS) tally.gross++;
    else errors.push(error);
    if (error <= outcome.errorCents) tally.within++;
    if (error <= 2 * outcome.errorCents) tally.withinTwo++;
  }
  errors.sort((a, b) => a - b);
  const share = (n: number) => `${((100 * n) / (count - tally.refused)).toFixed(0)} %`;
  console.log(
    `\nWhole plucks of the practice guitar, noise −70 to −40 dBFS, seeds 1001–${1000 + count}:`,
  );
  console.log(
    `  ${quantile(errors, 0.5)} / ${quantile(errors, 0.95)} cents, gross ${tally.gross}, refused ${tally.refused}`,
  );
  console.log(
    `  truth within ±1 / ±2 stated errors: ${share(tally.within)} / ${share(tally.withinTwo)}`,
  );
}

const all = await peers();
frameFigures(all);
speed(all);
wholePlucks(process.argv.includes('--long') ? 3000 : 150);
