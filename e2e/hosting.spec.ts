import { appendFileSync, cpSync, mkdtempSync, readFileSync, statSync } from 'node:fs';
import { createServer, type Server } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';
import { chromium } from '@playwright/test';
import { message } from '@rosefinch/core/message';
import { generate } from 'selfsigned';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
import {
  type BrowserContext,
  begins,
  en,
  expect,
  give,
  giveLanguage,
  type Page,
  saying,
  test,
} from './test.ts';

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.json': 'application/json',
  '.webmanifest': 'application/manifest+json',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.woff2': 'font/woff2',
};

/** The policy that docs/hosting.md has. */
const POLICY = /Content-Security-Policy "([^"]+)"/.exec(
  readFileSync(join(import.meta.dirname, '../docs/hosting.md'), 'utf8'),
)?.[1];

/** A server that knows files and nothing else: folders below their paths, by HTTPS with a certificate of its own. */
async function serveFiles(folders: Readonly<Record<string, string>>): Promise<Server> {
  const { private: key, cert } = await generate([{ name: 'commonName', value: 'localhost' }]);
  const server = createServer({ key, cert }, (request, response) => {
    const { pathname } = new URL(request.url ?? '/', 'https://localhost');
    const path = Object.keys(folders).find((one) => pathname.startsWith(one));
    const rest = path ? pathname.slice(path.length) || 'index.html' : '';
    const file = path ? join(folders[path] as string, rest) : '';
    try {
      if (!statSync(file).isFile()) throw new Error('no file');
      response.setHeader('Content-Type', TYPES[extname(file)] ?? 'application/octet-stream');
      response.setHeader('Content-Security-Policy', POLICY ?? "default-src 'none'");
      response.setHeader('Cache-Control', 'no-cache');
      response.end(readFileSync(file));
    } catch {
      response.writeHead(404).end('Not found');
    }
  }).listen(0, 'localhost');
  await new Promise((resolve) => server.once('listening', resolve));
  return server;
}

function copyOfBuild(): string {
  const built = mkdtempSync(join(tmpdir(), 'rosefinch-hosted-'));
  cpSync(join(import.meta.dirname, '../app/dist'), built, { recursive: true });
  return built;
}

interface Hosted {
  readonly origin: string;
  readonly page: Page;
  readonly context: BrowserContext;
  readonly folders: readonly [string, string];
}

/** Two copies at one address, in a browser that takes the certificate. */
async function hosted(use: (site: Hosted) => Promise<void>): Promise<void> {
  const folders = [copyOfBuild(), copyOfBuild()] as const;
  const server = await serveFiles({ '/rosefinch/': folders[0], '/other/copy/': folders[1] });
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [...CHROMIUM_ARGS, '--ignore-certificate-errors'],
  });
  const context = await browser.newContext({ ignoreHTTPSErrors: true, locale: 'en-GB' });
  await giveLanguage(context);
  await give(context, 'fast');
  try {
    const origin = `https://localhost:${(server.address() as AddressInfo).port}`;
    await use({ origin, context, page: await context.newPage(), folders });
  } finally {
    await browser.close();
    server.close();
    server.closeAllConnections();
  }
}

test.use({ serviceWorkers: 'allow' });

const scopeOf = (page: Page) =>
  page.evaluate(async () => (await navigator.serviceWorker.ready).scope);

/** Takes a practice ukulele in hand on an empty shelf, and hears it. */
async function begin(page: Page): Promise<void> {
  await page.getByRole('radio', { name: en('shelf.model.ukuleleConcert') }).click();
  await page
    .getByRole('button', {
      name: en('bench.tryItWithAPractice', { kind: message('common.kind', { kind: 'ukulele' }) }),
    })
    .click();
  await expect(page.getByRole('region', { name: en('common.stringInHand') })).toContainText(
    /[+−]\d/,
  );
}

