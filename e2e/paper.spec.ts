import { seriousFaults } from './axe.ts';
import { printed } from './printed.ts';
import { begins, en, expect, type Page, same, test } from './test.ts';

/** What does not fit its card, by the card's first words. */
const clipped = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('article')].flatMap((card) => {
      const edge = card.getBoundingClientRect();
      const beyond = [...card.querySelectorAll('*')].some((one) => {
        const { right, bottom, width } = one.getBoundingClientRect();
        return width > 0 && (right > edge.right + 0.5 || bottom > edge.bottom + 0.5);
      });
      // Halves that lie over each other fit as little as what is cut off.
      const [first, second] = [...card.querySelectorAll(':scope > div')].map((half) => {
        const last = half.lastElementChild?.getBoundingClientRect();
        return { bottom: last?.bottom ?? 0, top: half.getBoundingClientRect().top };
      });
      const over = first && second && second.top > edge.top + 40 && first.bottom > second.top + 1;
      return beyond || over ? [`${card.textContent?.slice(0, 30)} ${beyond} ${over}`] : [];
    }),
  );

async function open(page: Page, query: string): Promise<void> {
  await page.goto(`/paper?${query}`);
  await page.getByRole('article').first().waitFor();
}

const SIZES = ['a6', 'a5', 'index', 'a4', 'letter'];
const TUNINGS = [
  'guitar-open-d',
  'guitar-standard-strings-twelve',
  'guitar-eight-standard',
  'ukulele-standard',
];

/** What is shown fits a card of every size. */
async function fits(page: Page, what: string): Promise<void> {
  const size = page.getByRole('combobox', { name: en('paper.card'), exact: true });
  for (const one of SIZES) {
    await size.selectOption(one);
    await expect(page).toHaveURL(new RegExp(`size=${one}`));
    expect(await clipped(page), `${what} on ${one}`).toEqual([]);
  }
}

test('a pupil’s card fits every paper, nothing clipped, as many strings as it may have', async ({
  page,
}) => {
  for (const tuning of TUNINGS) {
    await open(page, `tuning=${tuning}&tension=yes`);
    await fits(page, tuning);
  }
  expect(await seriousFaults(page)).toEqual([]);
  // What does not fit is seen: letters twice as large.
  await page.addStyleTag({ content: 'article { font-size: 14mm !important }' });
  expect(await clipped(page)).not.toEqual([]);
});

test('cards print true to size, with the notes, the pegs, the checks and the sentence to remember it by', async ({
  page,
}) => {
  await page.goto('/tunings/guitar-open-d');
  await page.getByLabel(en('tunings.rememberItBy')).fill('Dear Aunt Dora fries apricots daily');
  await page.keyboard.press('Tab');
  await page.getByText(en('tunings.keptItIsPrintedOn')).waitFor();
  await page.getByRole('link', { name: en('tunings.cardsToPrint') }).click();
  await page.getByRole('combobox', { name: en('paper.card') }).selectOption('a6');
  await expect(page.getByRole('article')).toContainText('Dear Aunt Dora');
  const card = await printed(page);
  expect(card.pages).toBe(1);
  expect(card.widthMm).toBeCloseTo(105, 0);
  for (const words of [
    en('names.guitarOpenD'),
    'Dear Aunt Dora',
    `↑ ${en('common.direction', { way: 'away' })}`,
    same(4, 4, 3),
  ])
    expect(card.text).toContain(words);
  expect(card.text).not.toContain(en('paper.paperInThePrinter'));
});

test('a class set is many cards a page, each with its instrument’s name', async ({ page }) => {
  await open(page, 'card=class&size=a6');
  expect(await clipped(page)).toEqual([]);
  await expect(page.getByRole('article')).toHaveCount(12);
  await expect(page.getByRole('article').filter({ hasText: 'Heron' })).toHaveCount(1);
  const set = await printed(page);
  expect(set.pages).toBe(3);
  expect(set.widthMm).toBeCloseTo(210, 0);
});

test('a pocket card takes four tunings, and a map leads from one to the next', async ({ page }) => {
  for (const card of ['card=pocket&tuning=guitar-standard', 'card=pegs']) {
    await open(page, card);
    await fits(page, card);
  }
  await open(page, 'card=pocket&tuning=guitar-standard');
  await expect(page.getByRole('article').getByRole('list')).toHaveCount(4);
  await open(page, 'card=map&tuning=guitar-standard&size=a4');
  expect(await clipped(page)).toEqual([]);
  await page.goto('/tunings/guitar-standard');
  const near = page.getByRole('region', { name: en('parts.tuningsNearBy') });
  await near.getByRole('link', { name: begins('names.guitarDropD') }).click();
  await expect(
    page.getByRole('heading', { name: en('names.guitarDropD'), exact: true }),
  ).toBeVisible();
});

test.describe('where paper is of inches', () => {
  test.use({ locale: 'en-US' });
  test('a card is an index card, and a class set goes on Letter', async ({ page }) => {
    await open(page, 'tuning=ukulele-standard');
    expect((await printed(page)).widthMm).toBeCloseTo(127, 0);
    await open(page, 'card=class');
    expect((await printed(page)).widthMm).toBeCloseTo(216, 0);
  });
});
