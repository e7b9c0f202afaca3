import { existsSync, readFileSync } from 'node:fs';
import { readWav } from '@rosefinch/core/formats';
import { Decimator, readPlucks, readStrum } from '@rosefinch/core/listen';
import { between, seededRandom } from '@rosefinch/core/maths';
import { centsBetween } from '@rosefinch/core/music';
import type { Hz } from '@rosefinch/core/units';
import { resampled } from './notes.ts';
import { quantile } from './print.ts';

/** Strings of a mix, course 1 first: the file and the semitones that it is moved by. */
const MIXES: readonly (readonly (readonly [file: string, hz: Hz])[])[] = [
  [
    ['guitar-clean-el_E4_+00.0', 329.63],
    ['guitar-steel_B3_+00.0', 246.94],
    ['guitar-clean-el_G3_+00.0', 196],
    ['guitar-clean-el_D3_+00.0', 146.83],
    ['guitar-steel_A2_-12.5', 110],
    ['guitar-steel_E2_+21.0', 82.41],
  ],
  [
    ['guitar-jazz_E4_+00.0', 329.63],
    ['guitar-clean-el_B3_+00.0', 246.94],
    ['guitar-jazz_G3_+00.0', 196],
    ['guitar-jazz_D3_+00.0', 146.83],
    ['guitar-jazz_A2_+00.0', 110],
    ['guitar-jazz_E2_+00.0', 82.41],
  ],
  [
    ['banjo_D4_+00.0', 293.66],
    ['banjo_B3_+00.0', 246.94],
    ['banjo_D3_-37.0', 146.83],
    ['banjo_G4_+21.0', 392],
  ],
  [
    ['ukulele-like-nylon_A4_-37.0', 440],
    ['ukulele-like-nylon_C4_+21.0', 261.63],
    ['ukulele-like-nylon_G4_+00.0', 392],
  ],
];
const RATE = 48_000;

/**
 * Strums mixed from real notes at random delays, levels and exact resamplings, against the single
 * readings of the same sounds. The notes are not in the repository: their folder is given.
 */
export function mixedFigures(folder: string | undefined, first: number, each: number): void {
  if (!folder || !existsSync(folder)) {
    console.log('\nStrums mixed from real notes: give their folder by --notes=');
    return;
  }
  const errors: number[] = [];
  let strings = 0;
  for (let seed = first; seed < first + each; seed++) {
    const random = seededRandom(seed * 3571);
    const mix = MIXES[seed % MIXES.length]!;
    const gap = between(random, 0.015, 0.04) * RATE;
    const out = new Float32Array(2 * RATE);
    const alone = mix.map(([file, hz], i) => {
      const wav = readWav(readFileSync(`${folder}/${file}.wav`));
      const cents = between(random, -45, 45);
      const samples = resampled(wav.channels[0]!, cents);
      const level = 10 ** (between(random, -4, 4) / 20);
      const start = Math.round(0.3 * RATE + (mix.length - 1 - i) * gap);
      // The files begin with a quarter of a second of silence.
      const lead = Math.round((0.25 * RATE) / 2 ** (cents / 1200));
      for (let k = 0; k + start < out.length && k + lead < samples.length; k++)
        out[k + start]! += level * samples[k + lead]!;
      const own = readPlucks(samples, RATE).find(({ outcome }) => outcome.kind === 'reading');
      return { hz, own: own?.outcome.kind === 'reading' ? own.outcome.hz : null };
    });
    const decimator = new Decimator(RATE);
    const thin: number[] = [];
    decimator.process(out, (sample) => thin.push(sample));
    const known = alone.map(({ hz }, i) => ({ target: { course: i + 1, midi: 0, hz } }));
    const onset = Math.round(0.3 * decimator.outputRate);
    const read = readStrum(Float64Array.from(thin), onset, decimator.outputRate, known) ?? [];
    alone.forEach(({ own, hz }, i) => {
      if (own === null || Math.abs(centsBetween(hz, own)) > 80) return;
      strings++;
      if (read[i]?.sure) errors.push(Math.abs(centsBetween(own, read[i].hz)));
    });
  }
  console.log(
    `\nStrums mixed from real notes, seeds ${first}–${first + each - 1}: ${strings} strings, answered ${((100 * errors.length) / strings).toFixed(1)} %; against their single readings median ${quantile(errors, 0.5, 2)}, 95 % ${quantile(errors, 0.95, 2)}, over 5: ${errors.filter((e) => e > 5).length}`,
  );
}
