import { chromium } from '@playwright/test';
import { createApp } from '@rosefinch/server/app';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
const server = createApp('/tmp/dist2', 'demo').listen(0, '127.0.0.1');
await new Promise((r) => server.once('listening', r));
const port = (server.address() as { port: number }).port;
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const page = await browser.newPage({ baseURL: `http://127.0.0.1:${port}`, viewport: { width: 1280, height: 800 } });
page.on('pageerror', (e) => console.log('pageerror', e.message));
await page.goto('/frets');
await page.getByLabel('Instrument').selectOption({ label: process.argv[2] ?? 'Whimbrel' });
await page.waitForTimeout(300);
if (process.argv[3] === 'all') await page.getByLabel(/Soft, normal and hard/).check();
await page.screenshot({ path: '/tmp/f0.png' });
await page.getByRole('button', { name: 'Begin the check' }).click();
await page.getByRole('button', { name: /^Practice/ }).click();
await page.getByText('Room quiet').waitFor();
let last = '';
for (let i = 0; i < 200; i++) {
  const say = await page.getByRole('status').first().innerText();
  if (!say.includes('pluck')) { console.log(i, say); break; }
  await page.keyboard.press('p');
  await page.waitForTimeout(1500);
  const now = await page.getByRole('region', { name: 'Deviation' }).innerText();
  if (i % 4 === 0 || say === last) console.log(i, say.replace(/\n/g, ' '), '|', now.replace(/\n/g, ' '));
  last = say;
  if (await page.getByRole('region', { name: 'Question' }).count()) console.log(await page.getByRole('region', { name: 'Question' }).innerText());
}
await page.screenshot({ path: '/tmp/f1.png' , fullPage: true});
console.log(await page.getByRole('region', { name: 'Causes' }).innerText());
console.log(await page.getByRole('region', { name: 'Compromise' }).innerText());
await browser.close(); server.close();
