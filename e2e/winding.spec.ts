import { BenchPage } from './bench.ts';
import { begins, either, en, expect, heardOut, type Page, saying, test } from './test.ts';

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
  await expect(bench.advice).toContainText(en('advice.wind', { string: 6 }));
  // An octave down, from wherever it stood.
  await page.keyboard.press('Shift+ArrowDown');
  await ring(page);
  await expect(bench.advice).toContainText(saying('advice.windToGo', { string: 6 }));
  await expect(bench.figure).toHaveText(/^1[123]$/);
  // What it sounded before it was put on is no reading of it.
  await expect(bench.string(6)).toHaveAccessibleName(saying('bench.lineToCome'));
  const grip = async (key: string, ...left: readonly number[]) => {
    await page.keyboard.press(key);
    await ring(page);
    await expect(bench.advice).toContainText(
      either(...left.map((semitones) => saying('advice.windToGo', { semitones }))),
    );
  };
  await grip('Shift+ArrowUp', 10, 11);
  await grip('Shift+ArrowUp', 8, 9);
  await grip('Shift+ArrowUp', 6, 7);
  await grip('Shift+ArrowUp', 4, 5);
  await grip('Shift+ArrowUp', 2, 3);
  // Near its note it makes room for the next one.
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(bench.advice).toContainText(en('advice.windStop', { string: 6 }));
  await ring(page);
  await expect(bench.advice).toContainText(en('advice.wind', { string: 5 }));
  await expect(bench.string(6)).toHaveAccessibleName(saying('bench.lineNear'));
  // A digit takes another string in hand, Space leaves it.
  await page.keyboard.press('1');
  await expect(bench.advice).toContainText(en('advice.wind', { string: 1 }));
  await page.keyboard.press(' ');
  await expect(bench.advice).toContainText(en('advice.wind', { string: 5 }));
  await page.keyboard.press('w');
  await expect(bench.advice).not.toContainText(saying('advice.wind'));
  // Plucks are read again.
  await page.keyboard.press('6');
  expect(Math.abs(await bench.pluck(6))).toBeLessThan(250);
});

test('a string that is found far too flat is followed up in the session, and then read on', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('6');
  await page.getByRole('button', { name: begins('common.more') }).click();
  await page.getByRole('button', { name: en('bench.practiceOneNew', { string: 6 }) }).click();
  expect(await bench.pluck(6)).toBeLessThan(-400);
  // What was read says how far it has to go, until the string is heard to move.
  await expect(bench.advice).not.toContainText(saying('advice.windStop', { string: 6 }));
  await page.keyboard.press('Shift+ArrowUp');
  await ring(page);
  await expect(bench.advice).toContainText(
    either(...[3, 4].map((semitones) => saying('advice.windToGo', { string: 6, semitones }))),
  );
  // Its own lines stand as ever: nothing of the session is given up.
  await expect(bench.string(6)).toHaveAccessibleName(saying('common.lineSays'));
  await page.keyboard.press('Shift+ArrowUp');
  await ring(page);
  for (let n = 0; n < 8 && !(await bench.advice.innerText()).includes(stop()); n++) {
    await page.keyboard.press('ArrowUp');
    await ring(page);
  }
  await expect(bench.advice).toContainText(stop());
  const found = await bench.pluck(6);
  expect(Math.abs(found)).toBeLessThan(150);
  await expect(bench.advice).not.toContainText(stop());
});

const stop = () => en('advice.windStopPluck.more');
