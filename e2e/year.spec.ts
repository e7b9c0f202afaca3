import { seriousFaults } from './axe.ts';
import { printed } from './printed.ts';
import { en, expect, expectWithin, goTo, type Page, take, test } from './test.ts';

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
  await expect(row('Lapwing')).toContainText('String 3 alone drops');
  await expect(row('Dunlin')).toContainText('Not read since');
  await expect(row('Stonechat')).toContainText(en('settle.newStrings'));
  await expect(page.getByRole('region', { name: en('shelf.resting') })).toContainText('Dunlin');
  const round = page.getByRole('region', { name: en('shelf.theRoundThatIsGoing') });
  await expect(round).toContainText('Thursday class');
  await expect(round).toContainText('4 of 8 left');
  await expectGood(page, 'shelf');
  await page.emulateMedia({ colorScheme: 'dark' });
  expect(await seriousFaults(page, 'color-contrast')).toEqual([]);
  await page.getByText(en('shelf.asATable')).click();
  await page.getByRole('table').waitFor();
  // What is ticked makes a round; the one that is open is not lost by looking.
  await page.getByText(en('shelf.byNeed')).click();
  await page.getByRole('checkbox', { name: 'Take Linnet along' }).check();
  await page.getByRole('button', { name: /^Begin a round/ }).click();
  await expect(page.getByLabel(en('shelf.which'))).toContainText('the 1 that are ticked');
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: /^Uke 5 .*in hand$/ })).toBeVisible();
  await expect(page.getByText('Uke 5: one strum over all strings.')).toBeVisible();
  await goTo(page, '/rounds/round-today');
  await expect(row('Uke 2')).toContainText('put right');
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: en('rounds.asCSV') }).click(),
  ]);
  await page.getByText('Look again').first().waitFor();
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
    /String 3 alone drops, about \d+ cents a week: its peg slips\./,
  );
  await page.getByText(en('log.theFiguresBehindIt')).click();
  const slips = page.getByRole('row', { name: /its peg slips, probability/ });
  await expect(slips.getByRole('cell').nth(2)).toHaveText(/^(99|100) %$/);
  // What is noted stands on the wires.
  const marks = page.getByRole('region', { name: en('log.loansRepairsNotes') });
  await marks.getByLabel('What').selectOption('note');
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
  // All sittings: searched by words, and the air of the room from a logger.
  await page.getByText(en('log.allInstruments')).click();
  await page.getByLabel(en('log.findInTheSittings')).fill('dunlin');
  await expect(page.getByText(/^\d+ sittings?$/)).toBeVisible();
  await expect(page.getByRole('region', { name: /^Lapwing,/ })).toHaveCount(0);
  const logger = page.locator('input[type="file"]');
  const table = (text: string) => ({
    name: 'logger.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(text),
  });
  await logger.setInputFiles(table('date,humidity\n2026-03-09,41\n2026-03-10,wet\n'));
  await expect(page.getByText('Nothing of logger.csv was taken in.')).toBeVisible();
  await expect(page.getByText('Line 3: humidity “wet” is no number from 0 to 100')).toBeVisible();
  await logger.setInputFiles(table('date,humidity\n2026-03-09,41\n2026-03-10,44\n'));
  await expect(page.getByText('2 lines of logger.csv read: 2 days kept.')).toBeVisible();
  for (const [path, heading] of [
    ['/year', /^The year \d{4}/],
    ['/labels', 'Labels'],
  ] as const) {
    await goTo(page, path);
    await page.getByRole('heading', { name: heading }).waitFor();
    await expectGood(page, path);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/log', '/log?all', '/labels', '/rounds/round-today', '/shelf?as=table'])
    await expectWithin(page, path, 390);
});
