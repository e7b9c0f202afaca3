import { list } from '@rosefinch/core/message';
import { seriousFaults } from './axe.ts';
import { printed } from './printed.ts';
import {
  begins,
  en,
  expect,
  expectWithin,
  goTo,
  type Page,
  saying,
  take,
  test,
  wholly,
} from './test.ts';

test.use({ year: 'whole' });

/** Nothing serious by day; colours in the dark are those that every view has. */
async function expectGood(page: Page, state: string): Promise<void> {
  expect(await seriousFaults(page), state).toEqual([]);
}

test('the demo’s year says what is due and why, and its round goes on where it stopped', async ({
  page,
}) => {
  await page.goto('/shelf');
  const row = (name: string) => page.getByRole('listitem', { name, exact: true });
  await expect(row('Lapwing')).toContainText(
    saying('shelf.pegSlips', { strings: list([3], 'and') }),
  );
  await expect(row('Dunlin')).toContainText(saying('shelf.notReadSince'));
  await expect(row('Stonechat')).toContainText(en('settle.newStrings'));
  await expect(page.getByRole('region', { name: en('shelf.resting') })).toContainText('Dunlin');
  const round = page.getByRole('region', { name: en('shelf.theRoundThatIsGoing') });
  await expect(round).toContainText('Thursday class');
  await expect(round).toContainText(saying('rounds.leftInTime', { left: 4, all: 8, minutes: 4 }));
  await expectGood(page, 'shelf');
  await page.emulateMedia({ colorScheme: 'dark' });
  expect(await seriousFaults(page, 'color-contrast')).toEqual([]);
  await page.getByText(en('shelf.asATable')).click();
  await page.getByRole('table').waitFor();
  // What is ticked makes a round; the one that is open is not lost by looking.
  await page.getByText(en('shelf.byNeed')).click();
  await page.getByRole('checkbox', { name: en('shelf.takeNameAlong', { name: 'Linnet' }) }).check();
  await page.getByRole('button', { name: begins('shelf.beginARound') }).click();
  await expect(page.getByLabel(en('shelf.which'), { exact: true })).toContainText(
    en('shelf.theTicked', { count: 1 }),
  );
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  await page.keyboard.press(' ');
  await expect(
    page.getByRole('button', { name: begins('common.nameTunedInHand', { name: 'Uke 5' }) }),
  ).toBeVisible();
  await expect(page.getByText(en('rounds.strum', { name: 'Uke 5' }))).toBeVisible();
  await goTo(page, '/rounds/round-today');
  await expect(row('Uke 2')).toContainText(en('rounds.standing', { standing: 'done' }));
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: en('rounds.asCSV') }).click(),
  ]);
  await page.getByText(saying('rounds.lookAgain')).first().waitFor();
  expect((await printed(page)).pages).toBe(1);
  expect(csv.suggestedFilename()).toMatch(/^rosefinch-round-thursday-class-\d{4}-\d\d-\d\d\.csv$/);
  await expectGood(page, 'the sheet of a round');
});

test('the log of an instrument tells why it drifts, and takes what happened to it', async ({
  page,
}) => {
  await page.goto('/log');
  await take(page, 'Lapwing');
  await expect(page.getByRole('region', { name: en('log.whyItDrifts') })).toContainText(
    saying('shelf.pegSlips', { strings: list([3], 'and') }),
  );
  await page.getByText(en('log.theFiguresBehindIt')).click();
  const slips = page.getByRole('row', { name: saying('log.itsPegSlipsProbability') });
  await expect(slips.getByRole('cell').nth(2)).toHaveText(/^(99|100) %$/);
  // What is noted stands on the wires.
  const marks = page.getByRole('region', { name: en('log.loansRepairsNotes') });
  await marks.getByLabel(en('log.what')).selectOption('note');
  await marks.getByRole('button', { name: en('log.putItInTheLog') }).click();
  await expect(marks).toContainText(en('log.noteNeedsWords'));
  await marks.getByLabel(en('log.inWords')).fill('The screw of peg 3 is worn.');
  await marks.getByRole('button', { name: en('log.putItInTheLog') }).click();
  await expect(marks.getByRole('listitem')).toContainText('The screw of peg 3 is worn.');
  await marks.getByRole('button', { name: en('log.takeItOut') }).click();
  await page.getByRole('button', { name: en('common.undo') }).click();
  await expect(marks.getByRole('listitem')).toContainText('The screw of peg 3 is worn.');
  await expectGood(page, 'log of an instrument');
  const [calendar] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: en('log.dueDaysAsACalendar') }).click(),
  ]);
  expect(calendar.suggestedFilename()).toBe('rosefinch-due.ics');
  // All sessions: searched by words, and the air of the room from a logger.
  await page.getByText(en('log.allInstruments')).click();
  await page.getByLabel(en('log.findInTheSittings')).fill('dunlin');
  await expect(page.getByText(wholly('log.sittingsFound'))).toBeVisible();
  await expect(page.getByRole('region', { name: /^Lapwing,/ })).toHaveCount(0);
  const logger = page.locator('input[type="file"]');
  const table = (text: string) => ({
    name: 'logger.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(text),
  });
  await logger.setInputFiles(table('date,humidity\n2026-03-09,41\n2026-03-10,wet\n'));
  await expect(page.getByText(en('log.nothingOf', { file: 'logger.csv' }))).toBeVisible();
  await expect(
    page.getByText(
      en('records.airNumber', { quantity: 'humidity', line: 3, typed: 'wet', low: 0, high: 100 }),
    ),
  ).toBeVisible();
  await logger.setInputFiles(table('date,humidity\n2026-03-09,41\n2026-03-10,44\n'));
  await expect(
    page.getByText(en('log.airRead', { lines: 2, file: 'logger.csv', days: 2 })),
  ).toBeVisible();
  for (const [path, heading] of [
    ['/year', begins('log.theYear')],
    ['/labels', en('views.labels')],
  ] as const) {
    await goTo(page, path);
    await page.getByRole('heading', { name: heading }).waitFor();
    await expectGood(page, path);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/log', '/log?all', '/labels', '/rounds/round-today', '/shelf?as=table'])
    await expectWithin(page, path, 390);
});
