import { BenchPage } from './bench.ts';
import { en, expect, type Page, test } from './test.ts';

const more = (page: Page, times: number, key: string) =>
  Array.from({ length: times }).reduce<Promise<void>>(
    (before) => before.then(() => page.keyboard.press(key)),
    Promise.resolve(),
  );

test('the peg test leads from peg to peg, stores what it finds, and turns become advice', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  // Before any turn was measured the advice is a guess.
  await expect(bench.advice).toContainText('at a guess');
  await page.keyboard.press('g');
  await expect(bench.advice).toContainText('Pluck string 6.');
  await bench.pluck(6);
  await expect(bench.advice).toContainText(
    'Turn its button an eighth of a turn towards you, then pluck.',
  );
  // Two twentieths and five hairs are an eighth.
  const eighth = async (key: string) => {
    await more(page, 2, `Shift+${key}`);
    await more(page, 5, key);
    await bench.pluck(6);
  };
  await eighth('ArrowDown');
  await expect(bench.advice).toContainText(/^Down \d+ cents, as thought\. Once more an eighth/);
  await eighth('ArrowDown');
  await expect(bench.advice).toContainText('Now back: an eighth of a turn away from you');
  await eighth('ArrowUp');
  await expect(bench.advice).toContainText(/String 6: \d+ cents a turn, within 1\d %/);
  await expect(bench.advice).toContainText('Now pluck string 5.');
  await bench.pluck(5);
  await bench.pluck(5);
  await expect(bench.advice).toContainText('It did not move. Trace the string to its peg');
  await page.keyboard.press(' ');
  await expect(bench.advice).toContainText('Pluck string 4.');
  // A peg that works the other way: the practice hand tightens where it was told to loosen.
  await bench.pluck(4);
  await more(page, 2, 'Shift+ArrowUp');
  await bench.pluck(4);
  await expect(bench.advice).toContainText('turn it back. String 4 tightens towards you.');
  await page.keyboard.press('g');

  await page.goto('/shelf/heron');
  await page.getByText(en('shelf.stringsInDetail')).click();
  const row = (course: number) =>
    page.getByRole('row', { name: new RegExp(`^${course} `) }).first();
  await expect(row(6)).toContainText(/tried, figures good to 1\d %/);
  await expect(page.getByLabel('Tighten string 4')).toHaveValue('towards you');
  await expect(row(5)).toContainText(en('shelf.pegNotTried'));
  await page.goto('/');
  await bench.practise();
  await page.keyboard.press('6');
  await bench.pluck(6);
  await expect(bench.advice).not.toContainText('at a guess');
});
