import { message } from '@rosefinch/core/message';
import { begins, either, en, expect, heardOut, note, type Page, saying, test } from './test.ts';

/** Puts an instrument on the shelf and opens its page. */
async function shelve(page: Page, name: string, kind: string): Promise<void> {
  await page.goto('/shelf');
  await page.getByLabel(en('shelf.name'), { exact: true }).fill(name);
  await page.getByLabel(en('shelf.kind')).selectOption({ label: kind });
  await page.getByRole('button', { name: en('shelf.putItOnTheShelf') }).click();
  await page.getByRole('link', { name }).first().click();
  await expect(page.getByLabel(en('shelf.name'), { exact: true })).toHaveValue(name);
}

test('of twelve strings each is read alone, its number chosen by its course, and a pair by its beat', async ({
  page,
}) => {
  await shelve(page, 'Twelve', en('shelf.model.twelveGuitar'));
  await page.getByRole('button', { name: en('shelf.putItOnTheBench') }).click();
  await expect(
    page.getByRole('heading', { name: en('bench.benchName', { name: 'Twelve' }) }),
  ).toBeVisible();
  const wires = page.getByRole('button', { name: begins('common.stringOfCourseTitle') });
  await expect(wires).toHaveCount(12);
  await page.getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) }).click();
  const stage = page.getByRole('region', { name: en('common.stringInHand') }).first();
  await expect(stage).toContainText(saying('bench.turn', { side: 'low' }));
  // The course by its digit, its other string by the same digit again.
  await page.keyboard.press('4');
  await expect(stage).toContainText(en('common.ofCourse', { which: 'lower', course: 4 }));
  await page.keyboard.press('4');
  await expect(stage).toContainText(en('common.ofCourse', { which: 'higher', course: 4 }));
  await page.keyboard.press('p');
  await heardOut(page);
  await expect(
    page.getByRole('button', {
      name: begins('common.lineSays', {
        line: message('common.stringOfPair', {
          string: 8,
          place: message('common.ofCourse', { which: 'higher', course: 4 }),
          name: note(62),
        }),
      }),
    }),
  ).toBeVisible();
  await page.keyboard.press('1');
  await page.keyboard.press('1');
  await page.keyboard.press('c');
  await expect(stage).toContainText(en('advice.pair', { fret: 0, held: 2, open: 1 }));
  await page.keyboard.press('p');
  await heardOut(page);
  await expect(stage).toContainText(either(saying('advice.beat'), saying('advice.noBeat')));
  // Every other work calls a string of a pair the same.
  await page.getByRole('link', { name: en('views.settle'), exact: true }).click();
  await expect(
    page.getByLabel(
      en('common.stringOfPair', {
        string: 8,
        place: message('common.ofCourse', { which: 'higher', course: 4 }),
        name: note(62),
      }),
    ),
  ).toBeVisible();
  await page.getByRole('link', { name: en('common.groupRetune'), exact: true }).click();
  await expect(
    page.getByRole('button', {
      name: begins('common.stringOfPair', {
        string: 8,
        place: message('common.ofCourse', { which: 'higher', course: 4 }),
        name: note(62),
      }),
    }),
  ).toBeVisible();
});

test('strings are added and taken away with pegs, set and tuning to go with them', async ({
  page,
}) => {
  await shelve(page, 'Growing', en('shelf.model.electricGuitar'));
  await page.getByText(en('shelf.stringsInDetail')).click();
  const rows = page.getByRole('table', { name: en('shelf.stringsAndPegs') }).getByRole('row');
  await expect(rows).toHaveCount(7);
  await page.getByRole('button', { name: en('shelf.addAString') }).click();
  await page.getByRole('button', { name: en('shelf.addAString') }).click();
  await expect(rows).toHaveCount(9);
  await expect(page.getByLabel(en('shelf.keptIn'))).toHaveValue('guitar-eight-standard');
  await expect(page.getByRole('button', { name: en('shelf.addAString') })).toHaveCount(0);
  await page.getByRole('button', { name: en('shelf.takeStringNumberAway', { number: 8 }) }).click();
  await page.getByRole('button', { name: en('shelf.save') }).click();
  await page.reload();
  await expect(page.getByLabel(en('shelf.keptIn'))).toHaveValue('guitar-seven-standard');
  await expect(page.getByLabel(en('shelf.pegs'), { exact: true })).toHaveValue('inLine');
});

test('without frets there is no fret check', async ({ page }) => {
  await shelve(page, 'Smooth', en('shelf.model.bassFretless'));
  await page.getByRole('button', { name: en('shelf.putItOnTheBench') }).click();
  await expect(
    page.getByRole('heading', { name: en('bench.benchName', { name: 'Smooth' }) }),
  ).toBeVisible();
  await page.getByRole('link', { name: en('views.frets'), exact: true }).click();
  await expect(page.getByText(saying('frets.noFrets', { instrument: 'Smooth' }))).toBeVisible();
  await expect(page.getByRole('button', { name: en('frets.beginTheCheck') })).toHaveCount(0);
});
