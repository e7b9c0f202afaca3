import { chromium } from '@playwright/test';
import { createApp } from '@rosefinch/server/app';
import { FretsPage } from './frets.ts';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
import { SettlePage } from './settle.ts';

const server = createApp('/tmp/dist2', 'demo').listen(0, '127.0.0.1');
await new Promise((r) => server.once('listening', r));
const port = (server.address() as { port: number }).port;
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const page = await browser.newPage({
  baseURL: `http://127.0.0.1:${port}`,
  viewport: { width: 1280, height: 800 },
  colorScheme: 'dark',
});
page.on('pageerror', (e) => console.log('pageerror', e.message));
const frets = new FretsPage(page);
await frets.open('Whimbrel');
for (const c of [4, 3, 1]) await page.getByLabel(`String ${c}`).uncheck();
await page.getByLabel(/Soft, normal and hard/).check();
await page.getByRole('button', { name: 'Begin the check' }).click();
await frets.practise();
await frets.soundAll();
await page.screenshot({ path: '/tmp/l1.png', fullPage: true });
console.log(await frets.causes().innerText());
await page.setViewportSize({ width: 390, height: 844 });
await page.waitForTimeout(300);
await page.screenshot({ path: '/tmp/l2.png', fullPage: true });
await page.setViewportSize({ width: 1280, height: 800 });
const settle = new SettlePage(page);
await settle.open();
await settle.begin([4, 1]);
await settle.practise();
for (const c of [4, 1]) await settle.tuneUp(c);
for (let r = 0; r < 2; r++) for (const c of [4, 1]) await settle.round(c);
await page.waitForTimeout(1500);
await page.screenshot({ path: '/tmp/l3.png', fullPage: true });
await page.setViewportSize({ width: 390, height: 844 });
await page.waitForTimeout(300);
await page.screenshot({ path: '/tmp/l4.png', fullPage: true });
for (const [w, name] of [
  [390, 'settle'],
  [390, 'frets'],
] as const)
  console.log(name, w, await page.evaluate(() => document.documentElement.scrollWidth));
await browser.close();
server.close();
