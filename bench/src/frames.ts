import { Estimator, partialHz, reportedHz, reportedPitchBound } from '@rosefinch/core/listen';
import { between, normal, seededRandom } from '@rosefinch/core/maths';
import { type Frame, type FrameKind, frame, RATE } from './corpus.ts';
import { decimated, type Peer, peersFor } from './peers.ts';
import { quantile } from './print.ts';

const N = 420;
const GROSS = 50;

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
  return `${quantile(errors, 0.5)} / ${quantile(errors, 0.95)}  gross ${gross}  abstained ${abstained}`;
}

async function table(kind: FrameKind): Promise<void> {
  const frames = Array.from({ length: N }, (_, seed) => frame(seed + 1, kind));
  console.log(
    `\nFrames of ${kind.length} at ${RATE} Hz, ${kind.noise} noise ${kind.snrDb} dB, partials shifted by ${kind.shift} cents rms, seeds 1–${N}: median / 95th percentile in cents`,
  );
  for (const peer of await peersFor(kind.length)) {
    const name = peer.name.padEnd(14);
    console.log(
      `  ${name} against the reported pitch  ${score(peer, frames, (f) => f.reportedHz)}`,
    );
    if (peer.measures === 'period')
      console.log(
        `  ${''.padEnd(14)} against its own, the period  ${score(peer, frames, (f) => f.periodHz)}`,
      );
  }
}

/** Single frames beside two general libraries. */
export async function frameFigures(): Promise<void> {
  const white = { length: 4096, noise: 'white' } as const;
  for (const shift of [0, 1.5])
    for (const snrDb of [30, 20, 10, 0]) await table({ ...white, shift, snrDb });
  await table({ ...white, length: 2048, shift: 0, snrDb: 20 });
  for (const noise of ['pink', 'hum', 'speech'] as const)
    await table({ length: 4096, noise, shift: 1.5, snrDb: 10 });
}

/** Root mean square error over the Cramér–Rao bound: ten partials 1/n, stationary, no shifts. */
export function boundFigures(): void {
  const rate = 12_000;
  const length = 1024;
  const seeds = 300;
  const estimator = new Estimator(rate, length);
  console.log(
    `\nError over the Cramér–Rao bound (f0, B, amplitudes, phases unknown), seeds 1–${seeds}`,
  );
  for (const [name, f0, inharmonicity] of [
    ['E2', 82.4069, 8e-5],
    ['G4', 391.9954, 3e-5],
  ] as const)
    for (const snrDb of [10, 20, 30, 40]) {
      const amplitudes = Array.from({ length: 10 }, (_, i) => 1 / (i + 1));
      const power = amplitudes.reduce((sum, a) => sum + a * a, 0) / 2;
      const sigma = Math.sqrt(power / 10 ** (snrDb / 10));
      let squares = 0;
      for (let seed = 1; seed <= seeds; seed++) {
        const random = seededRandom(seed);
        const samples = Float64Array.from({ length }, () => sigma * normal(random));
        amplitudes.forEach((size, i) => {
          const turn = (2 * Math.PI * partialHz(f0, inharmonicity, i + 1)) / rate;
          const phase = between(random, 0, 2 * Math.PI);
          for (let k = 0; k < length; k++) samples[k]! += size * Math.cos(turn * k + phase);
        });
        const e = estimator.estimate(samples, 0, length);
        const truth = reportedHz(f0, inharmonicity);
        squares += e ? (1200 * Math.log2(e.reportedHz / truth)) ** 2 : Number.NaN;
      }
      const bound = reportedPitchBound({ f0, inharmonicity, amplitudes }, sigma, length, rate);
      console.log(`  ${name} ${snrDb} dB  ${(Math.sqrt(squares / seeds) / bound).toFixed(2)} ×`);
    }
}

/** Error against stiffness for a bright pluck on E2, all partials of equal strength over √n. */
export function biasFigures(): void {
  const rate = 12_000;
  const length = 1024;
  const estimator = new Estimator(rate, length);
  console.log(
    '\nBias against stiffness, bright pluck on E2, no noise, 40 seeds of phases each: mean in cents',
  );
  for (const b of [0, 1e-5, 2e-5, 5e-5, 1e-4, 2e-4, 3e-4]) {
    let sum = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const random = seededRandom(seed);
      const samples = Float64Array.from({ length }, () => 1e-5 * normal(random));
      for (let n = 1; n <= 24; n++) {
        const turn = (2 * Math.PI * partialHz(82.4069, b, n)) / rate;
        const phase = between(random, 0, 2 * Math.PI);
        for (let i = 0; i < length; i++) samples[i]! += Math.cos(turn * i + phase) / Math.sqrt(n);
      }
      const e = estimator.estimate(samples, 0, length);
      sum += e ? 1200 * Math.log2(e.reportedHz / reportedHz(82.4069, b)) : Number.NaN;
    }
    console.log(`  B ${b.toExponential(0).padEnd(6)} ${(sum / 40).toFixed(4)}`);
  }
}

/** Time per frame as a ratio to pitchy's on the same frame, in one run; the least of several rounds each. */
export async function speedFigures(): Promise<void> {
  const length = 4096;
  const kind = { length, noise: 'white', snrDb: 20, shift: 1.5 } as const;
  const frames = Array.from({ length: 120 }, (_, seed) => frame(seed + 1, kind));
  const [rosefinch, pitchy, aubio] = await peersFor(length);
  const estimator = new Estimator(RATE / 4, length / 4);
  const hints = frames.map((f) => {
    const e = estimator.estimate(decimated(f), f.offset / 4, length / 4);
    return { hz: e?.firstPartialHz ?? 100, inharmonicity: e?.inharmonicity ?? 5e-5 };
  });
  // Only the frame's own samples are thinned here, as in a stream, where none is thinned twice.
  const live = (f: Frame, i: number) =>
    estimator.estimate(decimated(f, 2 * f.offset), 0, length / 4, hints[i], undefined, 'live');
  const full = (f: Frame) => estimator.estimate(decimated(f, 2 * f.offset), 0, length / 4);
  const ways: readonly [string, (f: Frame, i: number) => unknown][] = [
    ['pitchy', (f) => pitchy!.measure(f)],
    ['aubio yinfft', (f) => aubio!.measure(f)],
    ['Rosefinch, full fit', full],
    ['Rosefinch, live track', live],
  ];
  for (const f of frames) rosefinch!.measure(f);
  const best = ways.map(() => Number.POSITIVE_INFINITY);
  for (let round = 0; round < 7; round++)
    ways.forEach(([, measure], w) => {
      const from = performance.now();
      frames.forEach(measure);
      best[w] = Math.min(best[w]!, performance.now() - from);
    });
  console.log('\nTime per frame of 4096, decimation included, against pitchy in this run:');
  ways.forEach(([name], w) => {
    console.log(`  ${name.padEnd(22)} ${(best[w]! / best[0]!).toFixed(2)} ×`);
  });
}
