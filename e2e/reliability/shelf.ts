import { appendFileSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { Browser, CDPSession, Locator, Page } from '@playwright/test';
import { saltmarshLibrary } from '@rosefinch/core/demo';
import { type Random, seededRandom } from '@rosefinch/core/maths';
import {
  backupHead,
  backupTail,
  recordLine,
  SumsOfTables,
  TABLE_NAMES,
  type TableName,
  type Tables,
  tableFrame,
} from '@rosefinch/core/records';
import { begins, en, give, goTo, saying, wholly } from '../test.ts';

/** Every view, and what stands on it once it is there. */
const VIEWS: readonly (readonly [path: string, ready: (page: Page) => Locator])[] = [
  ['/', (page) => page.locator('.job[aria-busy=false]')],
  ['/shelf', (page) => page.getByRole('main').getByRole('listitem')],
  ['/shelf?as=table', (page) => page.getByRole('main').getByRole('row')],
  ['/log', (page) => page.getByRole('main').getByRole('heading', { level: 1 })],
  ['/log?all', (page) => page.getByText(wholly('log.sittingsFound'))],
  ['/year', (page) => page.getByRole('heading', { name: begins('log.theYear') })],
  ['/tunings', (page) => page.getByText(saying('tunings.fit'))],
  ['/retune', (page) => page.getByLabel(en('retune.toTheTuning'))],
  ['/settle', (page) => page.getByRole('heading', { level: 1 })],
  ['/frets', (page) => page.getByRole('heading', { level: 1 })],
  ['/ear', (page) => page.getByRole('region', { name: en('ear.whatToPractiseNext') })],
  ['/ear/progress', (page) => page.getByRole('heading', { level: 1 })],
  ['/data', (page) => page.getByText(saying('settings.keptHere'))],
  ['/shelf/heron', (page) => page.getByRole('button', { name: en('shelf.save') })],
];
/** Each view is opened so often; the median counts. */
const TIMES = 3;
/** A whole shelf takes minutes to be written or read, in ms. */
const LONGEST_MS = 900_000;

interface Size {
  readonly instruments: number;
  readonly sittings: number;
  readonly readings: number;
  readonly learners: number;
}

interface Measured {
  readonly ms: number;
  readonly longestTask: number;
}

/** How long every view takes on a small and on a large shelf, and what the files take. */
export async function shelfDrill(browser: Browser, baseURL: string, size: Size): Promise<string> {
  const small = await measured(browser, baseURL, {
    instruments: 12,
    sittings: 5,
    readings: 50,
    learners: 1,
  });
  const large = await measured(browser, baseURL, size);
  const rows = VIEWS.map(([path]) => {
    const [a, b] = [small.views.get(path)!, large.views.get(path)!];
    const limit = 1.5 * a.ms + 500;
    return `    ${path.padEnd(14)} ${a.ms.toFixed(0).padStart(5)} ms → ${b.ms.toFixed(0).padStart(5)} ms (goal ${limit.toFixed(0)}), longest task ${b.longestTask.toFixed(0)} ms`;
  });
  return [
    `shelf: ${size.sittings} sittings, ${size.readings} readings, ${size.instruments} instruments, ${size.learners} learners; page memory ${large.heap.toFixed(0)} MB after all views (small shelf ${small.heap.toFixed(0)} MB)`,
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
  const made = join(mkdtempSync(join(tmpdir(), 'rosefinch-shelf-')), 'shelf.json');
  writeShelf(made, size);
  const files = [await restored(page, made)];
  rmSync(dirname(made), { recursive: true });
  const views = new Map<string, Measured>();
  for (const [path, ready] of VIEWS) {
    const times: Measured[] = [];
    for (let i = 0; i < TIMES; i++) {
      await goTo(page, '/nowhere');
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.evaluate('globalThis.longest = 0');
      const began = performance.now();
      await goTo(page, path);
      await ready(page).first().waitFor({ timeout: 120_000 });
      const ms = performance.now() - began;
      times.push({ ms, longestTask: await page.evaluate<number>('globalThis.longest') });
    }
    // The first opening also loads the view’s code.
    times.sort((a, b) => a.ms - b.ms);
    views.set(path, times[Math.floor(times.length / 2)]!);
  }
  const heap = await heapOf(await context.newCDPSession(page));
  files.push(...(await filesOf(page)));
  await context.close();
  return { views, heap, files };
}

async function heapOf(session: CDPSession): Promise<number> {
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  return usedSize / 2 ** 20;
}

/** How long something takes, and the longest task of the page meanwhile. */
async function timed(page: Page, name: string, work: () => Promise<string>): Promise<string> {
  await page.evaluate('globalThis.longest = 0');
  const began = performance.now();
  const says = await work();
  const longest = await page.evaluate<number>('globalThis.longest');
  return `    ${name}: ${((performance.now() - began) / 1000).toFixed(1)} s, longest task of the page ${longest.toFixed(0)} ms${says}`;
}

/** Restores a backup as a teacher does. */
async function restored(page: Page, file: string): Promise<string> {
  await goTo(page, '/data');
  const restore = page.getByRole('button', { name: en('settings.restore'), exact: true });
  return timed(page, 'survey of a backup and its restore', async () => {
    await page.getByLabel(en('settings.backupFile')).setInputFiles(file);
    await restore.click({ timeout: LONGEST_MS });
    await page.getByText(en('settings.restoredAll')).waitFor({ timeout: LONGEST_MS });
    return '';
  });
}

/** Backup and CSV of all of it. */
async function filesOf(page: Page): Promise<string[]> {
  await goTo(page, '/data');
  const saved = async (button: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download', { timeout: LONGEST_MS }),
      page.getByRole('button', { name: button }).click(),
    ]);
    return download.path();
  };
  return [
    await timed(page, 'backup, read back', async () => {
      const path = await saved(en('settings.writeABackup'));
      return `, ${(statSync(path).size / 2 ** 20).toFixed(0)} MB`;
    }),
    await timed(page, 'readings as CSV', async () => {
      await saved(en('settings.readingsAsCSV'));
      return '';
    }),
  ];
}

