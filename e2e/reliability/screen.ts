import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser } from '@playwright/test';
import { writeWav } from '@rosefinch/core/formats';
import { BenchPage } from '../bench.ts';
import { plucksOf } from '../sound.ts';
import { begins, en, give, goTo, recording, saying } from '../test.ts';
import { mutatedBackup, mutatedRecording } from './mutations.ts';
import { incongruities, tableOf } from './store.ts';

/** A file must be answered by then, in ms. */
const WITHIN_MS = 10_000;

/** Damaged backups through the screen: an answer, nothing half-restored, no blank view. */
export async function backupsOnScreen(
  browser: Browser,
  baseURL: string,
  count: number,
): Promise<string> {
  const context = await browser.newContext({ baseURL, serviceWorkers: 'block' });
  await give(context, 'fast');
  const page = await context.newPage();
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await goTo(page, '/data');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: en('views.writeABackup') }).click(),
  ]);
  const good = readFileSync(await download.path(), 'utf8');
  const told: string[] = [];
  let refused = 0;
  let planned = 0;
  let slowest = 0;
  for (let seed = 1; seed <= count; seed++) {
    const { damage, bytes } = mutatedBackup(good, 10_000 + seed);
    const name = `damaged-${seed}.json`;
    const before = JSON.stringify(await tableOf(page, 'events'));
    const began = performance.now();
    await page
      .getByLabel(en('settings.backupFile'))
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(bytes) });
    const plan = page.getByText(saying('settings.whatFileDoes', { file: name }));
    const alert = page.getByRole('alert');
    const answered = await plan
      .or(alert)
      .first()
      .waitFor({ timeout: WITHIN_MS })
      .then(() => true)
      .catch(() => false);
    slowest = Math.max(slowest, performance.now() - began);
    if (!answered) told.push(`seed ${10_000 + seed}, ${damage}: no answer`);
    if (await plan.isVisible()) {
      planned++;
      await page.getByRole('button', { name: begins('settings.restore') }).click();
      await page.getByText(en('settings.restoredAll')).or(alert).first().waitFor();
    } else {
      refused++;
      if (JSON.stringify(await tableOf(page, 'events')) !== before)
        told.push(`seed ${10_000 + seed}, ${damage}: refused, and something changed`);
    }
    const faults = await incongruities(page);
    if (faults.length > 0 && damage !== 'a number')
      told.push(`seed ${10_000 + seed}, ${damage}: ${faults[0]}`);
    for (const path of ['/log', '/shelf', '/', '/data']) {
      await goTo(page, path);
      await page.getByRole('heading').first().waitFor();
      if (await page.getByText(saying('common.stopped')).isVisible())
        told.push(`seed ${10_000 + seed}, ${damage}: ${path} is blank`);
    }
    await page.reload();
    await page.getByText(en('settings.takeItWithYou')).waitFor();
  }
  await context.close();
  return `backups through the screen: ${count} (seeds from 10001), ${refused} refused, ${planned} restored or salvaged; slowest ${(slowest / 1000).toFixed(1)} s; faults ${told.length}${told
    .slice(0, 5)
    .map((one) => `\n    ${one}`)
    .join('')}`;
}

/** Damaged recordings of every format through the screen. */
export async function recordingsOnScreen(
  browser: Browser,
  baseURL: string,
  count: number,
): Promise<string> {
  const fixtures = join(import.meta.dirname, '../fixtures');
  const files = readdirSync(fixtures)
    .filter((name) => name.startsWith('two.'))
    .map((name) => ({ name, bytes: Uint8Array.from(readFileSync(join(fixtures, name))) }));
  files.push({
    name: 'two.wav',
    bytes: writeWav(
      [plucksOf([6, 5], [0, 0, 0, 0, 0, 0]).sound],
      48_000,
    ) as Uint8Array<ArrayBuffer>,
  });
  const context = await browser.newContext({ baseURL, serviceWorkers: 'block' });
  await give(context, 'fast');
  const page = await context.newPage();
  const told: string[] = [];
  let read = 0;
  let refused = 0;
  let slowest = 0;
  for (let seed = 1; seed <= count; seed++) {
    const file = files[seed % files.length]!;
    const { damage, bytes } = mutatedRecording(file.bytes, 20_000 + seed);
    await page.goto('/');
    await page
      .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
      .waitFor();
    const began = performance.now();
    await recording(page, { name: file.name, mimeType: 'audio/wav', buffer: Buffer.from(bytes) });
    const report = page.waitForURL(/\/recordings\//, { timeout: WITHIN_MS }).then(() => 'read');
    const alert = page
      .getByRole('alert')
      .waitFor({ timeout: WITHIN_MS })
      .then(() => 'refused');
    const end = await Promise.any([report, alert]).catch(() => 'no answer');
    slowest = Math.max(slowest, performance.now() - began);
    if (end === 'read') read++;
    else if (end === 'refused') refused++;
    else told.push(`seed ${20_000 + seed}, ${file.name}, ${damage}: no answer`);
    if (await page.getByText(saying('common.stopped')).isVisible())
      told.push(`seed ${20_000 + seed}, ${file.name}, ${damage}: blank`);
  }
  await context.close();
  return `recordings through the screen: ${count} (seeds from 20001), ${read} read, ${refused} refused; slowest ${(slowest / 1000).toFixed(1)} s; faults ${told.length}${told
    .slice(0, 5)
    .map((one) => `\n    ${one}`)
    .join('')}`;
}
