import { en, expect, opensAt, test } from './test.ts';

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
    `B3 is Ais3, −2,5 cents, 25,5 in, 16,3 lbf, ${day}.${month}.${year}, ${hour}:${minute}`,
  );
  // The bench, its wires and its keys.
  await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
  await expect(page.getByRole('button', { name: /^String 2, H3/ })).toBeVisible();
  // A tuning is found and typed by these names.
  await page.getByRole('link', { name: 'Tunings', exact: true }).click();
  await page.getByLabel(en('tunings.search')).fill('gis h e');
  await page.getByRole('link', { name: /^Open E/ }).click();
  await expect(
    page
      .getByRole('table', { name: en('tunings.whatEachStringCarries') })
      .or(page.getByRole('region', { name: 'Strings' })),
  ).toContainText('tension, lbf');
  await page.getByRole('link', { name: en('tunings.newOneFromThis') }).click();
  await page.getByLabel(en('tunings.notes'), { exact: false }).first().fill('E2 H2 E3 Gis3 B3 E4');
  // A comma is understood where a number is typed, and a point too.
  await page.goto('/settings');
  for (const typed of ['442,5', '441.5']) {
    await page.getByLabel('A4, Hz').clear();
    await page.getByLabel('A4, Hz').pressSequentially(typed);
    // Kept: another view says so.
    await page.getByRole('link', { name: 'Tunings', exact: true }).click();
    await page
      .getByRole('link', { name: /^Standard\W*guitar/ })
      .first()
      .click();
    await expect(page.getByText(`A4 ${typed.replace('.', ',')} Hz`)).toBeVisible();
    await page.getByRole('link', { name: 'Settings', exact: true }).click();
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
