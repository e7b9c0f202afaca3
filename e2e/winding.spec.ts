import { BenchPage } from './bench.ts';
import { expect, heardOut, type Page, test } from './test.ts';

/** Plucks the practice string and lets it ring out. */
async function ring(page: Page): Promise<void> {
  await page.keyboard.press('p');
  await heardOut(page);
}

test('a slack string is followed up to its note, the next one takes its place', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('w');
  await expect(bench.advice).toContainText('Pluck string 6, and wind.');
  // An octave down, from wherever it stood.
  await page.keyboard.press('Shift+ArrowDown');
  await ring(page);
  await expect(bench.advice).toContainText(/String 6: (eleven|twelve|thirteen|13) semitones to go/);
  await expect(bench.figure).toHaveText(/^1[123]$/);
  // What it sounded before it was put on is no reading of it.
  await expect(bench.string(6)).toHaveAccessibleName(/to come/);
  const grip = async (key: string, semitones: RegExp) => {
    await page.keyboard.press(key);
    await ring(page);
    await expect(bench.advice).toContainText(semitones);
  };
  await grip('Shift+ArrowUp', /(ten|eleven) semitones to go/);
  await grip('Shift+ArrowUp', /(eight|nine) semitones to go/);
  await grip('Shift+ArrowUp', /(six|seven) semitones to go/);
  await grip('Shift+ArrowUp', /(four|five) semitones to go/);
  await grip('Shift+ArrowUp', /(two|three) semitones to go/);
  // Near its note it makes room for the next one.
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(bench.advice).toContainText('Stop: string 6 is near its note.');
  await ring(page);
  await expect(bench.advice).toContainText('Pluck string 5, and wind.');
  await expect(bench.string(6)).toHaveAccessibleName(/near/);
  // A digit takes another string in hand, Space leaves it.
  await page.keyboard.press('1');
  await expect(bench.advice).toContainText('Pluck string 1, and wind.');
  await page.keyboard.press(' ');
  await expect(bench.advice).toContainText('Pluck string 5, and wind.');
  await page.keyboard.press('w');
  await expect(bench.advice).not.toContainText('wind');
  // Plucks are read again.
  await page.keyboard.press('6');
  expect(Math.abs(await bench.pluck(6))).toBeLessThan(250);
});
