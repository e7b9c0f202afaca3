import { chromium } from '@playwright/test';
import { BenchPage } from './bench.ts';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
import { addressOf, serveDemo } from './serve.ts';

/** Prints the frame times of the live bench over a minute of plucking on the practice guitar. */
const PORT = 5284;
const SECONDS = 60;

async function measure(): Promise<void> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const page = await browser.newPage({
    baseURL: addressOf(PORT),
    viewport: { width: 1280, height: 800 },
  });
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  // A text, because the loader of this script would name its functions in a way the page does not know.
  await page.evaluate(`
    window.frameTimes = [];
    (function tick(now) { window.frameTimes.push(now); requestAnimationFrame(tick); })(performance.now());`);
  for (let second = 0; second < SECONDS; second++) {
    await page.keyboard.press(String(1 + (second % 6)));
    await page.keyboard.press('p');
    await page.waitForTimeout(950);
  }
  const times = await page.evaluate(
    () => (window as unknown as { frameTimes: number[] }).frameTimes,
  );
  const steps = times.slice(1).map((time, i) => time - times[i]!);
  steps.sort((a, b) => a - b);
  const at = (share: number) => steps[Math.floor(share * (steps.length - 1))]!.toFixed(1);
  const long = steps.filter((step) => step > 33).length;
  console.log(
    `${steps.length} frames in ${((times.at(-1)! - times[0]!) / 1000).toFixed(1)} s: median ${at(0.5)} ms, 99th percentile ${at(0.99)} ms, ${long} over 33 ms`,
  );
  await browser.close();
}

const server = await serveDemo(PORT);
try {
  await measure();
} finally {
  server.kill();
}
