import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test } from '@playwright/test';
import { writeWav } from '@rosefinch/core/formats';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { PracticeInstrument } from '@rosefinch/core/practice';
import { steelGuitar } from '@rosefinch/core/strings';
import { BenchPage } from './bench.ts';
import { CHROMIUM, CHROMIUM_ARGS, DEMO_PORT } from './playwright.config.ts';

const RATE = 48_000;
const STRENGTH = 0.6;

/** Six detuned plucks, string 6 first, after four seconds of quiet; and their exact deviations. */
function sixPlucks(): { file: string; exact: Map<number, number> } {
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
  const sound = new Float32Array(18 * RATE);
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
  const file = join(mkdtempSync(join(tmpdir(), 'rosefinch-')), 'six.wav');
  writeFileSync(file, writeWav([sound], RATE));
  return { file, exact };
}

test('six plucks through the microphone are read on the right strings', async () => {
  const { file, exact } = sixPlucks();
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_ARGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${file}%noloop`,
    ],
  });
  const page = await browser.newPage({ baseURL: `http://127.0.0.1:${DEMO_PORT}` });
  const bench = new BenchPage(page);
  await bench.open();
  await page.getByRole('button', { name: 'Microphone' }).click();
  await page.waitForTimeout(18_500);
  let lost = 0;
  for (const [course, cents] of exact) {
    const heard = await bench.plucks(course);
    expect(heard).toBeLessThanOrEqual(1);
    if (heard === 0) lost++;
    else expect(Math.abs((await bench.deviation(course)) - cents)).toBeLessThanOrEqual(1);
  }
  expect(lost).toBeLessThanOrEqual(1);
  await browser.close();
});

test('a denied microphone is told plainly, with a way on', async () => {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [...CHROMIUM_ARGS, '--deny-permission-prompts', '--use-fake-device-for-media-stream'],
  });
  const page = await browser.newPage({ baseURL: `http://127.0.0.1:${DEMO_PORT}` });
  const bench = new BenchPage(page);
  await bench.open();
  await page.getByRole('button', { name: 'Microphone' }).click();
  await expect(page.getByRole('alert')).toContainText('does not let Rosefinch hear the microphone');
  await expect(page.getByRole('alert')).toContainText('use the practice guitar');
  await bench.practise();
  await page.keyboard.press('6');
  expect(await bench.pluck(6)).toBeLessThan(-15);
  await browser.close();
});
