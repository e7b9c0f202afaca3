import type { Browser } from '@playwright/test';
import { BenchPage } from '../bench.ts';
import { plucksOf } from '../sound.ts';
import { en, expect, feed, give } from '../test.ts';
import { tableOf } from './store.ts';

const RATE = 48_000;

/** Hours of listening by microphone, as fast as they are heard: what stays in the memory, and in the log. */
export async function hoursDrill(
  browser: Browser,
  baseURL: string,
  hours: number,
): Promise<string> {
  const context = await browser.newContext({ baseURL, serviceWorkers: 'block' });
  await give(context, 'fast', true);
  const page = await context.newPage();
  const bench = new BenchPage(page);
  await bench.open();
  await page.getByRole('button', { name: en('common.microphone') }).click();
  const session = await context.newCDPSession(page);
  const heap = async () => {
    await session.send('HeapProfiler.collectGarbage');
    return (await session.send('Runtime.getHeapUsage')).usedSize / 2 ** 20;
  };
  // Six plucks and half a minute of a quiet room.
  const { sound } = plucksOf([6, 5, 4, 3, 2, 1], [-9, 4, -3, 8, -12, 5]);
  const round = new Float32Array(sound.length + 30 * RATE);
  round.set(sound);
  for (let i = sound.length; i < round.length; i++) round[i] = 1e-4 * Math.sin(i * i);
  const rounds = Math.round((hours * 3600 * RATE) / round.length);
  let first = 0;
  for (let i = 1; i <= rounds; i++) {
    await feed(page, round);
    await expect.poll(() => bench.plucks(1), { timeout: 120_000 }).toBe(i);
    if (i === 10) first = await heap();
  }
  const last = await heap();
  const events = await tableOf(page, 'events');
  const bytes = Buffer.byteLength(JSON.stringify(events));
  await context.close();
  return `listening: ${((rounds * round.length) / RATE / 3600).toFixed(2)} hours by the fed microphone, ${6 * rounds} plucks, ${events.length} events stored, ${(bytes / events.length).toFixed(0)} bytes each; page memory ${first.toFixed(1)} MB after ten rounds, ${last.toFixed(1)} MB at the end`;
}
