import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Browser, chromium } from '@playwright/test';
import { seriousFaults } from './axe.ts';
import { BenchPage } from './bench.ts';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
import { addressOf, serveDemo } from './serve.ts';
import { cutOff, goToState, SIZES, STATES } from './states.ts';
import { give, type Page } from './test.ts';

/**
 * Contact sheets of every view, and what axe says of each at every size: `npm run looks`, or `npm run looks -- bench phone` for those whose
 * names have all the words. Pictures and sheets of twelve come to lie in test-results/looks.
 */
const PORT = 5286;
const folder = join(import.meta.dirname, '../test-results/looks');
const wanted = process.argv.slice(2);

/** Views whose address alone leads there: they are also looked at with texts a third longer. */
const BY_ADDRESS = [
  ['bench', '/'],
  ['retune', '/retune?to=guitar-open-d'],
  ['settle', '/settle'],
  ['frets', '/frets'],
  ['log', '/log'],
  ['shelf', '/shelf'],
  ['instrument', '/shelf/heron'],
  ['tunings', '/tunings'],
  ['tuning', '/tunings/guitar-open-d'],
  ['ear', '/ear'],
  ['settings', '/settings'],
  ['data', '/data'],
  ['help', '/help'],
] as const;

/** The same views with texts a third longer: there must be room for other languages. */
async function longerPictures(browser: Browser): Promise<string[]> {
  const made: string[] = [];
  for (const [name, path] of BY_ADDRESS) {
    const titles = Object.keys(SIZES).map((size) => `longer ${name} ${size}`);
    const isWanted = titles.map((title) => wanted.every((word) => title.split(' ').includes(word)));
    if (!isWanted.includes(true)) continue;
    const page = await opened(browser, 'light', path);
    for (const [i, title] of titles.entries())
      if (isWanted[i]) made.push(await picture(page, title, Object.values(SIZES)[i] ?? SIZES.desk));
    await page.context().close();
  }
  return made;
}

/** Every state once a scheme, then at each size: a picture, and what is wrong there in words. */
async function pictures(browser: Browser): Promise<string[]> {
  const made: string[] = [];
  for (const scheme of ['light', 'dark'] as const)
    for (const state of STATES) {
      const [name] = state;
      const titles = Object.keys(SIZES).map((size) => `${name} ${size} ${scheme}`);
      const sizes = Object.values(SIZES);
      const isWanted = titles.map((title) =>
        wanted.every((word) => title.split(' ').includes(word)),
      );
      if (!isWanted.includes(true)) continue;
      const page = await opened(browser, scheme);
      // What fails is in the picture, and said.
      await goToState(page, state).catch((error: Error) =>
        console.log(`${name} ${scheme}: ${error.message}`),
      );
      for (const [i, title] of titles.entries())
        if (isWanted[i]) made.push(await picture(page, title, sizes[i] ?? SIZES.desk));
      await page.context().close();
    }
  return made;
}

async function opened(
  browser: Browser,
  colorScheme: 'light' | 'dark',
  longerAt?: string,
): Promise<Page> {
  const context = await browser.newContext({
    baseURL: addressOf(PORT),
    viewport: SIZES.desk,
    colorScheme,
    reducedMotion: 'reduce',
  });
  await give(context, 'fast');
  const page = await context.newPage();
  page.setDefaultTimeout(20_000);
  if (longerAt === undefined) {
    await new BenchPage(page).open();
    return page;
  }
  await page.addInitScript(() => {
    Object.assign((globalThis as unknown as { rosefinchGiven: object }).rosefinchGiven, {
      language: 'en-XA',
    });
  });
  await page.goto(longerAt);
  await page.getByText(/^OOnee moomeent/).waitFor({ state: 'hidden' });
  await page.locator('main h1, main .stage').first().waitFor();
  return page;
}

async function picture(page: Page, title: string, viewport: (typeof SIZES)[keyof typeof SIZES]) {
  await page.setViewportSize(viewport);
  await page.waitForTimeout(400);
  const file = `${title.replaceAll(' ', '-')}.png`;
  await page.screenshot({ path: join(folder, file) });
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  if (wide > viewport.width) console.log(`${title}: ${wide} px wide in ${viewport.width}`);
  for (const fault of await seriousFaults(page)) console.log(`${title}: ${fault}`);
  for (const text of await cutOff(page)) console.log(`${title}: cut off: ${text}`);
  return file;
}

/** Pictures on a sheet, each wide enough to be read. */
const ON_A_SHEET = 12;

async function sheets(browser: Browser, files: readonly string[]): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1960, height: 1800 } });
  for (let from = 0; from < files.length; from += ON_A_SHEET) {
    const shown = files.slice(from, from + ON_A_SHEET);
    const html = shown.map(
      (file) => `<figure><img src="file://${join(folder, file)}"><p>${file}</p></figure>`,
    );
    const sheet = join(folder, `sheet-${from / ON_A_SHEET + 1}`);
    writeFileSync(
      `${sheet}.html`,
      `<style>body{display:grid;grid-template-columns:repeat(3,1fr);align-content:start;gap:6px;margin:6px;font:14px sans-serif}figure,p{margin:0}img{max-width:100%;max-height:440px}</style>${html.join('')}`,
    );
    await page.goto(`file://${sheet}.html`);
    await page.screenshot({ path: `${sheet}.png` });
  }
}

const server = await serveDemo(PORT);
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const files = [...(await pictures(browser)), ...(await longerPictures(browser))];
  await sheets(browser, files);
  console.log(`${files.length} pictures in ${folder}`);
} finally {
  await browser.close();
  server.kill();
}
