import { BenchPage } from './bench.ts';
import { expect, heardOut, storedEvents, test } from './test.ts';

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
