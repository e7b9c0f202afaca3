import { BenchPage } from './bench.ts';
import { OWN_PORT } from './playwright.config.ts';
import { en, expect, saying, test } from './test.ts';

test('an instrument is added, changed, undone, copied, put away and brought back', async ({
  page,
}) => {
  await page.goto(`http://127.0.0.1:${OWN_PORT}/shelf`);
  await page.getByLabel(en('shelf.name')).fill('Godwit');
  await page.getByLabel(en('shelf.kind')).selectOption({ label: en('shelf.model.ukuleleTenor') });
  await page.getByRole('button', { name: en('shelf.putItOnTheShelf') }).click();
  await page.getByRole('link', { name: /Godwit/ }).click();
  await page.getByText(en('shelf.stringsInDetail')).click();
  const first = page.getByRole('row', { name: /^1 / });
  const tension = () => first.getByRole('cell').nth(7);
  // Nylon of 0.56 mm on 430 mm at A4: μ (2 L f)² = 2.808e-4 · 378.4² N.
  await expect(tension()).toHaveText('40');
  await page
    .getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleDiameter'), string: 1 }), {
      exact: true,
    })
    .fill('0.62');
  // The weight goes with the square of the diameter.
  await expect(tension()).toHaveText('49');
  await page.getByRole('button', { name: en('shelf.save') }).click();
  await expect(page.getByRole('region', { name: en('common.notice') })).toContainText(
    en('shelf.saved'),
  );
  await page.reload();
  await page.getByText(en('shelf.stringsInDetail')).click();
  await expect(
    page.getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleDiameter'), string: 1 }), {
      exact: true,
    }),
  ).toHaveValue('0.62');

  // A wound string may be made of any plain one, with core and weight of its own.
  await expect(
    page.getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleCore'), string: 1 }), {
      exact: true,
    }),
  ).toBeDisabled();
  await page.getByLabel(en('shelf.stringNumberIsWound', { number: 1 })).check();
  await expect(
    page.getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleCore'), string: 1 }), {
      exact: true,
    }),
  ).toHaveValue('0.4');
  await page.getByLabel(en('shelf.stringNumberIsWound', { number: 1 })).uncheck();
  await expect(tension()).toHaveText('49');

  await page.getByRole('button', { name: en('shelf.copy') }).click();
  await expect(
    page.getByRole('heading', { name: en('shelf.copyOf', { instrument: 'Godwit' }) }),
  ).toBeVisible();
  await page.getByRole('button', { name: en('shelf.takeItOffTheShelf') }).click();
  await expect(page.getByRole('region', { name: en('common.notice') })).toContainText(
    saying('shelf.isOff'),
  );
  await page.getByRole('link', { name: en('shelf.shelf') }).click();
  await expect(page.getByRole('link', { name: /Godwit/ })).toHaveCount(1);
  await page.goBack();
  await page.getByRole('button', { name: en('shelf.backOnTheShelf') }).click();
  // Until this is stored, Undo still belongs to what was done before.
  await expect(page.getByRole('region', { name: en('common.notice') })).toContainText(
    en('shelf.isBack'),
  );
  await page.getByRole('button', { name: en('common.undo') }).click();
  await expect(page.getByRole('button', { name: en('shelf.backOnTheShelf') })).toBeVisible();
});

test('strings are put on by the set, and stay changeable one by one', async ({ page }) => {
  await page.goto('/shelf/heron');
  await page.getByText(en('shelf.stringsInDetail')).click();
  const set = page.getByLabel(en('shelf.stringsByTheSet'));
  await set.selectOption({ label: en('shelf.set.guitarAcoustic12') });
  await expect(
    page.getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleDiameter'), string: 1 }), {
      exact: true,
    }),
  ).toHaveValue('0.305');
  await expect(page.getByLabel(en('shelf.stringNumberIsWound', { number: 3 }))).toBeChecked();
  await page
    .getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleDiameter'), string: 1 }), {
      exact: true,
    })
    .fill('0.28');
  await expect(set).toHaveValue('');
  await page.getByRole('button', { name: en('shelf.save') }).click();
  await expect(page.getByRole('region', { name: en('common.notice') })).toContainText(
    en('shelf.saved'),
  );
  await page.reload();
  await page.getByText(en('shelf.stringsInDetail')).click();
  await expect(
    page.getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleDiameter'), string: 1 }), {
      exact: true,
    }),
  ).toHaveValue('0.28');
  await expect(
    page.getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleDiameter'), string: 6 }), {
      exact: true,
    }),
  ).toHaveValue('1.346');
});

