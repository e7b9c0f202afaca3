import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Browser, chromium } from '@playwright/test';
import { seriousFaults } from './axe.ts';
import { BenchPage } from './bench.ts';
import { FretsPage } from './frets.ts';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
import { addressOf, serveDemo } from './serve.ts';
import { SettlePage } from './settle.ts';
import { en, give, goTo, type Page } from './test.ts';

/**
 * Contact sheets of every view, and what axe says of each at every size: `npm run looks`, or `npm run looks -- bench phone` for those whose
 * names have all the words. Pictures and sheets of twelve come to lie in test-results/looks.
 */
const PORT = 5286;
const folder = join(import.meta.dirname, '../test-results/looks');
const wanted = process.argv.slice(2);

const SIZES = {
  desk: { width: 1280, height: 800 },
  large: { width: 1920, height: 1080 },
  low: { width: 1024, height: 600 },
  phone: { width: 390, height: 844 },
  /** What is left of 1280 × 800 at 200 %, and of 1280 × 1024 at 400 % (WCAG 2.2, 1.4.10). */
  twice: { width: 640, height: 400 },
  fourfold: { width: 320, height: 256 },
} as const;

/** A view in a state, and the way there; it begins on the bench of the demo. */
const STATES: readonly (readonly [name: string, go: (page: Page) => Promise<unknown>])[] = [
  ['bench empty', async () => {}],
  ['bench in the middle', middle],
  ['bench afar', async (page) => middle(page).then(() => page.keyboard.press('z'))],
  ['bench by ear', async (page) => middle(page).then(() => page.keyboard.press('h'))],
  [
    'bench error',
    async (page) => page.getByRole('button', { name: en('common.microphone') }).click(),
  ],
  ['more', async (page) => page.getByRole('button', { name: /^More/ }).click()],
  ['retune', async (page) => goTo(page, '/retune?to=guitar-open-d')],
  ['retune caution', async (page) => goTo(page, '/retune?to=guitar-new-standard')],
  ['settle start', async (page) => new SettlePage(page).open()],
  ['settle middle', settling],
  ['settle stand', async (page) => settling(page).then(() => page.keyboard.press('v'))],
  ['frets start', async (page) => new FretsPage(page).open('Linnet')],
  ['frets middle', async (page) => fretting(page, 8)],
  ['frets result', async (page) => fretting(page, 14).then(() => new FretsPage(page).comesTo())],
  ['log', async (page) => middle(page).then(() => goTo(page, '/log'))],
  ['shelf', async (page) => goTo(page, '/shelf')],
  ['instrument', async (page) => middle(page).then(() => goTo(page, '/shelf/heron'))],
  ['tunings', async (page) => goTo(page, '/tunings')],
  ['tuning', async (page) => goTo(page, '/tunings/guitar-open-d')],
  ['ear', async (page) => goTo(page, '/ear')],
  ['settings', async (page) => goTo(page, '/settings')],
  ['data', async (page) => goTo(page, '/data')],
];

async function middle(page: Page): Promise<void> {
  const bench = new BenchPage(page);
  await bench.practise();
  await page.keyboard.press('6');
  await bench.bringToPitch(6);
  await page.keyboard.press('3');
  await bench.pluck(3);
}

async function settling(page: Page): Promise<void> {
  const settle = new SettlePage(page);
  await settle.open();
  await settle.begin();
  await settle.practise();
  await settle.obeyAll();
}

async function fretting(page: Page, notes: number): Promise<void> {
  const frets = new FretsPage(page);
  await frets.open('Linnet');
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  for (let k = 0; k < notes; k++) await frets.sound();
}

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

/** What is cut off at its side: text that its own box has no room for. */
function clipped(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('body *')]
      .filter((element) => {
        const { overflowX, display } = getComputedStyle(element);
        const own = [...element.childNodes].some(
          (node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim() !== '',
        );
        return (
          own &&
          display !== 'inline' &&
          element.getClientRects().length > 0 &&
          element.clientWidth > 1 &&
          /hidden|clip/.test(overflowX) &&
          element.scrollWidth > element.clientWidth + 1
        );
      })
      .map(({ textContent }) => textContent?.trim().slice(0, 60) ?? ''),
  );
}

/** Every state once a scheme, then at each size: a picture, and what is wrong there in words. */
async function pictures(browser: Browser): Promise<string[]> {
  const made: string[] = [];
  for (const scheme of ['light', 'dark'] as const)
    for (const [name, go] of STATES) {
      const titles = Object.keys(SIZES).map((size) => `${name} ${size} ${scheme}`);
      const sizes = Object.values(SIZES);
      const isWanted = titles.map((title) =>
        wanted.every((word) => title.split(' ').includes(word)),
      );
      if (!isWanted.includes(true)) continue;
      const page = await opened(browser, scheme);
      // What fails is in the picture, and said.
      await go(page).catch((error: Error) => console.log(`${name} ${scheme}: ${error.message}`));
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
  for (const text of await clipped(page)) console.log(`${title}: cut off: ${text}`);
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
