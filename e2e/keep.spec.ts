import { readFileSync } from 'node:fs';
import { readBackup } from '@rosefinch/core/records';
import { BenchPage } from './bench.ts';
import { temporaryFile } from './sound.ts';
import { begins, en, expect, fromMore, goTo, type Page, saying, test } from './test.ts';

/** What is kept, and what becomes of it when the browser, the disk or another tab does not do its part. */

async function practised(page: Page): Promise<BenchPage> {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  return bench;
}

async function backupOf(page: Page) {
  await page.goto('/data');
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: en('settings.writeABackup') }).click(),
  ]);
  await expect(page.getByText(saying('records.backupChecked'))).toBeVisible();
  return readFileSync(await saved.path(), 'utf8');
}

/** Makes every write to the database fail as a full disk does, until it is mended. */
async function fillDisk(page: Page): Promise<void> {
  await page.evaluate(() => {
    const { add } = IDBObjectStore.prototype;
    Object.assign(window, {
      mend: () => {
        IDBObjectStore.prototype.add = add;
      },
    });
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
}

test('two tabs add to one sitting, see each other’s readings, and lose none to a reload', async ({
  page,
  context,
}) => {
  const first = await practised(page);
  const other = await context.newPage();
  const second = new BenchPage(other);
  await second.open();
  // What the first tab has read stands in the second at once.
  await expect.poll(() => second.plucks(6)).toBe(1);
  await other
    .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
    .click();
  await other.getByText(en('common.roomQuiet')).waitFor();
  for (let turn = 0; turn < 4; turn++) {
    const [here, there] = turn % 2 === 0 ? [first, second] : [second, first];
    await here.page.bringToFront();
    await here.page.keyboard.press('5');
    await here.pluck(5);
    await expect.poll(() => there.plucks(5)).toBe(turn + 1);
    if (turn === 1) {
      await page.reload();
      await expect.poll(() => first.plucks(5)).toBe(2);
      await first.practise();
    }
  }
  const { sessions, events } = readBackup(await backupOf(page));
  expect(sessions).toHaveLength(1);
  const readings = events.filter(({ event }) => event.type === 'reading');
  expect(readings).toHaveLength((await second.plucks(6)) + 4);
  expect(new Set(events.map(({ number }) => number)).size).toBe(events.length);
  // One tab ends it: the other begins anew, too.
  await fromMore(other, en('bench.startAfresh'));
  await page.goto('/');
  await expect.poll(() => first.plucks(5)).toBe(0);
});

test('what is not stored is marked, outlives its view, goes into a backup and is stored later', async ({
  page,
}) => {
  const bench = await practised(page);
  await expect(page.getByRole('img', { name: en('common.notStoredYet') })).toHaveCount(0);
  await fillDisk(page);
  await page.keyboard.press('5');
  await bench.pluckUnseen(5);
  await expect(page.getByRole('img', { name: en('common.notStoredYet') })).toBeVisible();
  await expect(page.getByRole('alert')).toContainText(saying('troubles.storeFull'));
  // Another view, and back: it is still there.
  await page.getByRole('link', { name: en('views.shelf'), exact: true }).click();
  await page.getByRole('heading', { name: en('views.shelf') }).waitFor();
  await expect(page.getByRole('alert')).toContainText(saying('records.notStoredYet'));
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: en('common.saveWhatIsNotStored') }).click(),
  ]);
  const kept = readBackup(readFileSync(await saved.path(), 'utf8'));
  expect(kept.events.some(({ event }) => event.type === 'reading')).toBe(true);
  await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
  await expect.poll(() => bench.plucks(5)).toBe(1);
  await page.evaluate(() => (window as unknown as { mend: () => void }).mend());
  await page.getByRole('button', { name: en('common.tryAgain') }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('img', { name: en('common.notStoredYet') })).toHaveCount(0);
  await page.reload();
  await expect.poll(() => bench.plucks(5)).toBe(1);
});

