import { BenchPage, HEARD_WITHIN } from './bench.ts';
import { FretsPage } from './frets.ts';
import { OWN_PORT } from './playwright.config.ts';
import { SettlePage } from './settle.ts';
import { playedBy, plucksOf, sixPlucksFile } from './sound.ts';
import { en, expect, feed, fromMore, type Page, recording, test } from './test.ts';

const OWN = `http://127.0.0.1:${OWN_PORT}`;

test.describe('by microphone', () => {
  test.use({ standIn: true });

  const listening = async (page: Page) => {
    const bench = new BenchPage(page);
    await bench.open();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    return bench;
  };

  test('a chosen string says what is meant, not what sounds', async ({ page }) => {
    const bench = await listening(page);
    for (const [chosen, sounded] of [
      [3, 6],
      [3, 2],
      [5, 4],
    ] as const) {
      await page.keyboard.press(String(chosen));
      await feed(page, playedBy([], [{ pluck: sounded, seconds: 1.6 }]));
      await expect.poll(() => bench.plucks(sounded)).toBe(1);
      await expect(bench.advice).toContainText(`That sounds like string ${sounded}`);
      await expect(bench.advice).not.toContainText(/tighten|loosen|slack/i);
      expect(await bench.plucks(chosen)).toBe(0);
    }
  });

  test('a pluck is put to the string that was chosen when it was made', async ({ page }) => {
    const bench = await listening(page);
    await page.keyboard.press('6');
    const { sound, notes } = plucksOf([6], [0, 0, 0, 0, 0, -31]);
    const cut = Math.round((notes[0]!.at + 0.15) * 48_000);
    await feed(page, sound.subarray(0, cut));
    await page.keyboard.press('3');
    await feed(page, sound.subarray(cut));
    await expect.poll(() => bench.plucks(6)).toBe(1);
    expect(await bench.plucks(3)).toBe(0);
    expect(Math.abs((await bench.deviation(6)) - notes[0]!.exact)).toBeLessThan(1.5);
    await expect(bench.advice).toContainText('Pluck string 3');
  });

  test('a string in doubt is asked for, and its pluck kept until then', async ({ page }) => {
    const bench = await listening(page);
    // Half way between the fifth and the sixth string: nobody can say which it is.
    await feed(page, playedBy([0, 0, 0, 0, 0, 250], [{ pluck: 6, seconds: 1.6 }]));
    await expect(bench.advice).toContainText(/Was that string (5 or 6|6 or 5)\?/);
    expect(await bench.plucks(6)).toBe(0);
    await page.keyboard.press('6');
    await expect.poll(() => bench.plucks(6)).toBe(1);
    expect(Math.abs((await bench.deviation(6)) - 250)).toBeLessThan(3);
    expect(await bench.plucks(5)).toBe(0);
  });

  test('a pluck made before a step of the peg test was asked for does not move it on', async ({
    page,
  }) => {
    const bench = await listening(page);
    await page.keyboard.press('g');
    await expect(bench.advice).toContainText('Pluck string 6.');
    // Two plucks of the fifth string, the first of them while the sixth was in hand.
    const { sound, notes } = plucksOf([5, 5], [0, 0, 0, 0, 0, 0]);
    const cut = Math.round((notes[0]!.at + 0.15) * 48_000);
    await feed(page, sound.subarray(0, cut));
    await page.keyboard.press(' ');
    await expect(bench.advice).toContainText('Pluck string 5.');
    await feed(page, sound.subarray(cut, Math.round(notes[1]!.at * 48_000)));
    await expect.poll(() => bench.plucks(5)).toBe(1);
    await expect(bench.advice).toContainText('Pluck string 5.');
    await feed(page, sound.subarray(Math.round(notes[1]!.at * 48_000)));
    await expect(bench.advice).toContainText('Turn its button');
  });

  test('practising alone does not make a real guitar looked at', async ({ page }) => {
    await page.goto(OWN);
    await page.getByRole('button', { name: 'Try it with a practice guitar' }).click();
    const bench = new BenchPage(page);
    await expect.poll(() => bench.plucks(6)).toBe(1);
    await expect(page.getByText('it tells nothing of the real My guitar')).toBeVisible();
    await page.getByRole('link', { name: 'Shelf' }).click();
    await expect(page.getByRole('listitem', { name: /My guitar/ })).toContainText(
      'Not looked at yet.',
    );
    await page.getByRole('link', { name: en('views.bench') }).click();
    // The real one begins anew, whatever was practised.
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, playedBy([], [{ pluck: 5, seconds: 1.6 }]));
    await expect.poll(() => bench.plucks(5)).toBe(1);
    expect(await bench.plucks(6)).toBe(0);
    await page.getByRole('link', { name: 'Shelf' }).click();
    await expect(page.getByRole('listitem', { name: /My guitar/ })).not.toContainText(
      'Not looked at',
    );
  });
});

