import { BenchPage } from './bench.ts';
import { FretsPage } from './frets.ts';
import { SettlePage } from './settle.ts';
import { sixPlucksFile } from './sound.ts';
import { begins, en, goTo, type Page, recording, saying, take } from './test.ts';

/** Windows that views are looked at in, in CSS pixels. */
export const SIZES = {
  desk: { width: 1280, height: 800 },
  tablet: { width: 768, height: 1024 },
  lying: { width: 844, height: 390 },
  phone: { width: 390, height: 844 },
  narrow: { width: 320, height: 568 },
  large: { width: 1920, height: 1080 },
  low: { width: 1024, height: 600 },
  /** What is left of 1280 × 800 at 200 %, and of 1280 × 1024 at 400 % (WCAG 2.2, 1.4.10). */
  twice: { width: 640, height: 400 },
  fourfold: { width: 320, height: 256 },
} as const;

type Go = (page: Page) => Promise<unknown>;

/** A view in a state: what it is called, where it stands in `VIEWS`, and its address, or the way there from the bench. */
export type State = readonly [name: string, view: string, go: Go | string];

/** Goes to a state from the bench of the demo. */
export async function goToState(page: Page, [, , go]: State): Promise<void> {
  await (typeof go === 'string' ? goTo(page, go) : go(page));
}

/** Every view, at its beginning, busy, with an error, under a dialog, at its end. */
export const STATES: readonly State[] = [
  ['bench empty', '/', async () => {}],
  ['bench busy', '/', middle],
  ['bench afar', '/', (page) => middle(page).then(() => page.keyboard.press('z'))],
  ['bench by ear', '/', (page) => middle(page).then(() => page.keyboard.press('h'))],
  [
    'bench error',
    '/',
    (page) => page.getByRole('button', { name: en('common.microphone') }).click(),
  ],
  ['more', '/', (page) => page.getByRole('button', { name: begins('common.more') }).click()],
  ['finder', '/', (page) => page.keyboard.press('/')],
  ['retune', '/retune', '/retune?to=guitar-open-d'],
  ['retune caution', '/retune', '/retune?to=guitar-new-standard'],
  ['settle start', '/settle', (page) => new SettlePage(page).open()],
  ['settle busy', '/settle', settling],
  ['settle standing', '/settle', (page) => settling(page).then(() => page.keyboard.press('v'))],
  ['frets start', '/frets', (page) => new FretsPage(page).open('Linnet')],
  ['frets busy', '/frets', (page) => fretting(page, 4)],
  [
    'frets result',
    '/frets',
    (page) => fretting(page, 14).then(() => new FretsPage(page).comesTo()),
  ],
  ['log empty', '/log', '/log?all'],
  ['log', '/log', (page) => middle(page).then(() => goTo(page, '/log'))],
  ['log of all', '/log', (page) => middle(page).then(() => goTo(page, '/log?all'))],
  ['shelf', '/shelf', '/shelf'],
  ['shelf as a table', '/shelf', '/shelf?as=table'],
  ['round to begin', '/shelf', round],
  ['instrument', '/shelf/:instrument', '/shelf/lapwing'],
  ['labels', '/labels', '/labels'],
  ['round', '/rounds/:id', '/rounds/none'],
  ['year', '/year', '/year'],
  ['tunings', '/tunings', '/tunings'],
  ['tuning', '/tunings/:tuning', '/tunings/banjo-open-g'],
  ['new tuning', '/tunings/new', '/tunings/new?from=guitar-open-d'],
  ['no tuning to change', '/tunings/:tuning/edit', '/tunings/none/edit'],
  ['paper', '/paper', '/paper?card=class&size=a6'],
  ['ear', '/ear', '/ear'],
  ['ear progress', '/ear/progress', '/ear/progress'],
  ['ear exercise', '/ear/:exercise', '/ear/direction'],
  ['ear matching', '/ear/:exercise', '/ear/match'],
  ['settings', '/settings', '/settings'],
  ['data', '/data', '/data'],
  ['link', '/open', '/open'],
  ['guide', '/help', '/help'],
  ['guide of a view', '/help/for/*', '/help/for/frets'],
  ['page of the guide', '/help/:page', '/help/from-below'],
  ['recording', '/recordings/:id', recorded],
  ['no such page', '*', '/nowhere'],
];

async function middle(page: Page): Promise<void> {
  const bench = new BenchPage(page);
  await bench.practise();
  await page.keyboard.press('6');
  await bench.pluck(6);
  await page.keyboard.press('3');
  await bench.pluck(3);
}

async function settling(page: Page): Promise<void> {
  const settle = new SettlePage(page);
  await settle.open();
  await settle.begin();
  await settle.practise();
  await settle.obey();
}

async function fretting(page: Page, notes: number): Promise<void> {
  const frets = new FretsPage(page);
  await frets.open('Linnet');
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  for (let k = 0; k < notes; k++) await frets.sound();
}

async function round(page: Page): Promise<void> {
  await take(page, 'Linnet');
  await goTo(page, '/shelf');
  await page.getByRole('button', { name: begins('shelf.beginARound') }).click();
  await page.getByRole('dialog').waitFor();
}

async function recorded(page: Page): Promise<void> {
  await recording(page, sixPlucksFile().file);
  await page.waitForURL(/\/recordings\//);
  await page.getByText(saying('recording.partialsFacts')).waitFor();
}

/** Text that its own box has no room for at the side. */
export function cutOff(page: Page): Promise<string[]> {
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

/** Buttons that are filled: each says that it is what to do next. Behind a dialog none counts. */
export function filled(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      [
        ...(document.querySelector('[role=dialog]') ?? document).querySelectorAll<HTMLElement>(
          '.action[data-main=true]:not(:disabled), .mantine-Button-root[data-variant=filled]:not(:disabled), .mantine-Button-root:not([data-variant]):not(:disabled)',
        ),
      ].filter((element) => element.getClientRects().length > 0).length,
  );
}

/** How many of what can be touched are smaller than a finger needs, in CSS px; links inside a text are left out. */
export function small(page: Page, least: number): Promise<number> {
  return page.evaluate(
    (side) =>
      [
        ...document.querySelectorAll<HTMLElement>(
          'a[href], button, input:not([type=file]), select, textarea, summary, [role=button], [role=switch]',
        ),
      ].filter((element) => {
        // What has a label is found by that too.
        const label = (element as HTMLInputElement).labels?.[0];
        const { width, height } = [element, ...(label ? [label] : [])]
          .map((one) => one.getBoundingClientRect())
          .reduce((a, b) => (a.height >= b.height ? a : b));
        const { display, visibility } = getComputedStyle(element);
        const inText = element.tagName === 'A' && display === 'inline';
        return (
          !inText && visibility === 'visible' && width > 1 && Math.min(width, height) < side - 0.5
        );
      }).length,
    least,
  );
}
