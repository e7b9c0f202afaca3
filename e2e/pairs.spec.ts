import { en, expect, heardOut, type Page, test } from './test.ts';

/** Puts an instrument on the shelf and opens its page. */
async function shelve(page: Page, name: string, kind: string): Promise<void> {
  await page.goto('/shelf');
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Kind').selectOption({ label: kind });
  await page.getByRole('button', { name: en('shelf.putItOnTheShelf') }).click();
  await page.getByRole('link', { name }).first().click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue(name);
}

test('of twelve strings each is read alone, its number chosen by its course, and a pair by its beat', async ({
  page,
}) => {
  await shelve(page, 'Twelve', 'Guitar, twelve strings in pairs');
  await page.getByRole('button', { name: en('shelf.putItOnTheBench') }).click();
  await expect(page.getByRole('heading', { name: 'Bench: Twelve' })).toBeVisible();
  const wires = page.getByRole('button', { name: /^String \d+, (higher|lower|first|second) of/ });
  await expect(wires).toHaveCount(12);
  await page.getByRole('button', { name: 'Practice guitar' }).click();
  const stage = page.getByRole('region', { name: /^String|Bench/ }).first();
  await expect(stage).toContainText('Low. Tighten');
  // The course by its digit, its other string by the same digit again.
  await page.keyboard.press('4');
  await expect(stage).toContainText('lower of course 4');
  await page.keyboard.press('4');
  await expect(stage).toContainText('higher of course 4');
  await page.keyboard.press('p');
  await heardOut(page);
  await expect(
    page.getByRole('button', { name: /^String 8, higher of course 4, D4: [+−]/ }),
  ).toBeVisible();
  await page.keyboard.press('1');
  await page.keyboard.press('1');
  await page.keyboard.press('c');
  await expect(stage).toContainText('Sound open string 2 and open string 1 together.');
  await page.keyboard.press('p');
  await heardOut(page);
  await expect(stage).toContainText(/They beat [\d.]+ times a second|No beat/);
  // Every other work calls a string of a pair the same.
  await page.getByRole('link', { name: en('views.settle'), exact: true }).click();
  await expect(page.getByLabel('String 8, higher of course 4, D4')).toBeVisible();
  await page.getByRole('link', { name: 'Retune', exact: true }).click();
  await expect(
    page.getByRole('button', { name: /^String 8, higher of course 4, D4/ }),
  ).toBeVisible();
});

test('strings are added and taken away with pegs, set and tuning to go with them', async ({
  page,
}) => {
  await shelve(page, 'Growing', 'Guitar, electric');
  await page.getByText(en('shelf.stringsInDetail')).click();
  const rows = page.getByRole('table', { name: en('shelf.stringsAndPegs') }).getByRole('row');
  await expect(rows).toHaveCount(7);
  await page.getByRole('button', { name: en('shelf.addAString') }).click();
  await page.getByRole('button', { name: en('shelf.addAString') }).click();
  await expect(rows).toHaveCount(9);
  await expect(page.getByLabel(en('shelf.keptIn'))).toHaveValue('guitar-eight-standard');
  await expect(page.getByRole('button', { name: en('shelf.addAString') })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take string 8 away' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await page.reload();
  await expect(page.getByLabel(en('shelf.keptIn'))).toHaveValue('guitar-seven-standard');
  await expect(page.getByLabel(en('shelf.pegs'), { exact: true })).toHaveValue('in line');
});

test('without frets there is no fret check', async ({ page }) => {
  await shelve(page, 'Smooth', 'Bass guitar, fretless');
  await page.getByRole('button', { name: en('shelf.putItOnTheBench') }).click();
  await expect(page.getByRole('heading', { name: 'Bench: Smooth' })).toBeVisible();
  await page.getByRole('link', { name: 'Frets', exact: true }).click();
  await expect(page.getByText('Smooth has no frets')).toBeVisible();
  await expect(page.getByRole('button', { name: en('frets.beginTheCheck') })).toHaveCount(0);
});
