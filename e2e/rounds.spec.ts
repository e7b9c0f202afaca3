import { list, message } from '@rosefinch/core/message';
import { OWN_PORT } from './playwright.config.ts';
import { plucksOf, strumOf } from './sound.ts';
import {
  allStored,
  begins,
  either,
  en,
  expect,
  feed,
  type Page,
  saying,
  test,
  told,
} from './test.ts';

test.use({ standIn: true });

/** A class of twelve takes a minute and a half: every test run makes do with one of each sort. */
const WHOLE = process.env.ROSEFINCH_CLASS === 'whole';
const CLASS = WHOLE ? 12 : 4;

const SHELF = `http://127.0.0.1:${OWN_PORT}/shelf`;

/** Puts so many of a kind on the shelf, numbered. */
async function put(page: Page, name: string, kind: string, count: number): Promise<void> {
  await page.getByRole('textbox', { name: en('shelf.name') }).fill(name);
  await page.getByLabel(en('shelf.kind')).selectOption({ label: kind });
  await page.getByLabel(en('shelf.howMany')).fill(String(count));
  const many = en('shelf.putManyOnTheShelf', { many: count });
  await page.getByRole('button', { name: count > 1 ? many : en('shelf.putItOnTheShelf') }).click();
}

async function begin(page: Page, way: 'shelf.oneAfterTheOther' | 'shelf.rollCall2'): Promise<void> {
  await page.getByRole('button', { name: begins('shelf.beginARound') }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByText(en(way)).click();
  await dialog.getByRole('button', { name: begins('shelf.beginCall') }).click();
  await page.getByRole('button', { name: begins('common.microphone') }).click();
}

const stage = (page: Page) => page.getByRole('region', { name: en('common.stringInHand') });
const inHand = (page: Page, name: string) =>
  expect(
    page.getByRole('button', { name: begins('common.nameTunedInHand', { name }) }),
  ).toBeVisible();

/** Quiet that no pluck of a file needs, in samples. */
const QUIET = 3 * 48_000;

/** Plucks of a string, each so far off. */
const plucks = (course: number, count: number, cents = 0.2) =>
  plucksOf(
    Array.from({ length: count }, () => course),
    [1, 2, 3, 4].map((c) => (c === course ? cents : 0)),
    'ukulele',
  ).sound.subarray(QUIET);
const twice = (course: number) => plucks(course, 2);

test('a class of ukuleles is put right without a click, and their sheet tells what was found and left', async ({
  page,
}) => {
  await page.goto(SHELF);
  await put(page, 'Uke', en('shelf.model.ukuleleSoprano'), CLASS);
  await begin(page, 'shelf.oneAfterTheOther');
  const right = [0.3, 0.5, -0.5, 0.4];
  const calls: (() => Promise<void>)[] = [];
  const strum = (detune: readonly number[]) => async () => feed(page, strumOf(detune));
  const RIGHT = WHOLE ? 4 : 1;
  for (let i = 0; i < RIGHT; i++) calls.push(strum(right));
  for (const [course, cents] of [
    [1, -9],
    [2, 8],
    [3, -14],
    [4, 11],
    [1, -6],
    [3, 7],
  ].slice(0, CLASS - RIGHT - 2) as [number, number][])
    calls.push(async () => {
      await strum(right.map((own, i) => (i + 1 === course ? cents : own)))();
      await expect(stage(page)).toContainText(
        en('advice.someOff', { count: 1, strings: list([course]) }),
      );
      await feed(page, twice(course));
    });
  // A peg that slips: what was brought to pitch falls again.
  calls.push(async () => {
    await strum([0.4, 0.2, -24, 0.3])();
    await feed(page, plucks(3, 1));
    await feed(page, plucks(3, 1, -12));
    await expect(stage(page)).toContainText(`Uke ${CLASS - 1}`);
    await feed(page, twice(3));
  });
  // A new set, all of it low: so much is turned that it is strummed again.
  calls.push(async () => {
    await strum([-30, -26, -41, -22])();
    await expect(stage(page)).toContainText(saying('advice.allOff'));
    for (const course of [4, 3, 2, 1]) await feed(page, twice(course));
    await expect(stage(page)).toContainText(saying('rounds.onceMore'));
    await strum(right)();
  });
  for (const [i, call] of calls.entries()) {
    await inHand(page, `Uke ${i + 1}`);
    await expect(stage(page)).toContainText(en('rounds.strum', { name: `Uke ${i + 1}` }));
    await call();
  }
  // It is over: the sheet comes up by itself.
  await expect(page.getByRole('heading', { name: en('shelf.beforeTheLesson') })).toBeVisible();
  const lines = page.getByRole('listitem').filter({
    hasText: either(
      saying('rounds.standing', { standing: 'right' }),
      saying('rounds.standing', { standing: 'done' }),
    ),
  });
  await expect(lines).toHaveCount(CLASS);
  await expect(lines.filter({ hasText: en('rounds.standing', { standing: 'right' }) })).toHaveCount(
    RIGHT,
  );
});

test('a roll call books every strum to its ukulele, and a reload goes on where it was', async ({
  page,
}) => {
  await page.goto(SHELF);
  await put(page, 'Uke', en('shelf.model.ukuleleSoprano'), CLASS);
  await begin(page, 'shelf.rollCall2');
  const off = (n: number) => (n % 3 === 0 ? -6 - n : 0.5);
  for (let n = 1; n <= CLASS; n++) {
    await inHand(page, `Uke ${n}`);
    await expect(stage(page)).toContainText(en('rounds.call', { name: `Uke ${n}` }));
    if (n === 3) {
      await allStored(page);
      await page.reload();
      await page.getByRole('button', { name: begins('common.microphone') }).click();
    }
    await feed(page, strumOf([0.3, off(n), -0.5, 0.4]));
  }
  await expect(page.getByRole('heading', { name: en('shelf.beforeTheLesson') })).toBeVisible();
  for (let n = 1; n <= CLASS; n++) {
    const line = page.getByRole('listitem', { name: `Uke ${n}`, exact: true });
    if (n % 3 !== 0) await expect(line).toContainText(en('rounds.standing', { standing: 'right' }));
    else {
      // A strum reads a string within two cents.
      await expect(line).toContainText(saying('rounds.toBeTuned'));
      const { cents } = told('rounds.stringOff', (await line.textContent()) ?? '', { string: 2 });
      expect(Math.abs(Number(cents) - 6 - n)).toBeLessThanOrEqual(2);
    }
  }
});

test('a ukulele in hand where a guitar is meant is asked about, and booked to itself', async ({
  page,
}) => {
  await page.goto(SHELF);
  await put(page, 'Godwit', en('shelf.model.steelGuitar'), 1);
  await put(page, 'Knot', en('shelf.model.ukuleleSoprano'), 1);
  await begin(page, 'shelf.oneAfterTheOther');
  await inHand(page, 'Godwit');
  await feed(page, strumOf([0.3, -0.2, 0.4, 0.1]));
  await expect(stage(page)).toContainText(en('rounds.isThis', { other: 'Knot' }));
  await page.keyboard.press('Enter');
  await inHand(page, 'Knot');
  await feed(page, strumOf([0.3, -0.2, 0.4, 0.1]));
  await inHand(page, 'Godwit');
  await expect(stage(page)).toContainText(
    saying('rounds.was', {
      name: 'Knot',
      standing: message('rounds.standing', { standing: 'right' }),
    }),
  );
  // By its number and Enter any other is taken; by one key it goes to the repairer.
  await page.keyboard.press('n');
  await page.getByRole('textbox', { name: en('bench.numberOrName') }).fill('2');
  await page.keyboard.press('Enter');
  await inHand(page, 'Knot');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('j');
  await inHand(page, 'Godwit');
  await expect(stage(page)).toContainText(
    saying('rounds.was', {
      name: 'Knot',
      standing: message('rounds.standing', { standing: 'toRepairer' }),
    }),
  );
});
