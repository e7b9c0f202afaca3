import { appendFileSync, cpSync, mkdtempSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { createApp } from '@rosefinch/server/app';

test('a new version waits until it is asked for', async ({ page }) => {
  const built = mkdtempSync(join(tmpdir(), 'rosefinch-built-'));
  cpSync(join(import.meta.dirname, '../app/dist'), built, { recursive: true });
  const server = createApp(built, 'demo').listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  try {
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    await page.getByRole('button', { name: 'Practice guitar' }).waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.waitForTimeout(1500);
    await page.reload();
    await page.getByRole('button', { name: 'Practice guitar' }).waitFor();
    appendFileSync(join(built, 'sw.js'), '\n// a newer version\n');
    await page.evaluate(() => Object.assign(window, { samePage: true }));
    // While the page is being replaced it cannot answer.
    const samePage = () => page.evaluate(() => 'samePage' in window).catch(() => true);
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
    await expect(page.getByRole('alert')).toContainText('A new version is ready', {
      timeout: 15_000,
    });
    await page.waitForTimeout(1000);
    expect(await samePage()).toBe(true);
    await page.getByRole('button', { name: 'Update now' }).click();
    await expect.poll(samePage, { timeout: 10_000 }).toBe(false);
  } finally {
    server.close();
    server.closeAllConnections();
  }
});