test('a folder on any server, below any path, by HTTPS: it reads, finds its views, is kept for offline use', async () => {
  await hosted(async ({ origin, page, context }) => {
    const beyond: string[] = [];
    context.on('request', (request) => {
      if (!request.url().startsWith(`${origin}/rosefinch/`) && !request.url().startsWith('blob:'))
        beyond.push(request.url());
    });
    await page.goto(`${origin}/rosefinch/`);
    await page.getByText(en('bench.whatItDoes')).waitFor();
    expect(await page.evaluate(() => isSecureContext)).toBe(true);
    await begin(page);
    // Views stand behind a #, and hold through a reload.
    await page.getByRole('link', { name: en('views.tunings'), exact: true }).click();
    await expect(page).toHaveURL(`${origin}/rosefinch/#/tunings`);
    await page
      .getByRole('link', { name: begins('names.ukuleleLowG') })
      .first()
      .click();
    await page.getByRole('heading', { name: en('names.ukuleleLowG') }).waitFor();
    await page.reload();
    await page.getByRole('heading', { name: en('names.ukuleleLowG') }).waitFor();
    // A link that is handed on leads back here.
    await page.getByRole('button', { name: en('tunings.handItOn') }).click();
    const link = await page.getByLabel(en('parts.link'), { exact: true }).inputValue();
    expect(link).toContain(`${origin}/rosefinch/#/open#v1.`);
    await page.goto('about:blank');
    await page.goto(link);
    await expect(page.getByRole('heading', { name: en('names.ukuleleLowG') })).toBeVisible();
    await page.goto(`${origin}/rosefinch/#/data`);
    const form = await page
      .getByRole('link', { name: saying('settings.itsFormAsJSONSchema') })
      .getAttribute('href');
    expect(form).toBe('/rosefinch/backup.schema.json');
    expect(await scopeOf(page)).toBe(`${origin}/rosefinch/`);
    expect(beyond).toEqual([]);
    // Offline it opens from what was kept.
    await page.reload();
    await context.setOffline(true);
    await page.reload();
    await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
    await expect(
      page.getByRole('heading', {
        name: en('bench.benchName', { name: en('bench.myInstrument', { kind: 'ukulele' }) }),
      }),
    ).toBeVisible();
  });
});

test('two copies at one address do not meet: records, locks and what is kept for offline use are each its own', async () => {
  await hosted(async ({ origin, page, context }) => {
    await page.goto(`${origin}/rosefinch/`);
    await begin(page);
    const other = await context.newPage();
    await other.goto(`${origin}/other/copy/`);
    // An empty shelf: the first copy's is not seen. And it listens while the first one does.
    await begin(other);
    expect(await scopeOf(other)).toBe(`${origin}/other/copy/`);
    const names = await other.evaluate(async () =>
      (await indexedDB.databases()).map(({ name }) => name ?? '').sort(),
    );
    expect(names).toContain('rosefinch /rosefinch/');
    expect(names).toContain('rosefinch /other/copy/');
  });
});

test('a hosted copy is brought up to date when it is asked for', async () => {
  await hosted(async ({ origin, page, folders: [built] }) => {
    await page.goto(`${origin}/rosefinch/`);
    await page.getByText(en('bench.whatItDoes')).waitFor();
    expect(await scopeOf(page)).toBe(`${origin}/rosefinch/`);
    await page.reload();
    await page.getByText(en('bench.whatItDoes')).waitFor();
    await expect
      .poll(() => page.evaluate(() => Boolean(navigator.serviceWorker.controller)))
      .toBe(true);
    appendFileSync(join(built, 'sw.js'), '\n// a newer version\n');
    await page.evaluate(() => Object.assign(window, { samePage: true }));
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
    await expect(page.getByRole('alert')).toContainText(en('troubles.updateReady'));
    await page.getByRole('button', { name: en('common.updateNow') }).click();
    await expect
      .poll(() => page.evaluate(() => 'samePage' in window).catch(() => true))
      .toBe(false);
  });
});
