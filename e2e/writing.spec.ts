import { begins, en, expect, opensAt, test } from './test.ts';

test('notes, numbers and units are written as the reader does, in every view', async ({ page }) => {
  await page.goto('/settings');
  const units = page.getByRole('region', { name: en('settings.notesNumbersAndUnits') });
  await units.getByLabel(en('settings.notesAreCalled')).selectOption('german');
  await units.getByLabel(en('settings.decimals')).selectOption(',');
  await units.getByLabel(en('settings.lengthsIn')).selectOption('inch');
  await units.getByLabel(en('settings.tensionIn')).selectOption('lbf');
  await units.getByLabel(en('settings.dates')).selectOption('de-DE');
  const { day, month, year, hour, minute } = opensAt();
  await expect(units.getByRole('note')).toContainText(
    `25,5 in, 16,3 lbf, ${day}.${month}.${year}, ${hour}:${minute}`,
  );
  await expect(units.getByRole('note')).toContainText(/Ais3, −2,5 /);
  // The bench, its wires and its keys.
  await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
  await expect(
    page.getByRole('button', {
      name: begins('common.stringAndNoteTitle', { string: 2, note: 'H3' }),
    }),
  ).toBeVisible();
  // A tuning is found and typed by these names.
  await page.getByRole('link', { name: en('views.tunings'), exact: true }).click();
  await page.getByLabel(en('tunings.search')).fill('gis h e');
  await page.getByRole('link', { name: begins('names.guitarOpenE') }).click();
  await expect(
    page
      .getByRole('table', { name: en('tunings.whatEachStringCarries') })
      .or(page.getByRole('region', { name: en('tunings.strings') })),
  ).toContainText(en('tunings.tensionForce', { force: 'lbf' }));
  await page.getByRole('link', { name: en('tunings.newOneFromThis') }).click();
  // The page before names a section like the field that is waited for.
  await page
    .getByRole('textbox', { name: en('tunings.notes') })
    .first()
    .fill('E2 H2 E3 Gis3 B3 E4');
  // A comma is understood where a number is typed, and a point too.
  await page.goto('/settings');
  for (const typed of ['442,5', '441.5']) {
    await page.getByLabel(en('settings.a4Hz')).clear();
    await page.getByLabel(en('settings.a4Hz')).pressSequentially(typed);
    // Kept: another view says so.
    await page.getByRole('link', { name: en('views.tunings'), exact: true }).click();
    await page
      .getByRole('link', {
        name: new RegExp(
          `${begins('names.guitarStandard').source}\\W*${en('common.kind', { kind: 'guitar' })}`,
        ),
      })
      .first()
      .click();
    await expect(page.getByText(en('common.a4', { a4: typed.replace('.', ',') }))).toBeVisible();
    await page.getByRole('link', { name: en('views.settings'), exact: true }).click();
  }
});

test.describe('where decimals have a comma', () => {
  test.use({ locale: 'de-DE' });
  test('figures are written so from the first look on', async ({ page }) => {
    await page.addInitScript(() => {
      const { rosefinchGiven } = globalThis as unknown as { rosefinchGiven: { units?: object } };
      delete rosefinchGiven.units;
    });
    await page.goto('/settings');
    await expect(page.getByLabel(en('settings.decimals'))).toHaveValue(',');
    await expect(page.getByLabel(en('settings.lengthsIn'))).toHaveValue('mm');
  });
});
