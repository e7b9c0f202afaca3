import { chromium } from '@playwright/test';
import { createApp } from '@rosefinch/server/app';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
import { SettlePage } from './settle.ts';

const server = createApp(new URL('../app/dist', import.meta.url).pathname, 'demo').listen(
  0,
  '127.0.0.1',
);
await new Promise((r) => server.once('listening', r));
const port = (server.address() as { port: number }).port;
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const page = await browser.newPage({
  baseURL: `http://127.0.0.1:${port}`,
  viewport: { width: 1280, height: 800 },
});
page.on('pageerror', (e) => console.log('pageerror', e.message));
const s = new SettlePage(page);
await s.open();
await s.begin();
await s.practise();
const t0 = Date.now();
for (const c of [4, 3]) {
  await page.keyboard.press(String(c));
  console.log(c, 'before', await s.readings(c));
  const v = await s.pluck(c);
  console.log(c, v, Date.now() - t0);
  await s.bringUp(c, v);
  console.log(c, 'up', await s.figure(), Date.now() - t0);
}
await page.screenshot({ path: '/tmp/d1.png' });
await browser.close();
server.close();
