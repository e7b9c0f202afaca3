import { message } from '@rosefinch/core/message';
import { BenchPage, HEARD_WITHIN } from './bench.ts';
import { OWN_PORT } from './playwright.config.ts';
import { playedBy, plucksOf } from './sound.ts';
import { begins, either, en, expect, feed, heardOut, type Page, saying, test } from './test.ts';

/** A string that was tuned, or left as it was found. */
const CLOSED = either(
  saying('bench.lineStanding', { standing: 'done' }),
  saying('bench.lineStanding', { standing: 'untouched' }),
);

test('the practice guitar is tuned with the keyboard alone, and the next pass begins by itself', async ({
  page,
}) => {
  test.setTimeout(400_000);
  const bench = new BenchPage(page);
  await bench.open();
  await page.keyboard.press('l');
  await page.getByText(en('common.roomQuiet')).waitFor();
  await page.keyboard.press('Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  // A string is closed by two plucks that agree; after the last of them a pluck begins the next pass.
  for (const course of [6, 5]) {
    await page.keyboard.press(String(course));
    await bench.bringToPitch(course);
    const closed = async () => CLOSED.test(await bench.string(course).innerText());
    for (let again = 0; again < 5 && !(await closed()); again++) await bench.pluck(course);
    expect(await closed(), `string ${course}`).toBe(true);
  }
  // The others are taken as they are.
  for (const course of [4, 3, 2, 1]) {
    await page.keyboard.press(String(course));
    await bench.pluck(course);
    await page.keyboard.press(' ');
  }
  await expect(page.getByText(en('bench.passDone', { pass: 1 }))).toBeVisible();
  await page.keyboard.press('6');
  await bench.bringToPitch(6);
  await expect(page.getByText(saying('bench.pass', { pass: 2 }))).toBeVisible();
  expect(Math.abs((await bench.truth())[5]!)).toBeLessThanOrEqual(2);
});

test.describe('as time goes', () => {
  test.use({ pace: 'real' });

  test('a string that is turned while it rings is followed, told to stop, and read where it stands', async ({
    page,
  }) => {
    const bench = new BenchPage(page);
    await bench.open();
    await bench.practise();
    await page.keyboard.press('6');
    const readings = await bench.plucks(6);
    await page.keyboard.press('p');
    await expect.poll(() => bench.plucks(6), { timeout: HEARD_WITHIN }).toBe(readings + 1);
    const said = await page.evaluateHandle(() => {
      const all: string[] = [];
      const status = document.querySelector('[role=status]')!;
      const note = () => all.push(status.textContent ?? '');
      new MutationObserver(note).observe(status, {
        childList: true,
        characterData: true,
        subtree: true,
      });
      return all;
    });
    // Within a fraction of a second, so that a slow machine turns at a hand’s pace too.
    for (let i = 0; i < 14; i++) await page.keyboard.press('ArrowUp', { delay: 10 });
    const turning = saying('bench.turning');
    await expect
      .poll(async () => (await said.jsonValue()).some((text) => turning.test(text)))
      .toBe(true);
    const now = (await bench.truth())[5]!;
    // A machine that is slow for a moment lets the string stand on the way: it is read there too.
    const off = async () => Math.abs((await bench.deviation(6)) - now);
    await expect.poll(off, { timeout: HEARD_WITHIN }).toBeLessThan(3);
    expect(await bench.plucks(6)).toBeGreaterThan(readings + 1);
  });
});

test('a reload in mid-pass comes back to the same place', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('6');
  const six = await bench.pluck(6);
  await page.keyboard.press('5');
  const five = await bench.pluck(5);
  expect(six).toBeLessThan(-15);
  await page.reload();
  await expect(bench.string(5)).toHaveAttribute('data-active', 'true');
  expect(await bench.deviation(6)).toBe(six);
  expect(await bench.deviation(5)).toBe(five);
  await expect(
    page.getByRole('button', { name: begins('common.stringAndNoteTitle', { string: 5 }) }),
  ).toContainText(en('bench.lineStanding', { standing: 'low' }));
});

test('Space accepts once, keys sleep while typing and when switched off', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('6');
  await bench.pluck(6);
  await page.getByRole('button', { name: begins('bench.acceptNext') }).click();
  await expect(bench.string(5)).toHaveAttribute('data-active', 'true');
  await page.keyboard.press(' ');
  await expect(bench.string(4)).toHaveAttribute('data-active', 'true');
  await page.keyboard.press('/');
  await page.getByRole('textbox', { name: en('common.findAnInstrumentATuning') }).waitFor();
  await page.keyboard.press('1');
  await page.keyboard.press('Escape');
  await expect(bench.string(4)).toHaveAttribute('data-active', 'true');
  await page.getByRole('button', { name: begins('common.more') }).click();
  const keys = page.getByRole('dialog').getByRole('switch', { name: en('parts.keysAreOn') });
  await keys.click({ force: true });
  await expect(keys).not.toBeChecked();
  await page.keyboard.press('Escape');
  await page.keyboard.press('2');
  await expect(bench.string(4)).toHaveAttribute('data-active', 'true');
});

