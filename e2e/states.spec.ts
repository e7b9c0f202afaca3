import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { LANGUAGE } from '@rosefinch/words/expected';
import { seriousFaults } from './axe.ts';
import { BenchPage } from './bench.ts';
import { cutOff, filled, goToState, SIZES, STATES, type State, small } from './states.ts';
import { expect, type Page, test } from './test.ts';

// Every state of every view, once: sizes and themes take turns. `npm run looks` opens all of them in all.
const TURNS = ['desk', 'tablet', 'lying', 'phone', 'narrow'] as const;
/** A finger needs so much, in CSS px (WCAG 2.2, 2.5.5). */
const FINGER = 44;
/** Between two counts, in ms. */
const AGAIN_MS = 500;
/** States that an address alone leads to share a page, so many at a time. */
const ON_A_PAGE = 9;

interface Faults {
  /** Wider than the window by so much, in CSS px. */
  readonly wide: number;
  /** Texts that are cut off. */
  readonly cut: number;
  /** What is too small for a finger. */
  readonly small: number;
  /** Filled buttons beside the first: a screen has one next step. */
  readonly filled: number;
}

/** The most that is wrong today, by state. A change may only lower a number, and then lowers it here. */
const KNOWN: Readonly<Record<string, Partial<Faults>>> = JSON.parse(
  readFileSync(join(import.meta.dirname, 'knownFaults.json'), 'utf8'),
);

const turnOf = (state: State) => {
  const i = STATES.indexOf(state);
  const size = TURNS[i % TURNS.length]!;
  const colorScheme: 'light' | 'dark' = i % 2 === 0 ? 'light' : 'dark';
  return { size, colorScheme, title: `${state[0]}, ${size}, ${colorScheme}` };
};

async function judge(page: Page, state: State): Promise<void> {
  const { size, colorScheme, title } = turnOf(state);
  await goToState(page, state);
  await page.setViewportSize(SIZES[size]);
  await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
  await page.locator('main h1, main .stage, main p').first().waitFor();
  // The list is of English; longer texts are looked at by `npm run looks -- longer`.
  if (LANGUAGE === 'en')
    await expect
      .configure({ soft: true })
      .poll(async () => moreThanKnown(await settledFaults(page, SIZES[size].width), title), title)
      .toEqual([]);
  expect.soft(await seriousFaults(page), title).toEqual([]);
}

async function faultsOf(page: Page, width: number): Promise<Faults> {
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  return {
    wide: Math.max(0, wide - width),
    cut: (await cutOff(page)).length,
    small: await small(page, FINGER),
    filled: Math.max(0, (await filled(page)) - 1),
  };
}

/** Lists fill up after their heading is drawn: the counts are taken once two in a row are the same. */
async function settledFaults(page: Page, width: number): Promise<Faults> {
  let before = await faultsOf(page, width);
  for (;;) {
    await page.waitForTimeout(AGAIN_MS);
    const now = await faultsOf(page, width);
    if (JSON.stringify(now) === JSON.stringify(before)) return now;
    before = now;
  }
}

/** The kinds of fault that a state has more of than the list allows, in words. */
function moreThanKnown(faults: Faults, title: string): string[] {
  const allowed: Faults = { wide: 0, cut: 0, small: 0, filled: 0, ...KNOWN[title] };
  return (['wide', 'cut', 'small', 'filled'] as const)
    .filter((kind) => faults[kind] > allowed[kind])
    .map((kind) => `${kind}: ${faults[kind]}, at most ${allowed[kind]}`);
}

const byAddress = STATES.filter(([, , go]) => typeof go === 'string');
for (let from = 0; from < byAddress.length; from += ON_A_PAGE) {
  const states = byAddress.slice(from, from + ON_A_PAGE);
  const named = states.map(([name]) => name).join(', ');
  test(`within their windows, and nothing serious for axe: ${named}`, async ({ page }) => {
    await new BenchPage(page).open();
    for (const state of states) await judge(page, state);
  });
}

for (const state of STATES.filter(([, , go]) => typeof go !== 'string'))
  test(`within its window, and nothing serious for axe: ${state[0]}`, async ({ page }) => {
    await new BenchPage(page).open();
    await judge(page, state);
  });

test('every view of the application has a state', () => {
  const app = readFileSync(join(import.meta.dirname, '../app/src/App.tsx'), 'utf8');
  const views = [...app.matchAll(/\{ path: '([^']+)'/g)].map(([, path]) => path);
  expect(views.length).toBeGreaterThan(20);
  for (const view of views) expect(STATES.map(([, of]) => of)).toContain(view);
});
