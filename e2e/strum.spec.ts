import { list } from '@rosefinch/core/message';
import { BenchPage } from './bench.ts';
import { OWN_PORT } from './playwright.config.ts';
import { strumOf } from './sound.ts';
import { en, expect, feed, goTo, heardOut, saying, storedEvents, test } from './test.ts';

test('one strum tells which strings are off, and puts each on record', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  const before = await storedEvents(page, 'reading');
  await page.keyboard.press('s');
  await heardOut(page);
  await expect(bench.advice).toContainText(en('advice.allOff'));
  await expect.poll(() => storedEvents(page, 'reading')).toBeGreaterThanOrEqual(before + 5);
  for (const course of [1, 2, 3, 4, 5, 6])
    await expect(bench.string(course)).toHaveAccessibleName(/: [+−±]?\d/);
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  test('an empty shelf knows from one strum what stands there, and takes it to the bench', async ({
    page,
  }) => {
    await page.goto(`http://127.0.0.1:${OWN_PORT}/`);
    await page.getByRole('button', { name: en('bench.strumWhatIsInFront') }).click();
    const said = page.getByRole('region', { name: en('bench.whatWasStrummed') });
    await expect(said).toContainText(saying('bench.strum'));
    await feed(page, strumOf([-20, -35, -28, -31]));
    await expect(said).toContainText(saying('advice.soundsLikeOff', { side: 'low' }));
    await said.getByRole('button', { name: saying('shelf.model.ukuleleSoprano') }).click();
    const bench = new BenchPage(page);
    await page.locator('.job[aria-busy=false]').waitFor();
    await expect(
      page.getByRole('button', { name: saying('bench.myInstrument', { kind: 'ukulele' }) }),
    ).toBeVisible();
    await feed(page, strumOf([-20, 0, 0.2, -31]));
    await expect(bench.advice).toContainText(
      en('advice.someOff', { count: 2, strings: list([1, 4], 'and') }),
    );
    // Another tuning than the one that is set is told as such.
    await page.keyboard.press('s');
    await expect(bench.advice).toContainText(en('bench.strumAll', { strings: 4 }));
    await feed(page, strumOf([-500, -500, -500, -500]));
    await expect(bench.advice).toContainText(saying('advice.soundsLike'));
    // Another one comes onto the shelf in the same way, by a name that is free.
    await goTo(page, '/shelf');
    await page.getByRole('link', { name: en('shelf.strumItToKnowWhat') }).click();
    await page.getByRole('button', { name: en('bench.strumWhatIsInFront') }).click();
    await feed(page, strumOf([10, 0, 4, 8]));
    await said.getByRole('button', { name: saying('shelf.model.ukuleleConcert') }).click();
    await expect(
      page.getByRole('button', {
        name: saying('bench.numberedInstrument', { kind: 'ukulele', number: 1 }),
      }),
    ).toBeVisible();
  });
});
