import { list, message } from '@rosefinch/core/message';
import { BenchPage } from './bench.ts';
import { begins, en, expect, note, type Page, saying, storedEvents, take, test } from './test.ts';

/** Plans the way to a tuning and begins it on the bench. */
async function planTo(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: en('common.groupRetune') }).click();
  await page
    .getByLabel(en('retune.toTheTuning'))
    .selectOption({ label: en('retune.toName', { name }) });
}

async function carryOut(page: Page, courses: readonly number[]): Promise<BenchPage> {
  await page.getByRole('button', { name: en('retune.doItOnTheBench') }).click();
  const bench = new BenchPage(page);
  await bench.practise();
  for (const course of courses) {
    await page.keyboard.press(String(course));
    await bench.bringToPitch(course);
    expect(Math.abs(await bench.deviation(course))).toBeLessThan(2.5);
  }
  return bench;
}

/** The wires of strings that move, the highest number first. */
const steps = (page: Page) => page.getByRole('button', { name: saying('retune.stepTo') });

test('on the way to open D: a plan, a reload in its middle, and back from where the strings are', async ({
  page,
}) => {
  test.setTimeout(400_000);
  await new BenchPage(page).open();
  await planTo(page, en('names.guitarOpenD'));
  await expect(steps(page)).toHaveCount(4);
  const third = page.getByRole('button', {
    name: begins('common.lineSays', {
      line: message('common.stringAndNoteTitle', { string: 3, note: note(55) }),
    }),
  });
  // String 4 will have risen by then, as string 6 was let down: it is string 6 that agrees.
  await expect(third).toContainText(
    en('common.againstOther', {
      good: 'exact',
      string: 6,
      fret: 4,
      interval: message('common.interval', { distance: 'downOne' }),
    }),
  );
  const there = await carryOut(page, [6]);
  for (const [course, midi] of [
    [6, 38],
    [3, 54],
    [1, 62],
  ] as const)
    await expect(
      page.getByRole('button', {
        name: begins('common.lineSays', {
          line: message('common.stringAndNoteTitle', { string: course, note: note(midi) }),
        }),
      }),
    ).toBeVisible();
  // Those that stay are read before anything leans on them; then the plan goes on with string 3.
  await expect(
    page.getByText(saying('bench.nextStrings', { strings: list([5, 4, 3, 2, 1], 'then') })),
  ).toBeVisible();
  for (const course of [5, 4]) {
    await page.keyboard.press(String(course));
    await there.bringToPitch(course);
  }
  await expect(
    page.getByText(saying('bench.nextStrings', { strings: list([3, 2, 1], 'then') })),
  ).toBeVisible();
  await page.keyboard.press(' ');
  await expect(
    page.getByText(
      en('common.compareBest', {
        best: message('common.compareOther', {
          good: 'exact',
          string: 4,
          fret: 4,
          interval: message('common.interval', { distance: 'same' }),
        }),
      }),
    ),
  ).toBeVisible();
  // What was decided is on the disk before the page goes.
  await expect.poll(() => storedEvents(page, 'accept')).toBeGreaterThan(0);
  await page.reload();
  await page.locator('.job[aria-busy=false]').waitFor();
  await expect(
    page.getByText(
      en('common.compareBest', {
        best: message('common.compareOther', {
          good: 'exact',
          string: 4,
          fret: 4,
          interval: message('common.interval', { distance: 'same' }),
        }),
      }),
    ),
  ).toBeVisible();
  const bench = new BenchPage(page);
  await bench.practise();
  for (const course of [3, 2]) {
    await page.keyboard.press(String(course));
    await bench.bringToPitch(course);
  }

  // Back: from the strings as they were heard, to the tuning that the guitar is kept in.
  await page.getByRole('link', { name: en('common.groupRetune') }).click();
  await expect(page.getByLabel(en('retune.toTheTuning'))).toHaveValue('guitar-standard');
  await expect(steps(page)).toHaveCount(4);
  await expect(
    page.getByRole('button', {
      name: begins('common.stringAndNoteTitle', { string: 3 }),
    }),
  ).toBeVisible();
  await carryOut(page, [6]);
  // String 2 was left two semitones low: the bench still knows it without hearing it again.
  await page.keyboard.press('2');
  await expect(page.getByText(begins('retune.compareValue'))).toBeVisible();
  await page.keyboard.press('3');
  await new BenchPage(page).bringToPitch(3);
  await expect(bench.string(3)).toHaveAccessibleName(
    begins('common.lineSays', {
      line: message('common.stringAndNoteTitle', { string: 3, note: note(55) }),
    }),
  );
  await page.reload();
  await expect(bench.string(3)).toHaveAccessibleName(
    begins('common.lineSays', {
      line: message('common.stringAndNoteTitle', { string: 3, note: note(55) }),
    }),
  );
});

test('a way that brings a string near to breaking is cautioned with its figure', async ({
  page,
}) => {
  await new BenchPage(page).open();
  await planTo(page, en('names.guitarNewStandard'));
  await expect(page.getByRole('alert')).toContainText(
    en('retune.caution', { string: 1, semitones: 2.2467578633022236 }),
  );
});

test('a way that would break a string is refused with its figure and a way out', async ({
  page,
}) => {
  // G4 at A4 = 480 is 427.6 Hz; the first string breaks near 445 Hz, less than a semitone above.
  await page.goto('/settings');
  await page.getByLabel(en('retune.a4Hz')).fill('480');
  await page.getByLabel(en('retune.a4Hz')).blur();
  await planTo(page, en('names.guitarNewStandard'));
  await expect(
    page.getByRole('alert').filter({ hasText: en('common.stringTitle', { string: 1 }) }),
  ).toContainText(saying('retune.nearBreaking', { string: 1 }));
  await expect(page.getByRole('button', { name: en('retune.doItOnTheBench') })).toBeDisabled();
});

test('an instrument that is in a tuning is told that nothing has to move to it', async ({
  page,
}) => {
  await page.goto('/retune');
  await take(page, 'Bittern');
  await page.goto('/retune?to=guitar-seven-standard');
  await expect(page.getByRole('status')).toContainText(saying('retune.nothingToMove'));
});

test('a tuning is found by its notes, checked by ear, and planned', async ({ page }) => {
  await page.goto('/tunings');
  await page.getByRole('heading', { name: en('views.tunings') }).waitFor();
  await page.getByLabel(en('tunings.search')).fill('g d g c d');
  await expect(page.getByRole('status')).toHaveText(en('tunings.fit', { count: 2 }));
  await page.getByRole('link', { name: saying('names.banjoSawmill') }).click();
  const checks = page.getByRole('region', { name: en('tunings.checksByEar') });
  await expect(checks).toContainText(
    en('parts.checkSame', {
      apartBy: 'none',
      held: message('parts.held', { fret: 2, string: 2 }),
      open: 1,
      cents: 0,
    }),
  );
  await expect(page.getByRole('region', { name: en('tunings.strings') })).toContainText(
    en('tunings.onName', { name: 'Lapwing' }),
  );
  await expect(page.getByRole('region', { name: en('parts.tuningsNearBy') })).toContainText(
    en('names.guitarOpenG'),
  );
});

test('a banjo is read by its own practice instrument', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await take(page, 'Lapwing');
  await page.getByRole('button', { name: en('common.practiceSource', { kind: 'banjo' }) }).click();
  await expect.poll(() => bench.plucks(5)).toBe(1);
  for (const course of [4, 3, 2, 1]) {
    await page.keyboard.press(String(course));
    expect(Math.abs(await bench.pluck(course))).toBeLessThan(45);
  }
});
