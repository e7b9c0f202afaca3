import type { Browser, CDPSession, Page } from '@playwright/test';
import { en, give, goTo } from '../test.ts';

const VIEWS: readonly (readonly [path: string, ready: string])[] = [
  ['/', '.job[aria-busy=false]'],
  ['/shelf', '.tile'],
  ['/log', 'section.card'],
  ['/tunings', 'text=/tunings fit/'],
  ['/retune', 'label:has-text("To the tuning")'],
  ['/settle', 'h1'],
  ['/frets', 'h1'],
  ['/data', 'text=/readings? are kept/'],
  ['/shelf/heron', 'text=Save'],
];
/** Each view is opened so often; the median counts. */
const TIMES = 3;

interface Size {
  readonly instruments: number;
  readonly sittings: number;
  readonly readings: number;
}

interface Measured {
  readonly ms: number;
  readonly longestTask: number;
}

/** How long every view takes on a small and on a large shelf, and what the files take. */
export async function shelfDrill(browser: Browser, baseURL: string, size: Size): Promise<string> {
  const small = await measured(browser, baseURL, { instruments: 12, sittings: 5, readings: 50 });
  const large = await measured(browser, baseURL, size);
  const rows = VIEWS.map(([path]) => {
    const [a, b] = [small.views.get(path)!, large.views.get(path)!];
    const limit = 1.5 * a.ms + 500;
    return `    ${path.padEnd(14)} ${a.ms.toFixed(0).padStart(5)} ms → ${b.ms.toFixed(0).padStart(5)} ms (goal ${limit.toFixed(0)}), longest task ${b.longestTask.toFixed(0)} ms`;
  });
  return [
    `shelf: ${size.sittings} sittings, ${size.readings} readings, ${size.instruments} instruments; page memory ${large.heap.toFixed(0)} MB after all views (small shelf ${small.heap.toFixed(0)} MB)`,
    ...rows,
    ...large.files,
  ].join('\n');
}

async function measured(browser: Browser, baseURL: string, size: Size) {
  const context = await browser.newContext({
    baseURL,
    serviceWorkers: 'block',
    acceptDownloads: true,
  });
  await give(context, 'fast');
  const page = await context.newPage();
  await page.addInitScript(`
    globalThis.longest = 0;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) globalThis.longest = Math.max(globalThis.longest, duration);
    }).observe({ type: 'longtask', buffered: true });`);
  await page.goto('/');
  await page
    .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
    .waitFor();
  await fill(page, size);
  await page.reload();
  await page
    .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
    .waitFor();
  const views = new Map<string, Measured>();
  for (const [path, ready] of VIEWS) {
    const times: Measured[] = [];
    for (let i = 0; i < TIMES; i++) {
      await goTo(page, '/nowhere');
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.evaluate('globalThis.longest = 0');
      const began = performance.now();
      await goTo(page, path);
      await page.locator(ready).first().waitFor({ timeout: 120_000 });
      const ms = performance.now() - began;
      times.push({ ms, longestTask: await page.evaluate<number>('globalThis.longest') });
    }
    // The first opening also loads the view’s code.
    times.sort((a, b) => a.ms - b.ms);
    views.set(path, times[Math.floor(times.length / 2)]!);
  }
  const heap = await heapOf(await context.newCDPSession(page));
  const files = size.sittings > 100 ? await filesOf(page) : [];
  await context.close();
  return { views, heap, files };
}

async function heapOf(session: CDPSession): Promise<number> {
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  return usedSize / 2 ** 20;
}

/** Backup, CSV, survey and restore of all of it. */
async function filesOf(page: Page): Promise<string[]> {
  await goTo(page, '/data');
  const timed = async (name: string, work: () => Promise<string>) => {
    await page.evaluate('globalThis.longest = 0');
    const began = performance.now();
    const says = await work();
    const longest = await page.evaluate<number>('globalThis.longest');
    return `    ${name}: ${((performance.now() - began) / 1000).toFixed(1)} s, longest task of the page ${longest.toFixed(0)} ms${says}`;
  };
  const saved = async (button: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download', { timeout: 900_000 }),
      page.getByRole('button', { name: button }).click(),
    ]);
    return download.path();
  };
  let path = '';
  return [
    await timed('backup, read back', async () => {
      path = await saved('Write a backup');
      const { statSync } = await import('node:fs');
      return `, ${(statSync(path).size / 2 ** 20).toFixed(0)} MB`;
    }),
    await timed('readings as CSV', async () => {
      await saved('Readings as CSV');
      return '';
    }),
    await timed('survey of the backup', async () => {
      await page.getByLabel(en('settings.backupFile')).setInputFiles(path);
      await page
        .getByRole('button', { name: en('settings.restore'), exact: true })
        .waitFor({ timeout: 900_000 });
      return '';
    }),
    await timed('restore, with a snapshot before', async () => {
      await page.getByRole('button', { name: en('settings.restore'), exact: true }).click();
      await page.getByText(en('settings.restoredAll')).waitFor({ timeout: 900_000 });
      return '';
    }),
  ];
}

