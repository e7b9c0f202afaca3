import { seriousFaults } from './axe.ts';
import { en, expect, saying, test } from './test.ts';

test('each view’s “?” leads to the page that is about it, and from there to the practice instrument', async ({
  page,
}) => {
  await page.goto('/settle');
  await page.getByRole('heading', { level: 1 }).waitFor();
  const guide = page.getByRole('link', { name: en('common.guide'), exact: true });
  await guide.click();
  await expect(page.getByRole('heading', { name: en('guide.newStrings.title') })).toBeVisible();
  await expect(page.getByRole('article')).toContainText(saying('guide.newStrings.2'));
  expect(await seriousFaults(page)).toEqual([]);
  await page
    .getByRole('navigation', { name: en('help.pagesOfTheGuide') })
    .getByText(en('help.allPages'))
    .click();
  await expect(page.getByRole('listitem')).toHaveCount(20);
  await page.getByLabel(en('help.searchTheGuide')).fill(en('guide.fromBelow.title'));
  await expect(page.getByRole('status')).toHaveText(en('help.pages', { pages: 1 }));
  await page.getByRole('link', { name: en('guide.fromBelow.title') }).click();
  await page.getByRole('link', { name: en('help.tryItOnThePractice') }).click();
  await expect(page.getByRole('region', { name: en('common.stringInHand') })).toContainText(/\d/);
});

test('every page has a drawing, a line of what it shows, and a place that is there', async ({
  page,
}) => {
  await page.goto('/help');
  const all = page.getByRole('listitem').getByRole('link');
  await expect(all).toHaveCount(20);
  const links = await all.all();
  const paths = await Promise.all(links.map((link) => link.getAttribute('href')));
  for (const path of paths) {
    await page.goto(path ?? '');
    const figure = page.getByRole('article').locator('figure').first();
    await expect(figure.locator('svg, canvas').first()).toBeVisible();
    await expect(figure.locator('figcaption').last()).not.toBeEmpty();
    const to = await page
      .getByRole('link', { name: en('help.tryItOnThePractice') })
      .getAttribute('href');
    expect(to).toMatch(/^\/(\?listen=practice|retune|settle|frets|log|shelf|ear|tunings)/);
  }
});

test('on a phone the guide is there too, and nothing runs out of the side', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/frets');
  await page.getByRole('link', { name: en('common.guide'), exact: true }).click();
  await page.getByRole('heading', { name: en('guide.frets.title') }).waitFor();
  for (const path of ['/help', '/help/pure', '/help/one-string', '/help/another-tuning']) {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth),
      path,
    ).toBeLessThanOrEqual(390);
  }
});
