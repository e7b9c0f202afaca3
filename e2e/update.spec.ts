import { appendFileSync, cpSync, mkdtempSync, readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { list, message, signed } from '@rosefinch/core/message';
import { createApp } from '@rosefinch/server/app';
import { OWN_PORT } from './playwright.config.ts';
import { begins, en, expect, note, saying, test } from './test.ts';

test.use({ serviceWorkers: 'allow' });

test('a new version waits until it is asked for', async ({ page }) => {
  const built = mkdtempSync(join(tmpdir(), 'rosefinch-built-'));
  cpSync(join(import.meta.dirname, '../app/dist'), built, { recursive: true });
  const server = createApp(built, 'demo').listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  try {
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    await page
      .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
      .waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await page
      .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
      .waitFor();
    appendFileSync(join(built, 'sw.js'), '\n// a newer version\n');
    await page.evaluate(() => Object.assign(window, { samePage: true }));
    // While the page is being replaced it cannot answer.
    const samePage = () => page.evaluate(() => 'samePage' in window).catch(() => true);
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
    await expect(page.getByRole('alert')).toContainText(saying('troubles.updateReady'), {
      timeout: 15_000,
    });
    await page.waitForTimeout(1000);
    expect(await samePage()).toBe(true);
    await page.getByRole('button', { name: en('common.updateNow') }).click();
    await expect.poll(samePage, { timeout: 10_000 }).toBe(false);
  } finally {
    server.close();
    server.closeAllConnections();
  }
});

/** A shelf as the first version of the database kept it. */
const FIRST_SHELF = readFileSync(
  join(import.meta.dirname, '../core/src/records/fixtures/backup-1.json'),
  'utf8',
);

test('a database of the first version is taken along', async ({ page }) => {
  const origin = `http://127.0.0.1:${OWN_PORT}`;
  // Not the application yet: it would open the database itself.
  await page.goto(`${origin}/shelf.json`);
  await page.evaluate(
    (text) =>
      new Promise<void>((resolve, reject) => {
        const { instruments, sessions, log } = JSON.parse(text);
        const opening = indexedDB.open('rosefinch', 10);
        opening.onerror = () => reject(opening.error);
        opening.onupgradeneeded = () => {
          const db = opening.result;
          const table = (name: string, keyPath: string | string[], ...indices: string[]) => {
            const store = db.createObjectStore(name, { keyPath });
            for (const index of indices) store.createIndex(index, index);
            return store;
          };
          const shelf = table('instruments', 'id', 'name');
          for (const one of instruments) shelf.add(one);
          const sittings = table('sessions', 'id', 'instrumentId', 'startedAt');
          for (const one of sessions) sittings.add(one);
          const lines = table('log', ['sessionId', 'seq'], 'sessionId');
          for (const one of log) lines.add(one);
          table('recordings', 'id', 'readAt');
          table('settings', 'id');
        };
        opening.onsuccess = () => {
          opening.result.close();
          resolve();
        };
      }),
    FIRST_SHELF,
  );
  await page.goto(`${origin}/shelf/lapwing`);
  await expect(page.getByLabel(en('shelf.pegs'), { exact: true })).toHaveValue('2+2+side');
  await expect(page.getByLabel(en('shelf.pegType'))).toHaveValue('planetary');
  await expect(page.getByLabel(en('shelf.bridge'))).toHaveValue('loose');
  await page.getByRole('button', { name: en('shelf.save') }).click();
  await expect(page.getByRole('region', { name: en('common.notice') })).toContainText(
    en('shelf.saved'),
  );
  // The session of another instrument goes on; it was one of practice.
  await page.goto(`${origin}/shelf/heron`);
  await expect(page.getByLabel(en('shelf.pegs'), { exact: true })).toBeVisible();
  await page.goto(`${origin}/`);
  await page.getByRole('button', { name: begins('common.practiceSource') }).click();
  await expect(
    page.getByRole('button', {
      name: saying('common.lineSays', {
        line: message('common.stringAndNoteTitle', { string: 6, note: note(38) }),
        says: list([
          message('bench.lineCentsFound', {
            cents: signed(-23),
            place: message('common.deviation', { side: 'low' }),
            found: signed(-23),
          }),
          message('bench.lineStanding', { standing: 'done' }),
        ]),
      }),
    }),
  ).toBeVisible();
});