/** The first session, one an hour from then on, and the seed of what was read in them. */
const START = Date.UTC(2024, 0);
const HOUR_MS = 3_600_000;
const SEED = 38;
/** About as many points as a track of a second has, and partials as a reading. */
const TRACK = 60;
const PARTIALS = 12;

/** Writes an invented shelf as a backup, by the types and the writer of the application itself. */
function writeShelf(path: string, { instruments, sittings, readings, learners }: Size): void {
  const random = seededRandom(SEED);
  const library = saltmarshLibrary();
  const heron = library.find(({ id }) => id === 'heron')!;
  const more = Array.from({ length: Math.max(0, instruments - library.length) }, (_, i) => ({
    ...heron,
    id: `made${i}`,
    name: `Made ${i}`,
  }));
  const guitars = [heron, ...more];
  const tables: { [K in TableName]?: readonly Tables[K][] } = {
    instruments: [...library, ...more],
    sessions: Array.from({ length: sittings }, (_, s) =>
      sessionOf(s, guitars[s % guitars.length]!.id),
    ),
    learners: Array.from({ length: learners }, (_, i) => ({ id: `learner${i}`, name: `L. ${i}` })),
    earRuns: Array.from({ length: learners * RUNS }, (_, i) =>
      runOf(i, `learner${i % learners}`, random),
    ),
  };
  const each = Math.round(readings / sittings);
  const many: Partial<Record<TableName, (i: number) => Tables[TableName]>> = {
    events: (i) => eventOf(i, each),
    measurements: (i) => measurementOf(i, each),
  };
  const exportedAt = new Date(START + sittings * HOUR_MS);
  const sums = new SumsOfTables();
  writeFileSync(path, backupHead(exportedAt));
  for (const name of TABLE_NAMES) {
    const { open, between, close } = tableFrame(name);
    appendFileSync(path, open);
    const count = many[name] ? each * sittings : (tables[name]?.length ?? 0);
    for (let from = 0; from < count; from += AT_ONCE) {
      const lines = Array.from({ length: Math.min(AT_ONCE, count - from) }, (_, i) =>
        recordLine(many[name]?.(from + i) ?? tables[name]![from + i]!),
      );
      for (const line of lines) sums.add(name, line);
      appendFileSync(path, (from === 0 ? '' : between) + lines.join(between));
    }
    appendFileSync(path, close);
  }
  appendFileSync(path, backupTail(exportedAt, sums.end()));
}

/** Lines that are written in one go; exercises of each learner, and questions of each of those. */
const AT_ONCE = 5000;
const RUNS = 10;
const QUESTIONS = 20;

function sessionOf(s: number, instrumentId: string): Tables['sessions'] {
  const startedAt = START + s * HOUR_MS;
  return {
    id: `sitting${s}`,
    instrumentId,
    tuningId: 'guitar-standard',
    a4: 440,
    tolerance: 2,
    source: 'microphone',
    startedAt,
    zone: 'Europe/Berlin',
    endedAt: startedAt + HOUR_MS / 6,
  };
}

const placeOf = (i: number, each: number) => {
  const session = Math.floor(i / each);
  const course = 1 + (i % 6);
  return { session, course, id: `reading${i}`, cents: 20 * Math.sin(i) };
};

function eventOf(i: number, each: number): Tables['events'] {
  const { session, course, id, cents } = placeOf(i, each);
  const at = START + session * HOUR_MS + 1000 * (i % each);
  const reading = { course, cents, errorCents: 0.4, moving: false, hz: 82.1 };
  const event = { type: 'reading', at, reading } as const;
  return { id, sessionId: `sitting${session}`, machine: 'm', number: i, event };
}

function measurementOf(i: number, each: number): Tables['measurements'] {
  const { session, id } = placeOf(i, each);
  const partials = Array.from({ length: PARTIALS }, (_, k) => ({
    number: k + 1,
    hz: 82.123456 * (k + 1),
    errorCents: 0.21234,
    amplitude: 0.0123456,
  }));
  return {
    id,
    sessionId: `sitting${session}`,
    reading: { ...READING, partials },
    track: Float32Array.from({ length: TRACK }, (_, k) =>
      k % 2 ? 82 + Math.sin(k + i) : k / TRACK,
    ),
  };
}

const READING = {
  kind: 'reading',
  hz: 82.1,
  clarity: 0.97,
  errorCents: 0.4,
  spreadCents: 0.6,
  f0Hz: 82.05,
  firstPartialHz: 82.06,
  periodHz: 82.2,
  inharmonicity: 8e-5,
  moving: false,
  windowFrom: 0.2,
  windowLength: 0.6,
  levelDbfs: -22,
} as const;

function runOf(i: number, learnerId: string, random: Random): Tables['earRuns'] {
  const startedAt = START + i * HOUR_MS;
  return {
    id: `run${i}`,
    learnerId,
    exercise: 'direction',
    startedAt,
    zone: 'Europe/Berlin',
    doneAt: startedAt + HOUR_MS / 6,
    trials: Array.from({ length: QUESTIONS }, (_, k) => ({
      at: startedAt + 10_000 * k,
      cell: 'middle pluck',
      asked: 40 * random() - 20,
      answer: random() < 0.5 ? 'higher' : 'lower',
    })),
  };
}
