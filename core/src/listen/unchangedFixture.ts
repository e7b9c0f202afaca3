import { digest } from '../maths/digestFixture.ts';
import { between, normal, seededRandom } from '../maths/index.ts';
import { findTuning, targetsOf } from '../music/index.ts';
import { PracticeInstrument } from '../practice/index.ts';
import { findModel } from '../strings/index.ts';
import { beatOf } from './beat.ts';
import { reportedPitchBound } from './bound.ts';
import { Estimator } from './estimator.ts';
import type { StringKnowledge } from './identity.ts';
import { priorAt, whoSounded } from './identity.ts';
import { type ListenEvent, Listener } from './listener.ts';
import { pluck, RATE } from './pluckFixture.ts';
import { fittedStretch, stretchResidual } from './stretch.ts';

/** Everything that is said while a sound is heard, in a few figures. */
function said(sound: Float32Array, rate = RATE, strings: readonly StringKnowledge[] = []) {
  const events: ListenEvent[] = [];
  const listener = new Listener(rate, (event) => events.push(event));
  listener.know(strings);
  listener.ask(7);
  for (let at = 0; at < sound.length; at += 3000) {
    if (at === 12_000) listener.ask(8, 0.05);
    listener.hear(sound.subarray(at, at + 3000));
  }
  listener.finish();
  const of = <T extends ListenEvent['type']>(type: T) =>
    events.filter((event): event is Extract<ListenEvent, { type: T }> => event.type === type);
  return {
    order: events.map(({ type }) => type[0]).join(''),
    onsets: of('onset'),
    outcomes: of('outcome'),
    live: of('track').map(({ point }) => point.hz),
    lit: of('track').map(({ point }) => point.clarity + 10 * point.sinceOnset),
    levels: of('level').map(({ levelDbfs, floorDbfs, peak }) => levelDbfs + floorDbfs / 3 + peak),
    released: of('released').map(({ at }) => at),
    rooms: of('room').map(({ report }) => report),
  };
}

/** A practice instrument that is told what to do at some moments, in seconds. */
function played(
  model: string,
  tuning: string,
  does: readonly (readonly [at: number, act: (one: PracticeInstrument) => void])[],
  setup: { seed?: number; noise?: number; hum?: number; rate?: number; seconds?: number } = {},
) {
  const { seed = 3, noise = -62, hum = -80, rate = RATE, seconds = 1.7 } = setup;
  const targets = targetsOf(findTuning(tuning)!, 440).map(({ hz }) => hz);
  const one = new PracticeInstrument({
    instrument: findModel(model)!.build('i', 'I'),
    targets,
    detune: targets.map((_, i) => 9 * i - 20),
    seed,
    sampleRate: rate,
    noise,
    hum,
  });
  const sound = new Float32Array(seconds * rate);
  let done = 0;
  for (const [at, act] of does) {
    one.render(sound.subarray(done, at * rate));
    done = at * rate;
    act(one);
  }
  one.render(sound.subarray(done));
  return sound;
}

const guitarStrings = targetsOf(findTuning('guitar-standard')!, 440).map((target) => ({ target }));
const changed = (sound: Float32Array, by: (x: number, i: number) => number) =>
  Float32Array.from(sound, by);

/** Sounds of every sort that the ear must tell apart. */
const SOUNDS: Readonly<Record<string, () => ReturnType<typeof said>>> = {
  'thick string, clean': () => said(pluck(5, -70).sound),
  'thick string, noisy': () => said(pluck(11, -42).sound),
  'thin string, noisy': () => said(pluck(6, -44).sound),
  'third string, known': () => said(pluck(2, -60).sound, RATE, guitarStrings),
  'at 44.1 kHz': () => said(pluck(3, -55, 44_100).sound, 44_100),
  'damped soon': () =>
    said(changed(pluck(4, -60).sound, (x, i) => x * Math.exp(-Math.max(0, i - 13_000) / 300))),
  'damped at once': () =>
    said(changed(pluck(8, -60).sound, (x, i) => x * Math.exp(-Math.max(0, i - 9500) / 250))),
  clipped: () => said(changed(pluck(7, -60).sound, (x) => Math.max(-1, Math.min(1, 12 * x)))),
  'with a hole': () =>
    said(changed(pluck(9, -60).sound, (x, i) => (i > 14_000 && i < 14_600 ? 0 : x))),
  faint: () => said(changed(pluck(10, -75).sound, (x) => x / 150)),
  'two strings': () =>
    said(
      played('steel-guitar', 'guitar-standard', [
        [0.3, (one) => one.pluck(5)],
        [0.32, (one) => one.pluck(3)],
      ]),
      RATE,
      guitarStrings,
    ),
  'one after another': () =>
    said(
      played(
        'steel-guitar',
        'guitar-standard',
        [
          [0.3, (one) => one.pluck(4)],
          [0.8, (one) => one.pluckAlone(2, 0.5)],
          [1.2, (one) => one.turn(2, 0.05)],
        ],
        { seconds: 2 },
      ),
      RATE,
      guitarStrings,
    ),
  'a small ukulele': () =>
    said(
      played('ukulele-concert', 'ukulele-standard', [
        [0.3, (one) => one.pluck(3, { strength: 0.9 })],
      ]),
    ),
  'a banjo': () =>
    said(
      played('banjo-five', 'banjo-open-g', [[0.3, (one) => one.pluck(5)]], { seed: 5, noise: -50 }),
    ),
  'a tone without partials': () =>
    said(
      Float32Array.from({ length: 40_000 }, (_, i) =>
        i < 8000 ? 0 : 0.2 * Math.sin((2 * Math.PI * 196 * i) / RATE),
      ),
    ),
  'a pitch that swings': () =>
    said(
      Float32Array.from({ length: 40_000 }, (_, i) => {
        const t = i / RATE;
        const phase = 2 * Math.PI * 147 * t + 2.5 * Math.sin(2 * Math.PI * 5 * t);
        return i < 8000 ? 0 : 0.2 * Math.sin(phase) + 0.1 * Math.sin(2 * phase);
      }),
    ),
  'knocks and hiss': () => {
    const random = seededRandom(4);
    return said(
      Float32Array.from({ length: 40_000 }, (_, i) => {
        const knock = Math.exp(-((i % 16_000) / 400)) * (i > 7000 ? 0.4 : 0);
        return (knock + 1e-3) * normal(random);
      }),
    );
  },
  'a room that hums': () => {
    const random = seededRandom(9);
    return said(
      Float32Array.from(
        { length: 3.2 * RATE },
        (_, i) =>
          0.01 * Math.sin((2 * Math.PI * 50 * i) / RATE) +
          0.006 * Math.sin((2 * Math.PI * 150 * i) / RATE) +
          0.004 * Math.sin((2 * Math.PI * 440.5 * i) / RATE) +
          2e-4 * normal(random),
      ),
    );
  },
};

