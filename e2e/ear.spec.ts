import { BenchPage } from './bench.ts';
import { playedBy } from './sound.ts';
import { en, expect, feed, test } from './test.ts';

test('ear first: nothing is given away until Space compares ear and display', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('6');
  await page.keyboard.press('h');
  await bench.pluckUnseen(6);
  await expect(bench.advice).toContainText('By ear: bring string 6 to its note.');
  await expect(bench.figure).toHaveText(en('bench.hiddenFigure'));
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
  await bench.pluckUnseen(6);
  await page.keyboard.press(' ');
  const off = await bench.deviation(6);
  await expect(bench.advice).toContainText(
    `Your ear left it ${Math.abs(off).toFixed(1)} cents low.`,
  );
  await expect(bench.advice).toContainText('The last movement was upward');
  await expect(bench.string(6)).toHaveAttribute('data-active', 'true');
  // The second Space goes on.
  await page.keyboard.press(' ');
  await expect(bench.string(5)).toHaveAttribute('data-active', 'true');
});

/** Strings 18 cents low, all alike, each plucked once. */
const ALIKE = [-18, -18.3, -17.8, -18.2, -17.9, -18.1];
const plucked = (courses: readonly number[]) =>
  courses.flatMap((pluck) => [{ pluck, seconds: 1.5 }, { mute: true, seconds: 0.5 } as const]);

test.describe('by microphone', () => {
  test.use({ standIn: true });

  test('a friend’s string is heard as reference and taken', async ({ page }) => {
    const bench = new BenchPage(page);
    await bench.open();
    await page.keyboard.press('f');
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await expect(bench.advice).toContainText(/Sound the reference/);
    await feed(page, playedBy(ALIKE, plucked([5])));
    // 440 · 2^(−18/1200) is 435.4.
    await expect(page.getByRole('region', { name: en('bench.heardReference') })).toContainText(
      /A2, −1[78]\.\d cents: A4 is 435\.[345] Hz there\./,
    );
    expect(await bench.plucks(5)).toBe(0);
    await page.getByRole('button', { name: en('bench.tuneToIt') }).click();
    await expect(page.getByText(/A4 435\.[345] Hz/)).toBeVisible();
  });

  test('a set of strings that agrees with itself is told so, and can be kept', async ({ page }) => {
    const bench = new BenchPage(page);
    await bench.open();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, playedBy(ALIKE, plucked([6, 5, 4, 3, 2, 1])));
    await expect(bench.advice).toContainText('In tune with itself, 18 cents low.');
    await page.getByRole('button', { name: /^Set A4 to 435\.[345] Hz/ }).click();
    await expect(page.getByText(/A4 435\.[345] Hz/)).toBeVisible();
    expect(await bench.plucks(6)).toBe(0);
  });
});

test('advice can be bold and short', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel(en('settings.movements')).selectOption('one bold');
  await expect(page.getByLabel(en('settings.movements'))).toHaveValue('one bold');
  await page.getByLabel(en('settings.advice')).selectOption('one line');
  await expect(page.getByLabel(en('settings.advice'))).toHaveValue('short');
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await expect(bench.advice).toContainText(/Low\. In one move: tighten, away from you, /);
  await expect(bench.advice).not.toContainText('fine part');
});

test('two strings are compared by their beat', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('5');
  await page.keyboard.press('c');
  // String 5 is 9.5 cents low, string 4 is 11 high.
  await expect(bench.advice).toContainText('Sound string 5 at fret 5 and open string 4 together.');
  await page.keyboard.press('p');
  await expect(bench.advice).toContainText(
    /They beat \d\.\d times a second: about \d+ cents apart\./,
    { timeout: 10_000 },
  );
  const apart = Number(/about (\d+) cents/.exec(await bench.advice.innerText())?.[1]);
  expect(Math.abs(apart - 20.5)).toBeLessThanOrEqual(8);
  // No reading came of it.
  expect(await bench.plucks(5)).toBe(0);
  await bench.pluck(5);
  await expect(bench.advice).not.toContainText('They beat');
});