test('a fact that cannot be is refused with its place and value', async ({ page }) => {
  await page.goto('/shelf/heron');
  await page.getByLabel(en('parts.withUnit', { label: en('shelf.scale'), unit: 'mm' })).fill('20');
  await expect(
    page.getByText(
      en('parts.tooLittle', {
        name: en('parts.ruleScale'),
        low: 100,
        high: 1200,
        unit: 'mm',
        value: 20,
      }),
    ),
  ).toBeVisible();
  await expect(
    page.getByLabel(en('parts.withUnit', { label: en('shelf.scale'), unit: 'mm' })),
  ).toHaveAttribute('aria-invalid', 'true');
  await page.getByRole('button', { name: en('shelf.save') }).click();
  await expect(page.getByRole('alert').filter({ hasText: en('parts.notSaved2') })).toBeVisible();
  // Leaving with changes asks first.
  await page.getByRole('link', { name: en('shelf.shelf') }).click();
  await page.getByRole('button', { name: en('parts.stayHere') }).click();
  await expect(
    page.getByLabel(en('parts.withUnit', { label: en('shelf.scale'), unit: 'mm' })),
  ).toHaveValue('20');
  await page.getByRole('link', { name: en('shelf.shelf') }).click();
  await page.getByRole('button', { name: en('parts.leaveWithoutSaving') }).click();
  await expect(page.getByRole('heading', { name: en('shelf.shelf') })).toBeVisible();
  await page.goto('/shelf/heron');
  await expect(
    page.getByLabel(en('parts.withUnit', { label: en('shelf.scale'), unit: 'mm' })),
  ).toHaveValue('648');
  await page.getByText(en('shelf.stringsInDetail')).click();
  // A wire so thin has no known strength: no view may be asked for it.
  await page
    .getByLabel(en('shelf.fieldOfString', { field: en('parts.ruleDiameter'), string: 1 }), {
      exact: true,
    })
    .fill('0.05');
  await expect(
    page.getByText(
      en('parts.tooLittle', {
        name: en('parts.ruleDiameter'),
        low: 0.1,
        high: 6.5,
        unit: 'mm',
        value: 0.05,
      }),
    ),
  ).toBeVisible();
});

test('the shelf shows what was found and left last, and hands over to the bench', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.getByRole('link', { name: en('shelf.shelf') }).click();
  const row = (name: string) => page.getByRole('listitem', { name, exact: true });
  // Left where it was found, its first string is the one that stands out.
  await expect(row('Heron')).toContainText(saying('shelf.leftOff'));
  await expect(row('Wren')).toContainText(en('shelf.notLookedAt'));
  // What is to be done stands first, and as a table it can be sorted by name.
  await expect(page.getByRole('main').getByRole('listitem').first()).toContainText('Heron');
  await page.getByText(en('shelf.asATable')).click();
  await page.getByRole('button', { name: en('shelf.name') }).click();
  const names = page.getByRole('table').getByRole('link');
  await expect(names.first()).toHaveText('Avocet');
  await page.getByRole('button', { name: en('shelf.name') }).click();
  await expect(names.first()).toHaveText('Wren');
  await page.getByText(en('shelf.byNeed')).click();
  await page.getByRole('link', { name: /Stonechat/ }).click();
  await page.getByRole('button', { name: en('shelf.putItOnTheBench') }).click();
  await expect(
    page.getByRole('button', { name: en('common.practiceSource', { kind: 'ukulele' }) }),
  ).toBeVisible();
});

test('a tuning changed on the shelf opens a sitting of its own, and the old one waits', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  const keepIn = async (tuning: string) => {
    await page.goto('/shelf/heron');
    await page.getByLabel(en('shelf.keptIn')).selectOption({ label: tuning });
    await page.getByRole('button', { name: en('shelf.save') }).click();
    await expect(page.getByRole('region', { name: en('common.notice') })).toContainText(
      en('shelf.saved'),
    );
    await page.getByRole('button', { name: en('shelf.putItOnTheBench') }).click();
    await page
      .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
      .waitFor();
  };
  await keepIn(en('names.guitarDropD'));
  await expect(
    page.getByRole('button', {
      name: en('common.nameTunedInHand', { name: 'Heron', tuned: en('names.guitarDropD') }),
    }),
  ).toBeVisible();
  expect(await bench.plucks(6)).toBe(0);
  await keepIn(en('names.guitarStandard'));
  await expect.poll(() => bench.plucks(6)).toBe(1);
});

test('instruments stand in the order in which people count, and a name used twice is noticed', async ({
  page,
}) => {
  await page.goto(`http://127.0.0.1:${OWN_PORT}/shelf`);
  for (const name of ['Uke 10', 'Uke 2', 'uke 1']) {
    await page.getByLabel(en('shelf.name')).fill(name);
    await page.getByRole('button', { name: en('shelf.putItOnTheShelf') }).click();
    await page.getByRole('link').getByText(name, { exact: true }).waitFor();
  }
  const names = page.getByRole('main').getByRole('link').locator('strong:first-child');
  await expect(names).toHaveText(['uke 1', 'Uke 2', 'Uke 10']);
  await page.getByLabel(en('shelf.name')).fill('Uke 2');
  await expect(page.getByText(en('shelf.sameName'))).toBeVisible();

  // A class set at once, numbered on from what is there; found by words and by its group.
  await page.getByLabel(en('shelf.name')).fill('Uke');
  await page.getByLabel(en('shelf.howMany')).fill('3');
  await expect(page.getByText(en('common.range', { from: 'Uke 11', to: 'Uke 13' }))).toBeVisible();
  await page.getByRole('button', { name: en('shelf.putManyOnTheShelf', { many: 3 }) }).click();
  await expect(names).toHaveText(['uke 1', 'Uke 2', 'Uke 10', 'Uke 11', 'Uke 12', 'Uke 13']);
  await page.getByLabel(en('common.find')).fill('uke 13');
  await expect(names).toHaveText(['Uke 13']);
  await page.getByRole('link', { name: /Uke 13/ }).click();
  const groups = page.getByRole('combobox', { name: en('shelf.groups2') });
  await groups.fill('Class 4b');
  await groups.press('Enter');
  await page.getByRole('button', { name: en('shelf.save') }).click();
  await expect(page.getByRole('region', { name: en('common.notice') })).toContainText(
    en('shelf.saved'),
  );
  await page.getByRole('link', { name: en('shelf.shelf') }).click();
  await page.getByRole('combobox', { name: en('shelf.group') }).selectOption('Class 4b');
  await expect(names).toHaveText(['Uke 13']);
});