test('practice at new strings and at frets tells nothing of a real ukulele', async ({ page }) => {
  await page.goto(`${OWN}/shelf`);
  await page.getByLabel('Name').fill('Godwit');
  await page.getByLabel('Kind').selectOption({ label: 'Ukulele, soprano' });
  await page.getByRole('button', { name: en('shelf.putItOnTheShelf') }).click();
  await page.getByRole('link', { name: /Godwit/ }).waitFor();
  await page.goto(`${OWN}/frets`);
  const frets = new FretsPage(page);
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.sound();
  await fromMore(page, 'That is enough');
  await page.goto(`${OWN}/settle`);
  const settle = new SettlePage(page);
  await settle.begin();
  await settle.practise();
  await settle.pluck(4);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('link', { name: /Godwit/ }).waitFor();
  await expect(page.getByRole('listitem', { name: /Godwit/ })).toContainText(
    en('shelf.notLookedAt'),
  );
  await page.getByRole('link', { name: /Godwit/ }).click();
  await page.getByRole('button', { name: 'Save' }).waitFor();
  await expect(page.getByRole('region', { name: 'Frets' })).toHaveCount(0);
  // The real one begins anew on the bench.
  await page.goto(OWN);
  await expect(new BenchPage(page).string(4)).toHaveAccessibleName(/no figure/);
});

test('a recording counts for its instrument once the teacher has said so', async ({ page }) => {
  await page.goto(OWN);
  await page.getByRole('button', { name: 'Try it with a practice guitar' }).click();
  await recording(page, sixPlucksFile().file);
  await page.waitForURL(/\/recordings\//);
  const asked = page.getByRole('region', { name: en('recording.whoseRecording') });
  await expect(asked).toContainText('Is this My guitar, as it is now?');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('listitem', { name: /My guitar/ })).toContainText(
    'Not looked at yet.',
  );
  await page.goBack();
  await asked.getByRole('button', { name: 'Yes, count it for My guitar' }).click();
  await expect(page.getByText('Kept as a sitting of My guitar.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Kept as a sitting of My guitar.')).toBeVisible();
  await expect(asked).toHaveCount(0);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('listitem', { name: /My guitar/ })).not.toContainText(
    'Not looked at',
  );
});

test('a setting that cannot be says so in its field, and one that waits says for what', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.getByRole('link', { name: 'Settings' }).click();
  const a4 = page.getByLabel('A4, Hz');
  for (const typed of ['1000', '13', '-440', '']) {
    await a4.fill(typed);
    await expect(a4).toHaveAttribute('aria-invalid', 'true');
    await expect(page.getByText(/^A4: .*400 to 480 Hz\. 440 Hz stays\.$/)).toBeVisible();
  }
  await a4.fill('442');
  await expect(a4).not.toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByText('The sitting on the bench keeps 440 Hz')).toBeVisible();
  await page.getByRole('button', { name: /^Begin a new sitting with 442 Hz/ }).click();
  await expect(page.getByText('The sitting on the bench keeps')).toHaveCount(0);
  await page.getByLabel(en('settings.toleranceCents')).fill('0');
  await expect(
    page.getByText('Tolerance: 0 cents is too little; 0.5 to 20 cents. 2 cents stay.'),
  ).toBeVisible();
  await page.getByRole('link', { name: en('views.bench') }).click();
  await expect(page.getByText('A4 442 Hz')).toBeVisible();
});

test('a sitting that was ended by a slip is taken back', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await fromMore(page, 'Start afresh');
  await expect.poll(() => bench.plucks(6)).toBe(0);
  await page
    .getByRole('region', { name: en('common.notice') })
    .getByRole('button', { name: en('common.undo') })
    .click();
  await expect.poll(() => bench.plucks(6), { timeout: HEARD_WITHIN }).toBe(1);
  await page.reload();
  await expect.poll(() => bench.plucks(6), { timeout: HEARD_WITHIN }).toBe(1);
});

test('each view has its title and a way past the head; one that fails leaves the others', async ({
  page,
}) => {
  for (const [path, title] of [
    ['/', 'Bench'],
    ['/shelf', 'Shelf'],
    ['/tunings', 'Tunings'],
    ['/shelf/heron', 'Instrument'],
  ] as const) {
    await page.goto(path);
    await expect(page).toHaveTitle(`${title} · Rosefinch`);
  }
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: en('common.skipToTheView') })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('main')).toBeFocused();
  // A summary that no sitting can have.
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('rosefinch-demo');
        opening.onsuccess = () => {
          const change = opening.result.transaction(['sessions', 'summaries'], 'readwrite');
          const session = { id: 'x', instrumentId: 'heron', tuningId: 'guitar-standard', a4: 440 };
          const time = { tolerance: 2, source: 'microphone', startedAt: 1, zone: 'Mars/Olympus' };
          change.objectStore('sessions').put({ ...session, ...time, endedAt: null });
          change.objectStore('summaries').put({ id: 'x', form: 2, strings: null, startedAt: 1 });
          change.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
  );
  await page.goto('/log?all');
  await expect(page.getByRole('alert')).toContainText(en('common.stopped'));
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Write a backup' }).click(),
  ]);
  expect(saved.suggestedFilename()).toMatch(/^rosefinch-.*\.json$/);
  await page.getByRole('link', { name: 'Tunings' }).click();
  await expect(page.getByText(/tunings fit/)).toBeVisible();
});