test('of a backup that is bad in places the rest comes back, and can be undone', async ({
  page,
}) => {
  await practised(page);
  const good = await backupOf(page);
  const bad = good
    .replace('"name":"Heron"', '"name":"Heron, restored"')
    .replace('"scaleMm":580', '"scaleMm":"long"');
  await page.getByLabel(en('settings.backupFile')).setInputFiles(temporaryFile('bad.json', bad));
  await expect(page.getByRole('alert')).toContainText(
    en('settings.notReadable', { records: 1, file: 'bad.json' }),
  );
  await expect(page.getByRole('alert')).toContainText(
    saying('problems.inLine', { place: 'instruments[0].scaleMm' }),
  );
  await page.getByRole('radio', { name: en('settings.theFiles') }).check();
  await page.getByRole('button', { name: en('settings.restoreWhatIsGood') }).click();
  await expect(page.getByText(en('settings.restoredAll'))).toBeVisible();
  await page.getByRole('link', { name: en('views.shelf'), exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Heron, restored' })).toBeVisible();
  await page.goto('/data');
  await page.getByRole('button', { name: en('settings.checkTheRecords') }).click();
  await expect(page.getByText(saying('settings.checked'))).toBeVisible();
});

test('a copy goes to the teacher’s folder when a sitting is over', async ({ page }) => {
  // The origin’s own folder stands for one of the machine: it is of the same kind.
  await page.addInitScript(() => {
    Object.assign(window, {
      showDirectoryPicker: async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle('copies', { create: true }),
      lapsed: false,
    });
    // Leave for the origin’s own folder never lapses: here it does when it is told to.
    const leave = window as unknown as { lapsed: boolean };
    Object.assign(FileSystemHandle.prototype, {
      queryPermission: async () => (leave.lapsed ? 'prompt' : 'granted'),
      requestPermission: async () => {
        leave.lapsed = false;
        return 'granted';
      },
    });
  });
  const copies = () =>
    page.evaluate(async () => {
      const root = await navigator.storage.getDirectory();
      const folder = await root.getDirectoryHandle('copies', { create: true });
      const texts: string[] = [];
      try {
        for await (const [, handle] of folder.entries())
          texts.push(await (await (handle as FileSystemFileHandle).getFile()).text());
      } catch (error) {
        // One that is just being written is put in its place meanwhile: it is there at the next look.
        if ((error as Error).name !== 'NotFoundError') throw error;
        return [];
      }
      return texts;
    });
  const bench = await practised(page);
  await goTo(page, '/data');
  await expect(page.getByText(saying('settings.noCopyOf'))).toBeVisible();
  await page.getByRole('button', { name: begins('settings.copyToAFolderAfter') }).click();
  await expect(page.getByText(saying('settings.goesToFolder', { folder: 'copies' }))).toBeVisible();
  await expect.poll(async () => (await copies()).length).toBe(1);
  await expect(page.getByText(en('settings.copyWhole'))).toBeVisible();
  expect(readBackup((await copies())[0]!).instruments).toHaveLength(12);
  // Leave lapses over night; the day’s first key asks for it again.
  await page.evaluate(() => Object.assign(window, { lapsed: true }));
  await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
  await bench.practise();
  await page.keyboard.press('5');
  await expect.poll(() => page.evaluate(() => 'lapsed' in window && window.lapsed)).toBe(false);
  await bench.pluck(5);
  await fromMore(page, en('bench.startAfresh'));
  await expect.poll(async () => (await copies()).length).toBe(2);
});

test('a helper process that is gone is begun anew once, and the second time it is said', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await page.addInitScript(() => {
    const workers: Worker[] = [];
    const { Worker: Real } = window;
    Object.assign(window, {
      Worker: class extends Real {
        constructor(url: string | URL, options?: WorkerOptions) {
          super(url, options);
          if (String(url).includes('analysis')) workers.push(this);
        }
      },
      killAnalysis: () => workers.at(-1)?.terminate(),
      begunAnew: () => workers.length > 1,
    });
  });
  const kill = () =>
    page.evaluate(() => (window as unknown as { killAnalysis: () => void }).killAnalysis());
  const bench = await practised(page);
  await kill();
  await page.keyboard.press('5');
  // It is found out by its silence; then all is as before.
  await page.waitForFunction(() => (window as unknown as { begunAnew: () => boolean }).begunAnew());
  await bench.pluck(5);
  await kill();
  await expect(page.getByRole('alert')).toContainText(en('troubles.helperSilentLower'));
  await page.reload();
  await expect.poll(() => bench.plucks(5)).toBe(1);
});

test('after a bad ending the records are checked by themselves, and what was mended is said', async ({
  page,
}) => {
  await practised(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('rosefinch-demo');
        opening.onsuccess = () => {
          const change = opening.result.transaction('summaries', 'readwrite');
          const summaries = change.objectStore('summaries');
          const all = summaries.getAll();
          all.onsuccess = () => {
            for (const summary of all.result) summaries.put({ ...summary, plucks: 77 });
          };
          change.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
  );
  // A page that was closed in order has taken its mark away; this one had not.
  await page.addInitScript(() => localStorage.setItem('rosefinch-open', 'yes'));
  await page.reload();
  await expect(
    page.getByText(saying('records.notClosedInOrder', { mended: 1, left: 0 })),
  ).toBeVisible();
});

test('a browser that refuses to keep anything reads strings all the same, and says so', async ({
  page,
}) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('refused', 'SecurityError');
    };
  });
  const bench = new BenchPage(page);
  await bench.open();
  await expect(page.getByText(en('troubles.storeNone'))).toBeVisible();
  await bench.practise();
  await expect.poll(() => bench.plucks(6)).toBe(1);
});