/** Invented sittings, written straight to the disk. */
async function fill(page: Page, size: Size): Promise<void> {
  await page.evaluate(`(${fillInPage})(${JSON.stringify(size)})`);
}

const fillInPage = `async ({ instruments, sittings, readings }) => {
  const open = () => new Promise((resolve, reject) => {
    const opening = indexedDB.open('rosefinch-demo');
    opening.onsuccess = () => resolve(opening.result);
    opening.onerror = () => reject(opening.error);
  });
  const done = (change) => new Promise((resolve, reject) => {
    change.oncomplete = resolve;
    change.onerror = () => reject(change.error);
    change.onabort = () => reject(change.error);
  });
  const db = await open();
  const heron = await new Promise((resolve) => {
    const get = db.transaction('instruments').objectStore('instruments').get('heron');
    get.onsuccess = () => resolve(get.result);
  });
  const names = ['heron'];
  const more = db.transaction('instruments', 'readwrite');
  for (let i = 12; i < instruments; i++) {
    names.push('made' + i);
    more.objectStore('instruments').put({ ...heron, id: 'made' + i, name: 'Guitar ' + i });
  }
  await done(more);
  const each = Math.round(readings / sittings);
  const track = (k) => Float32Array.from({ length: 60 }, (_, i) => i % 2 ? 82 + Math.sin(i + k) : i / 60);
  const partials = Array.from({ length: 12 }, (_, i) => ({ number: i + 1, hz: 82.123456 * (i + 1), errorCents: 0.21234, amplitude: 0.0123456 }));
  const full = { kind: 'reading', hz: 82.1, clarity: 0.97, errorCents: 0.4, spreadCents: 0.6, f0Hz: 82.05, firstPartialHz: 82.06, periodHz: 82.2, inharmonicity: 8e-5, moving: false, windowFrom: 0.2, windowLength: 0.6, levelDbfs: -22, partials };
  const START = Date.UTC(2024, 0);
  let number = 0;
  for (let s = 0; s < sittings; s++) {
    const change = db.transaction(['sessions', 'events', 'measurements', 'summaries'], 'readwrite');
    const table = (name) => change.objectStore(name);
    const id = 'sitting' + s;
    const startedAt = START + s * 3.6e6;
    const instrumentId = names[s % names.length];
    table('sessions').put({ id, instrumentId, tuningId: 'guitar-standard', a4: 440, tolerance: 2, source: 'practice', startedAt, zone: 'Europe/Berlin', endedAt: startedAt + 6e5 });
    const strings = heron.courses.map(({ number: course }) => ({ course, member: 1, found: null, left: null, leftHz: null, leftAt: null, plucks: 0 }));
    for (let i = 0; i < each; i++) {
      const course = 1 + i % 6;
      const cents = Math.sin(s + i) * 20;
      const at = startedAt + 1000 * i;
      const event = id + '-' + i;
      table('events').put({ id: event, sessionId: id, machine: 'm', number: number++, event: { type: 'reading', at, reading: { course, cents, errorCents: 0.4, moving: false, hz: 82.1 } } });
      table('measurements').put({ id: event, sessionId: id, reading: full, track: track(i) });
      const string = strings[course - 1];
      string.found ??= cents;
      string.left = cents;
      string.leftHz = 82.1;
      string.leftAt = at;
      string.plucks++;
    }
    table('summaries').put({ id, instrumentId, startedAt, form: 1, strings, passes: 1, passBegun: true, plucks: each, events: each, upTo: number - 1 });
    await done(change);
  }
  db.close();
}`;
