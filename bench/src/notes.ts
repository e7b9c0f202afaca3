import { readFileSync } from 'node:fs';
import { readWav } from '@rosefinch/core/formats';
import { type Reading, readPlucks } from '@rosefinch/core/listen';
import { quantile } from './print.ts';

interface Note {
  readonly file: string;
  readonly reportedHz: number;
  readonly uncertaintyCents: number;
}

const folder = new URL('../../tools/notes/', import.meta.url);

function reading(samples: Float32Array, rate: number): Reading | null {
  const outcome = readPlucks(samples, rate).find(
    (heard) => heard.outcome.kind === 'reading',
  )?.outcome;
  return outcome?.kind === 'reading' ? outcome : null;
}

/** The same sound `cents` higher: played faster by an exact ratio, by a windowed sinc. */
export function resampled(samples: Float32Array, cents: number): Float32Array {
  const ratio = 2 ** (cents / 1200);
  const half = 48;
  const cut = 0.98 * Math.min(1, 1 / ratio);
  const out = new Float32Array(Math.floor(samples.length / ratio) - half);
  for (let i = 0; i < out.length; i++) {
    const at = i * ratio;
    const first = Math.max(0, Math.ceil(at - half));
    const last = Math.min(samples.length - 1, Math.floor(at + half));
    for (let k = first; k <= last; k++) {
      const d = at - k;
      const x = Math.PI * d * cut;
      const sinc = Math.abs(x) < 1e-9 ? 1 : Math.sin(x) / x;
      out[i]! += samples[k]! * cut * sinc * (0.5 + 0.5 * Math.cos((Math.PI * d) / half));
    }
  }
  return out;
}

/** Real notes against a measurement made elsewhere, and against themselves resampled. */
export function noteFigures(): void {
  const notes: Note[] = JSON.parse(readFileSync(new URL('offline.json', folder), 'utf8'));
  console.log(
    '\nReal notes (tools/notes): difference to the offline fit; then what resampling by −37, −12.5, +3, +21 cents adds to the exact ratio, in cents',
  );
  const differences: number[] = [];
  for (const note of notes) {
    const wav = readWav(readFileSync(new URL(note.file, folder)));
    const samples = wav.channels[0] ?? new Float32Array();
    const own = reading(samples, wav.sampleRate);
    if (!own) {
      console.log(`  ${note.file.padEnd(18)} no reading`);
      continue;
    }
    const difference = 1200 * Math.log2(own.hz / note.reportedHz);
    differences.push(Math.abs(difference));
    const pairs = [-37, -12.5, 3, 21].map((cents) => {
      const other = reading(resampled(samples, cents), wav.sampleRate);
      return other ? (1200 * Math.log2(other.hz / own.hz) - cents).toFixed(3) : 'none';
    });
    console.log(
      `  ${note.file.padEnd(18)} ${difference.toFixed(2).padStart(6)} (offline ±${note.uncertaintyCents}, stated ±${own.errorCents.toFixed(2)})   ${pairs.join('  ')}`,
    );
  }
  console.log(
    `  median ${quantile(differences, 0.5, 2)}, worst ${quantile(differences, 1, 2)} of ${notes.length}`,
  );
}
