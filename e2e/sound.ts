import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, chromium } from '@playwright/test';
import { writeWav } from '@rosefinch/core/formats';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { PracticeInstrument } from '@rosefinch/core/practice';
import { steelGuitar } from '@rosefinch/core/strings';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';

const RATE = 48_000;
const STRENGTH = 0.6;

/** How long the file of `sixPlucks` lasts, in milliseconds. */
export const SIX_PLUCKS_MS = 18_000;

/** A new file in a folder of its own. */
export function temporaryFile(name: string, content: string | Uint8Array): string {
  const file = join(mkdtempSync(join(tmpdir(), 'rosefinch-')), name);
  writeFileSync(file, content);
  return file;
}

/** Six detuned plucks, string 6 first, after four seconds of quiet; and their exact deviations. */
export function sixPlucks(): { file: string; exact: Map<number, number> } {
  const targets = targetsOf(findTuning('guitar-standard')!, 440).map((target) => target.hz);
  const guitar = new PracticeInstrument({
    instrument: steelGuitar('g', 'G'),
    targets,
    detune: [-31, -12, -38, 11, -9.5, -23],
    seed: 12,
    sampleRate: RATE,
    shiftCents: 0.4,
  });
  const exact = new Map<number, number>();
  const sound = new Float32Array((SIX_PLUCKS_MS / 1000) * RATE);
  let at = 4 * RATE;
  guitar.render(sound.subarray(0, at));
  for (const course of [6, 5, 4, 3, 2, 1]) {
    guitar.pluck(course, { strength: STRENGTH });
    const hz = guitar.exactReadingHz(course, STRENGTH);
    exact.set(course, 1200 * Math.log2(hz / targets[course - 1]!));
    guitar.render(sound.subarray(at, at + 1.6 * RATE));
    guitar.mute();
    guitar.render(sound.subarray(at + 1.6 * RATE, at + 2 * RATE));
    at += 2 * RATE;
  }
  guitar.render(sound.subarray(at));
  return { file: temporaryFile('six.wav', writeWav([sound], RATE)), exact };
}

/** A browser whose microphone plays a file once. */
export function browserHearing(file: string): Promise<Browser> {
  return chromium.launch({
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_ARGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${file}%noloop`,
    ],
  });
}