test('figures can be hidden until the teacher commits', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('6');
  await bench.pluck(6);
  await page.keyboard.press('h');
  await expect(bench.figure).toHaveText(en('bench.hiddenFigure'));
  await expect(bench.string(6)).toHaveAccessibleName(saying('bench.noFigure'));
  await page.keyboard.press(' ');
  await expect(bench.figure).not.toHaveText(en('bench.hiddenFigure'));
});

test('no view asks another origin for anything', async ({ page, baseURL }) => {
  const foreign: string[] = [];
  page.on('request', (request) => {
    const url = request.url();
    if (!url.startsWith(baseURL ?? '') && !url.startsWith('data:') && !url.startsWith('blob:'))
      foreign.push(url);
  });
  const complaints: string[] = [];
  page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('d');
  await bench.pluckUnseen(6);
  await page.goto('/no-such-view');
  await page.getByRole('heading', { name: en('views.thereIsNoSuchPage') }).waitFor();
  expect(foreign).toEqual([]);
  expect(complaints).toEqual([]);
});

test('the empty shelf says what it is for and puts a guitar on the bench in one click', async ({
  page,
}) => {
  await page.goto(`http://127.0.0.1:${OWN_PORT}/`);
  await expect(page.getByRole('heading', { name: en('bench.whatStands') })).toBeVisible();
  await page
    .getByRole('button', {
      name: en('bench.tryItWithAPractice', { kind: message('common.kind', { kind: 'guitar' }) }),
    })
    .click();
  await expect(
    page.getByRole('button', {
      name: begins('common.nameTunedInHand', {
        name: en('bench.myInstrument', { kind: 'guitar' }),
      }),
    }),
  ).toBeVisible();
});

test('listening can be stopped, and begun again', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  const button = page.getByRole('button', { name: begins('common.listening') });
  await expect(button).toHaveAttribute('aria-pressed', 'true');
  await button.click();
  await expect(page.getByText(en('common.notListening'))).toBeVisible();
  await expect(bench.advice).toContainText(saying('bench.source'));
  await expect(page.getByRole('button', { name: begins('common.pluckStringCourse') })).toHaveCount(
    0,
  );
  await bench.practise();
  await page.keyboard.press('6');
  expect(await bench.pluck(6)).toBeLessThan(-15);
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  const listening = async (page: Page) => {
    const bench = new BenchPage(page);
    await bench.open();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, playedBy([], [{ seconds: 0.1 }]));
    await page.getByText(en('common.roomQuiet')).waitFor();
    return bench;
  };

  /** A pluck that is muted almost at once. */
  const TOO_SHORT = playedBy(
    [],
    [
      { pluck: 6, seconds: 0.03 },
      { mute: true, seconds: 0.6 },
    ],
  );

  test('a pluck cut off by stopping is not booked afterwards', async ({ page }) => {
    const bench = await listening(page);
    const { sound, notes } = plucksOf([5, 5], [0, 0, 0, 0, 0, 0]);
    // Two fifths of a second of the note are heard, then nothing more.
    await feed(page, sound.subarray(0, Math.round((notes[0]!.at + 0.4) * 48_000)));
    await page.keyboard.press('l');
    await expect(page.getByText(en('common.notListening'))).toBeVisible();
    // What is heard when listening begins again is all that counts.
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, sound.subarray(Math.round((notes[1]!.at - 1) * 48_000)));
    await expect.poll(() => bench.plucks(5)).toBe(1);
    await heardOut(page);
    expect(await bench.plucks(5)).toBe(1);
  });

  test('a sentence whose text comes late takes neither the microphone nor the strings from the bench', async ({
    page,
  }) => {
    let arrive = () => {};
    const arrived = new Promise<void>((done) => {
      arrive = done;
    });
    await page.route(/assets\/advice-[\w-]+\.js$/, async (route) => {
      await arrived;
      await route.continue();
    });
    const bench = await listening(page);
    // Too short to be read: what is said of it stands in the texts that are still on their way.
    await feed(page, TOO_SHORT);
    await page.getByText(en('common.moment')).waitFor();
    arrive();
    await expect(bench.advice).toContainText(en('advice.notSure'));
    await feed(page, playedBy([], [{ pluck: 5, seconds: 1.6 }]));
    await expect.poll(() => bench.plucks(5)).toBe(1);
    await expect(page.getByRole('button', { name: begins('common.listening') })).toBeVisible();
  });

  test('a refusal is gone once the teacher goes on', async ({ page }) => {
    const bench = await listening(page);
    await feed(page, TOO_SHORT);
    await expect(bench.advice).toContainText(en('advice.notSure'));
    await page.keyboard.press(' ');
    await expect(bench.advice).not.toContainText(en('advice.notSure'));
  });
});