/** Frames given to the estimator alone: candidates, and both efforts. */
function frames() {
  const estimator = new Estimator(12_000, 4096);
  return [
    { hz: 82.4, b: 9e-5, partials: 12, sigma: 0.01, length: 4096 },
    { hz: 196, b: 4e-4, partials: 8, sigma: 0.05, length: 1024 },
    { hz: 392, b: 2e-5, partials: 5, sigma: 0.2, length: 700 },
    { hz: 110, b: 0, partials: 1, sigma: 0.01, length: 2048 },
  ].map(({ hz, b, partials, sigma, length }, seed) => {
    const random = seededRandom(seed + 1);
    const samples = Float64Array.from({ length }, () => sigma * normal(random));
    for (let n = 1; n <= partials; n++) {
      const phase = between(random, 0, 6);
      const omega = (2 * Math.PI * n * hz * Math.sqrt(1 + b * n * n)) / 12_000;
      for (let i = 0; i < length; i++) samples[i]! += Math.cos(omega * i + phase) / n;
    }
    return {
      candidates: estimator.candidates(samples, 0, length).map(({ hz, score }) => hz + score),
      full: estimator.estimate(samples, 0, length),
      live: estimator.estimate(
        samples,
        0,
        length,
        { hz: hz * 1.004, inharmonicity: b },
        priorAt(hz, []),
        'live',
      ),
    };
  });
}

/** Two strings of a pair for a few seconds, so far apart. */
function pair(cents: number, seconds: number, second = 0.8) {
  const random = seededRandom(2);
  return Float32Array.from({ length: seconds * 8000 }, (_, i) => {
    const t = i / 8000;
    const tone = (hz: number) =>
      [1, 2, 3, 4].reduce((sum, n) => sum + Math.sin(2 * Math.PI * n * hz * t) / n, 0);
    const apart = tone(220) + second * tone(220 * 2 ** (cents / 1200));
    return 0.1 * Math.exp(-t / 2) * apart + 1e-4 * normal(random);
  });
}

const beats = () =>
  [0, 1.5, 4, 11, 30]
    .map((cents) => beatOf(pair(cents, 3.5), 8000, 220))
    .concat([
      beatOf(pair(5, 0.4), 8000, 220),
      beatOf(pair(3, 2.2, 0.2), 8000, 220),
      beatOf(new Float32Array(24_000), 8000, 220),
    ]);

/** Which string, all along the neck, by what is known of them. */
function identities() {
  const known = guitarStrings.map((string, i) => ({
    ...string,
    ...(i < 3 && { inharmonicity: 2e-5 * (i + 1), lastHz: string.target.hz * 0.985, lastAt: 0 }),
    ...(i === 4 && { fresh: true }),
  }));
  const walk = [];
  for (let hz = 60; hz < 700; hz *= 2 ** (83 / 1200))
    for (const intended of [null, 5, 2])
      walk.push(
        whoSounded({ hz, inharmonicity: 6e-5, at: 5 * 3_600_000 }, known, intended),
        whoSounded({ hz }, guitarStrings, intended),
      );
  return walk.map((one) =>
    one.kind === 'doubt' ? `? ${one.courses}` : one.kind === 'known' ? `${one.course}` : 'none',
  );
}

/** What the ear says today of all that. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  const reading = said(pluck(5, -70).sound).outcomes[0]!.outcome;
  if (reading.kind !== 'reading') throw new Error(reading.kind);
  return {
    sounds: digest(Object.values(SOUNDS).map((make) => make())),
    frames: digest(frames()),
    beats: digest(beats()),
    identities: digest(identities().join(' ')),
    bound: digest(
      [0, 1e-4].map((inharmonicity) =>
        reportedPitchBound(
          { f0: 110, inharmonicity, amplitudes: [1, 0.5, 0.3] },
          0.01,
          1024,
          12_000,
        ),
      ),
    ),
    stretch: digest([
      ...[1, 2, 4, 7].map((n) => fittedStretch(reading, n)),
      stretchResidual(reading),
    ]),
  };
}
