import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';

const b = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const c = await b.newContext({
  baseURL: 'http://127.0.0.1:5299',
  viewport: { width: 1280, height: 800 },
});
const page = await c.newPage();
page.on('pageerror', (e) => console.log('ERR', e.message));
page.on('console', (m) => {
  if (m.type() === 'error') console.log(m.text());
});
for (const [u, n] of [
  ['/retune?to=guitar-open-d', 'retune'],
  ['/tunings', 'tunings'],
  ['/tunings/guitar-open-d', 'tuning'],
] as const) {
  await page.goto(u);
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `/tmp/l-${n}.png` });
}
await b.close();
