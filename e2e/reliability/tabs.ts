import type { Browser, Page } from '@playwright/test';
import { seededRandom } from '@rosefinch/core/maths';
import { BenchPage } from '../bench.ts';
import { en, give } from '../test.ts';
import { incongruities, tableOf } from './store.ts';

/** A reading must be in every tab within this, in ms. */
const WITHIN_MS = 1000;
/** Every so many plucks another tab reloads meanwhile. */
const RELOAD_EVERY = 20;
const SEED = 16;

/** Several tabs pluck by turns on one session, while now and then another one reloads. */
export async function tabDrill(
  browser: Browser,
  baseURL: string,
  tabs: number,
  plucks: number,
): Promise<string> {
  const context = await browser.newContext({ baseURL, serviceWorkers: 'block' });
  await give(context, 'fast');
  const random = seededRandom(SEED);
  const pages: Page[] = [];
  for (let i = 0; i < tabs; i++) {
    const page = await context.newPage();
    await page.addInitScript(WATCH_STORED);
    await new BenchPage(page).open();
    pages.push(page);
  }
  // The first of them hears the session begin; all are on string 5.
  for (const page of pages) {
    await page.bringToFront();
    await page
      .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
      .click();
    await page.getByText(en('common.roomQuiet')).waitFor();
    await new BenchPage(page).plucks(6);
    await page.keyboard.press('5');
  }
  const counts = () => Promise.all(pages.map((page) => new BenchPage(page).plucks(5)));
  let late = 0;
  let slowest = 0;
  const waits: number[] = [];
  for (let i = 0; i < plucks; i++) {
    const page = pages[i % tabs]!;
    await page.bringToFront();
    await page.keyboard.press('5');
    await page.keyboard.press('p');
    await hasRead(page, i + 1);
    const shown = performance.now();
    const others = pages.filter((one) => one !== page);
    const reloaded =
      i % RELOAD_EVERY === RELOAD_EVERY - 1 ? others[Math.floor(random() * others.length)] : null;
    if (reloaded) {
      await reloaded.reload();
      await new BenchPage(reloaded).open();
      await reloaded
        .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
        .click();
      await reloaded.getByText(en('common.roomQuiet')).waitFor();
    }
    for (const other of others) await hasRead(other, i + 1);
    if (reloaded) continue;
    const waited = performance.now() - shown;
    waits.push(waited);
    slowest = Math.max(slowest, waited);
    if (waited > WITHIN_MS) late++;
  }
  const stored = (
    await tableOf<{ event: { type: string; reading?: { course: number } } }>(pages[0]!, 'events')
  ).filter(({ event }) => event.type === 'reading' && event.reading?.course === 5).length;
  const faults = await incongruities(pages[0]!);
  const toStore = (
    await Promise.all(pages.map((page) => page.evaluate<number[]>('globalThis.toStore')))
  ).flat();
  const all = await counts();
  await context.close();
  const median = medianOf(waits);
  return `tabs: ${tabs}, ${plucks} plucks (seed ${SEED}), ${stored} stored, shown in each ${all.join('/')}; in all tabs after ${median.toFixed(0)} ms in the median, ${slowest.toFixed(0)} at most, later than 1 s ${late}; from shown to stored ${medianOf(toStore).toFixed(0)} ms in the median of ${toStore.length}, ${Math.max(0, ...toStore).toFixed(0)} at most; faults ${faults.length}${faults.slice(0, 3).map((one) => `\n    ${one}`)}`;
}

function medianOf(values: number[]): number {
  return values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
}

const STRING_5 = `${en('common.stringTitle', { string: 5 })},`;
const NOT_STORED = `[aria-label="${en('common.notStoredYet')}"]`;

/** Notes in a page how long the open dot of a reading that is not stored yet was there, in ms. */
const WATCH_STORED = `
  globalThis.toStore = [];
  addEventListener('DOMContentLoaded', () => {
    let since = null;
    new MutationObserver(() => {
      const dot = document.querySelector(${JSON.stringify(NOT_STORED)});
      if (dot && since === null) since = performance.now();
      if (!dot && since !== null) {
        globalThis.toStore.push(performance.now() - since);
        since = null;
      }
    }).observe(document.body, { childList: true, subtree: true });
  });`;

/** Resolves once string 5 has so many readings in a page. */
async function hasRead(page: Page, count: number): Promise<void> {
  await page.waitForFunction(
    ({ wanted, name }) => {
      for (const wire of document.querySelectorAll('.wire')) {
        if (!wire.getAttribute('aria-label')?.startsWith(name)) continue;
        const label = wire.querySelector('[role=img]')?.getAttribute('aria-label') ?? '';
        return Number(/^\d+/.exec(label)?.[0] ?? 0) >= wanted;
      }
      return false;
    },
    { wanted: count, name: STRING_5 },
    { polling: 10, timeout: 30_000 },
  );
}
