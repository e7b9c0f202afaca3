import type { Page } from '@playwright/test';
import { BenchPage } from './bench.ts';
import { DEMO_PORT } from './playwright.config.ts';
import { browserHearing } from './sound.ts';

const ROUNDS = 3;

/**
 * Plays a file to the microphone of the bench until what `act` waits for was heard. The
 * pretended device loses samples when the machine is busy: then it is played again.
 */
export async function hearInRounds(
  file: string,
  act: (page: Page, bench: BenchPage) => Promise<void>,
): Promise<void> {
  for (let round = 1; ; round++) {
    const browser = await browserHearing(file);
    try {
      const page = await browser.newPage({ baseURL: `http://127.0.0.1:${DEMO_PORT}` });
      const bench = new BenchPage(page);
      await bench.open();
      await act(page, bench);
      return;
    } catch (error) {
      if (round === ROUNDS) throw error;
    } finally {
      await browser.close();
    }
  }
}
