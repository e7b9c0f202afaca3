import { BenchPage } from './bench.ts';
import { OWN_PORT } from './playwright.config.ts';
import { strumOf } from './sound.ts';
import { en, expect, feed, goTo, heardOut, storedEvents, test } from './test.ts';

test('one strum tells which strings are off, and puts each on record', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  const before = await storedEvents(page, 'reading');
  await page.keyboard.press('s');
  await heardOut(page);
  await expect(bench.advice).toContainText('All strings are off. Begin with string 6');
  await expect.poll(() => storedEvents(page, 'reading')).toBeGreaterThanOrEqual(before + 5);
  for (const course of [1, 2, 3, 4, 5, 6])
    await expect(bench.string(course)).toHaveAccessibleName(/cents/);
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  test('an empty shelf knows from one strum what stands there, and takes it to the bench', async ({
    page,
  }) => {
    await page.goto(`http://127.0.0.1:${OWN_PORT}/`);
    await page.getByRole('button', { name: en('bench.strumWhatIsInFront') }).click();
    const said = page.getByRole('region', { name: en('bench.whatWasStrummed') });
    await expect(said).toContainText('Strum all strings slowly');
    await feed(page, strumOf([-20, -35, -28, -31]));
    await expect(said).toContainText(
      /That sounds like a ukulele in .*, \d+ cents low on the whole/,
    );
    await said.getByRole('button', { name: /soprano/ }).click();
    const bench = new BenchPage(page);
    await page.locator('.job[aria-busy=false]').waitFor();
    await expect(page.getByRole('button', { name: /My ukulele/ })).toBeVisible();
    await feed(page, strumOf([-20, 0, 0.2, -31]));
    await expect(bench.advice).toContainText('Strings 1 and 4 are off; the rest is right.');
    // Another tuning than the one that is set is told as such.
    await page.keyboard.press('s');
    await expect(bench.advice).toContainText('Strum all 4 strings, slowly.');
    await feed(page, strumOf([-500, -500, -500, -500]));
    await expect(bench.advice).toContainText(/That sounds like Baritone/);
    // Another one comes onto the shelf in the same way, by a name that is free.
    await goTo(page, '/shelf');
    await page.getByRole('link', { name: en('shelf.strumItToKnowWhat') }).click();
    await page.getByRole('button', { name: en('bench.strumWhatIsInFront') }).click();
    await feed(page, strumOf([10, 0, 4, 8]));
    await said.getByRole('button', { name: /concert/ }).click();
    await expect(page.getByRole('button', { name: /Ukulele 1/ })).toBeVisible();
  });
});
