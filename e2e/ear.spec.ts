import { message } from '@rosefinch/core/message';
import { BenchPage } from './bench.ts';
import { playedBy } from './sound.ts';
import { begins, either, en, expect, feed, saying, test, told } from './test.ts';

/** The reference that is fed lies at 435.3 to 435.5 Hz for A4. */
const A4_FOUND = either(...['435.3', '435.4', '435.5'].map((a4) => saying('common.a4', { a4 })));

test('ear first: nothing is given away until Space compares ear and display', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('6');
  await page.keyboard.press('h');
  await bench.pluckUnseen(6);
  await expect(bench.advice).toContainText(en('advice.byEar', { string: 6 }));
  await expect(bench.figure).toHaveText(en('bench.hiddenFigure'));
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
  await bench.pluckUnseen(6);
  await page.keyboard.press(' ');
  const off = await bench.deviation(6);
  await expect(bench.advice).toContainText(
    en('advice.earLeft', { side: 'low', cents: Math.abs(off) }),
  );
  await expect(bench.advice).toContainText(saying('advice.earMovement', { movement: 'up' }));
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
    await expect(bench.advice).toContainText(saying('bench.reference'));
    await feed(page, playedBy(ALIKE, plucked([5])));
    // 440 · 2^(−18/1200) is 435.4.
    await expect(page.getByRole('region', { name: en('bench.heardReference') })).toContainText(
      saying('bench.midiCentsCentsA4Is', { midi: 'A2', a4: '435.3' }),
    );
    expect(await bench.plucks(5)).toBe(0);
    await page.getByRole('button', { name: en('bench.tuneToIt') }).click();
    await expect(page.getByText(A4_FOUND)).toBeVisible();
  });

  test('a set of strings that agrees with itself is told so, and can be kept', async ({ page }) => {
    const bench = new BenchPage(page);
    await bench.open();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, playedBy(ALIKE, plucked([6, 5, 4, 3, 2, 1])));
    await expect(bench.advice).toContainText(
      en('advice.withItself', { side: 'low', cents: 18.020499442626637 }),
    );
    await page.getByRole('button', { name: begins('bench.setA4ToA4Hz') }).click();
    await expect(page.getByText(A4_FOUND)).toBeVisible();
    expect(await bench.plucks(6)).toBe(0);
  });
});

test('advice can be bold and short', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel(en('settings.movements')).selectOption('oneBold');
  await expect(page.getByLabel(en('settings.movements'))).toHaveValue('oneBold');
  await page.getByLabel(en('settings.advice')).selectOption('short');
  await expect(page.getByLabel(en('settings.advice'))).toHaveValue('short');
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await expect(bench.advice).toContainText(
    saying('bench.turnBold', { side: 'low', way: message('common.direction', { way: 'away' }) }),
  );
  await expect(bench.advice).not.toContainText(en('bench.turnBold.more'));
});

test('two strings are compared by their beat', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('5');
  await page.keyboard.press('c');
  // String 5 is 9.5 cents low, string 4 is 11 high.
  await expect(bench.advice).toContainText(en('advice.pair', { fret: 5, held: 5, open: 4 }));
  await page.keyboard.press('p');
  await expect(bench.advice).toContainText(saying('advice.beat'), { timeout: 10_000 });
  const apart = Number(told('advice.beat', await bench.advice.innerText()).cents);
  expect(Math.abs(apart - 20.5)).toBeLessThanOrEqual(8);
  // No reading came of it.
  expect(await bench.plucks(5)).toBe(0);
  await bench.pluck(5);
  await expect(bench.advice).not.toContainText(saying('advice.beat'));
});
