import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { between, seededRandom } from '@rosefinch/core/maths';
import { BenchPage } from '../bench.ts';
import { killBrowserOn } from '../killed.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../playwright.config.ts';
import { en } from '../test.ts';
import { incongruities } from './store.ts';

/** Half of the kills fall so soon after a reading was shown as stored, in ms; the others anywhere. */
const SOON_MS = 25;
const ANYWHERE_MS = 1500;
const SEED = 15;

/**
 * Kills the browser in the middle of plucking, again and again on one profile: what was shown
 * as stored must be there afterwards, and nothing half of it.
 */
export async function killDrill(baseURL: string, kills: number): Promise<string> {
  const profile = mkdtempSync(join(tmpdir(), 'rosefinch-kill-'));
  const random = seededRandom(SEED);
  const open = () =>
    chromium.launchPersistentContext(profile, {
      executablePath: CHROMIUM,
      args: [...CHROMIUM_ARGS, '--remote-debugging-port=0'],
      baseURL,
    });
  let lost = 0;
  let half = 0;
  let badOpenings = 0;
  let shownInAll = 0;
  const told: string[] = [];
  let before = 0;
  for (let kill = 0; kill < kills; kill++) {
    const context = await open();
    const page = await context.newPage();
    const shown = await openBench(page).catch((error: Error) => {
      badOpenings++;
      told.push(`kill ${kill}: ${error.message.split('\n')[0]}`);
      return null;
    });
    if (shown !== null && shown < before) {
      lost += before - shown;
      told.push(`kill ${kill}: ${before} were shown as stored, ${shown} are there`);
    }
    const faults = await incongruities(page).catch((error: Error) => [error.message]);
    if (faults.length > 0) {
      half++;
      told.push(`kill ${kill}: ${faults[0]}`);
    }
    before = await pluckUntil(page, kill % 2 === 0, between(random, 0, 1));
    shownInAll += before - (shown ?? 0);
    killBrowserOn(profile);
    await context.close().catch(() => {});
  }
  const last = await open();
  const page = await last.newPage();
  const there = await openBench(page).catch(() => -1);
  if (there < before) lost += before - there;
  await last.close();
  rmSync(profile, { recursive: true, force: true });
  return `kills: ${kills} (seed ${SEED}), ${shownInAll} readings shown as stored, ${lost} of them lost, ${half} half-stored logs, ${badOpenings} bad openings${told.slice(0, 5).map((one) => `\n    ${one}`)}`;
}

/** Opens the bench; answers how many readings of the sixth string it shows. */
async function openBench(page: Page): Promise<number> {
  const bench = new BenchPage(page);
  await bench.open();
  // The session is read back a moment after the bench is drawn.
  await page.waitForFunction(() => document.querySelectorAll('.wire').length >= 6);
  await page.waitForTimeout(300);
  return bench.plucks(6);
}

const STRING_6 = `${en('common.stringTitle', { string: 6 })},`;
const NOT_STORED = `[aria-label="${en('common.notStoredYet')}"]`;

/** Plucks, and answers how many readings had been shown as stored when it was time to kill. */
async function pluckUntil(page: Page, soon: boolean, chance: number): Promise<number> {
  const bench = new BenchPage(page);
  await page.keyboard.press('6');
  await page.getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) }).click();
  await page.getByText(en('common.roomQuiet')).waitFor();
  await page.evaluate(`(() => {
    globalThis.stored = 0;
    const look = () => {
      const label = [...document.querySelectorAll('.wire')]
        .find((wire) => wire.getAttribute('aria-label')?.startsWith(${JSON.stringify(STRING_6)}))
        ?.querySelector('[role=img]')?.getAttribute('aria-label') ?? '';
      const dot = document.querySelector(${JSON.stringify(NOT_STORED)});
      if (!dot) globalThis.stored = Math.max(globalThis.stored, Number(/^\\d+/.exec(label)?.[0] ?? 0));
      requestAnimationFrame(look);
    };
    look();
  })()`);
  const stored = () => page.evaluate<number>('globalThis.stored');
  const start = await bench.plucks(6);
  await page.keyboard.press('p');
  if (soon) {
    await page.waitForFunction(
      (before) => (globalThis as unknown as { stored: number }).stored > before,
      start,
      { polling: 5 },
    );
    await new Promise((resolve) => setTimeout(resolve, chance * SOON_MS));
    return stored();
  }
  await page.waitForTimeout(chance * ANYWHERE_MS);
  return stored();
}
