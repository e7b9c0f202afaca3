import { en, expect, giveLanguage, type Page, saying, test } from './test.ts';

/** The address that a dialog offers. */
const offered = (page: Page) =>
  page
    .getByRole('dialog')
    .getByRole('textbox', { name: en('parts.link') })
    .inputValue();

test('a tuning of one’s own goes as a link to another browser, which sees it before it takes it in', async ({
  page,
  browser,
}) => {
  await page.goto('/tunings/new?from=guitar-standard');
  await page.getByLabel(en('tunings.name')).fill('Low tide');
  await page.getByLabel(en('tunings.notes')).fill('D A D F# A D');
  await page.getByRole('button', { name: en('tunings.save') }).click();
  await expect(page.getByRole('heading', { name: 'Low tide' })).toBeVisible();
  await page.getByRole('button', { name: en('tunings.handItOn') }).click();
  const link = await offered(page);
  await expect(page.getByRole('img', { name: en('parts.theLinkAsACode') })).toBeVisible();
  expect(link).toMatch(/\/open#v1\.[\w-]+$/);
  // Here it is known.
  await page.goto(link);
  await expect(page.getByText(en('open.here'))).toBeVisible();
  const other = await browser.newPage();
  await giveLanguage(other.context());
  await other.goto(link);
  await expect(
    other.getByRole('heading', { name: en('open.aTuning', { tuning: 'Low tide' }) }),
  ).toBeVisible();
  await expect(other.getByText(en('open.notHere'))).toBeVisible();
  await other.goto('/tunings');
  await expect(other.getByRole('link', { name: /Low tide/ })).toHaveCount(0);
  await other.goto(link);
  await other.getByRole('button', { name: en('open.takeItIn') }).click();
  await expect(other.getByRole('heading', { name: 'Low tide' })).toBeVisible();
  await other.close();
});

test('a plan and an exercise go as links too; a broken one takes nothing in', async ({ page }) => {
  await page.goto('/retune?to=guitar-open-d');
  await expect(page.getByText(saying('retune.way')).first()).toBeVisible();
  await page.keyboard.press('m');
  await page.getByRole('button', { name: en('retune.handThisPlanOnAs') }).click();
  await page.goto(await offered(page));
  await page.getByRole('button', { name: en('open.openIt') }).click();
  await expect(page).toHaveURL(/\/retune\?to=guitar-open-d$/);
  await page.goto('/ear/beats?minute');
  await expect(page.getByText(en('ear.enterBegins'))).toBeVisible();
  await page.keyboard.press('m');
  await page.getByRole('button', { name: en('ear.handThisExerciseOnAs') }).click();
  const link = await offered(page);
  await page.goto(link);
  await page.getByRole('button', { name: en('open.openIt') }).click();
  await expect(page).toHaveURL(/\/ear\/beats\?minute$/);
  await page.goto(link.slice(0, -9));
  await expect(page.getByRole('alert')).toContainText(saying('problems.linkCut'));
  await expect(page.getByText(en('open.nothingTaken'))).toBeVisible();
});

test('what calls itself a tuning of the catalogue and is another leaves the catalogue alone, and can be taken back', async ({
  page,
}) => {
  const tuning = {
    id: 'guitar-standard',
    name: 'Not that one',
    kind: 'guitar',
    courses: [[62], [57], [54], [50], [45], [38]],
    accidental: 'sharp',
  };
  const text = Buffer.from(JSON.stringify({ kind: 'tuning', tuning })).toString('base64url');
  await page.goto(`/open#v1.${text}`);
  await page.getByRole('button', { name: en('open.takeItIn') }).click();
  await expect(page.getByRole('heading', { name: 'Not that one' })).toBeVisible();
  await page
    .getByRole('region', { name: en('common.notice') })
    .getByRole('button', { name: en('common.undo') })
    .click();
  await page.goto('/tunings/guitar-standard');
  await expect(page.getByRole('heading', { name: en('names.guitarStandard') })).toBeVisible();
  await page.goto('/tunings');
  await expect(page.getByText('Not that one')).toHaveCount(0);
});
