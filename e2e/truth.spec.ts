import { normal, seededRandom } from '@rosefinch/core/maths';
import { list, message } from '@rosefinch/core/message';
import { SUMMARY_FORM } from '@rosefinch/core/sitting';
import { BenchPage, HEARD_WITHIN } from './bench.ts';
import { FretsPage } from './frets.ts';
import { OWN_PORT } from './playwright.config.ts';
import { SettlePage } from './settle.ts';
import { playedBy, plucksOf, sixPlucksFile } from './sound.ts';
import {
  begins,
  either,
  en,
  expect,
  feed,
  fromMore,
  note,
  type Page,
  recording,
  saying,
  test,
} from './test.ts';

/** Advice to turn a peg. */
const TURNING = either(saying('bench.turn'), saying('bench.turnBold'), saying('bench.farOff'));
/** What the first guitar is called that is put on an empty shelf. */
const MINE = en('bench.myInstrument', { kind: 'guitar' });
const OWN = `http://127.0.0.1:${OWN_PORT}`;

test.describe('by microphone', () => {
  test.use({ standIn: true });

  const listening = async (page: Page) => {
    const bench = new BenchPage(page);
    await bench.open();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    return bench;
  };

  test('a chosen string is believed; where it cannot sound so it is the other one', async ({
    page,
  }) => {
    const bench = await listening(page);
    // Five semitones flat, and nearer to another string's note: the player knows better.
    await page.keyboard.press('2');
    await feed(page, playedBy([0, -500], [{ pluck: 2, seconds: 1.6 }]));
    await expect.poll(() => bench.plucks(2)).toBe(1);
    expect(await bench.plucks(3)).toBe(0);
    expect(Math.abs((await bench.deviation(2)) + 500)).toBeLessThan(3);
    // No thick string sounds two octaves above its note.
    await page.keyboard.press('6');
    await feed(page, playedBy([], [{ pluck: 1, seconds: 1.6 }]));
    await expect.poll(() => bench.plucks(1)).toBe(1);
    await expect(bench.advice).toContainText(en('advice.anotherString', { heard: 1 }));
    await expect(bench.advice).not.toContainText(TURNING);
    expect(await bench.plucks(6)).toBe(0);
  });

  test('where both strings are known and the other one sounds, the player is asked', async ({
    page,
  }) => {
    const bench = await listening(page);
    for (const course of [4, 5]) {
      const sound = playedBy(
        [],
        [1, 2].map(() => ({ pluck: course, seconds: 1.6 })),
      );
      await feed(page, sound);
      await expect.poll(() => bench.plucks(course)).toBe(2);
    }
    await page.keyboard.press('4');
    await feed(page, playedBy([], [{ pluck: 5, seconds: 1.6 }]));
    await expect(bench.advice).toContainText(saying('bench.choseOther', { chosen: 4, other: 5 }));
    await expect(bench.advice).not.toContainText(TURNING);
    await page.keyboard.press('5');
    await expect.poll(() => bench.plucks(5)).toBe(3);
    expect(await bench.plucks(4)).toBe(2);
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
    await expect(bench.advice).toContainText(
      saying('bench.pluck', {
        string: message('common.stringAndNote', { string: 3, note: note(55) }),
      }),
    );
  });

  test('a string in doubt is named, and its pluck kept until it is known', async ({ page }) => {
    const bench = await listening(page);
    // Half way between the fifth and the sixth string: nobody can say which it is.
    await feed(page, playedBy([0, 0, 0, 0, 0, 250], [{ pluck: 6, seconds: 1.6 }]));
    await expect(bench.advice).toContainText(
      either(
        saying('bench.mayBeString', { strings: list([5, 6], 'or') }),
        saying('bench.mayBeString', { strings: list([6, 5], 'or') }),
        saying('bench.whichString', { strings: list([5, 6], 'or') }),
        saying('bench.whichString', { strings: list([6, 5], 'or') }),
      ),
    );
    expect(await bench.plucks(6)).toBe(0);
    await page.keyboard.press('6');
    await expect.poll(() => bench.plucks(6)).toBe(1);
    expect(Math.abs((await bench.deviation(6)) - 250)).toBeLessThan(3);
    expect(await bench.plucks(5)).toBe(0);
  });

  test('another instrument across the room is not counted, unless the teacher says that it was this one', async ({
    page,
  }) => {
    const bench = await listening(page);
    const plucked = (course: number) => playedBy([], [{ pluck: course, seconds: 1.6 }]);
    for (let n = 0; n < 3; n++) await feed(page, plucked(6));
    await expect.poll(() => bench.plucks(6)).toBe(3);
    await feed(page, acrossTheRoom(plucked(4)));
    await expect(page.getByText(en('bench.notOurs'))).toBeVisible();
    // The screen stays with the string that was read last.
    await expect(bench.string(6)).toHaveAttribute('data-active', 'true');
    expect(await bench.plucks(4)).toBe(0);
    await page.getByRole('button', { name: en('bench.itWasStringOne', { one: '4' }) }).click();
    await expect.poll(() => bench.plucks(4)).toBe(1);
    await expect(page.getByText(en('bench.notOurs'))).toBeHidden();
  });

  test('a pluck made before a step of the peg test was asked for does not move it on', async ({
    page,
  }) => {
    const bench = await listening(page);
    await page.keyboard.press('g');
    await expect(bench.advice).toContainText(en('advice.pegPluck', { string: 6 }));
    // Two plucks of the fifth string, the first of them while the sixth was in hand.
    const { sound, notes } = plucksOf([5, 5], [0, 0, 0, 0, 0, 0]);
    const cut = Math.round((notes[0]!.at + 0.15) * 48_000);
    await feed(page, sound.subarray(0, cut));
    await page.keyboard.press(' ');
    await expect(bench.advice).toContainText(en('advice.pegPluck', { string: 5 }));
    await feed(page, sound.subarray(cut, Math.round(notes[1]!.at * 48_000)));
    await expect.poll(() => bench.plucks(5)).toBe(1);
    await expect(bench.advice).toContainText(en('advice.pegPluck', { string: 5 }));
    await feed(page, sound.subarray(Math.round(notes[1]!.at * 48_000)));
    await expect(bench.advice).toContainText(saying('advice.pegTurn'));
  });

  test('practising alone does not make a real guitar looked at', async ({ page }) => {
    await page.goto(OWN);
    await page
      .getByRole('button', {
        name: en('bench.tryItWithAPractice', { kind: message('common.kind', { kind: 'guitar' }) }),
      })
      .click();
    const bench = new BenchPage(page);
    await expect.poll(() => bench.plucks(6)).toBe(1);
    await expect(page.getByText(saying('bench.practising', { instrument: MINE }))).toBeVisible();
    await page.getByRole('link', { name: en('views.shelf'), exact: true }).click();
    await expect(
      page.getByRole('listitem', { name: saying('bench.myInstrument', { kind: 'guitar' }) }),
    ).toContainText(en('shelf.notLookedAt'));
    await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
    // The real one begins anew, whatever was practised.
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, playedBy([], [{ pluck: 5, seconds: 1.6 }]));
    await expect.poll(() => bench.plucks(5)).toBe(1);
    expect(await bench.plucks(6)).toBe(0);
    await page.getByRole('link', { name: en('views.shelf'), exact: true }).click();
    await expect(
      page.getByRole('listitem', { name: saying('bench.myInstrument', { kind: 'guitar' }) }),
    ).not.toContainText(saying('shelf.notLookedAt'));
  });
});

test('practice at new strings and at frets tells nothing of a real ukulele', async ({ page }) => {
  await page.goto(`${OWN}/shelf`);
  await page.getByLabel(en('shelf.name')).fill('Godwit');
  await page.getByLabel(en('bench.kind')).selectOption({ label: en('shelf.model.ukuleleSoprano') });
  await page.getByRole('button', { name: en('shelf.putItOnTheShelf') }).click();
  await page.getByRole('link', { name: /Godwit/ }).waitFor();
  await page.goto(`${OWN}/frets`);
  const frets = new FretsPage(page);
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.sound();
  await fromMore(page, en('frets.thatIsEnough'));
  await page.goto(`${OWN}/settle`);
  const settle = new SettlePage(page);
  await settle.begin();
  await settle.practise();
  await settle.pluck(4);
  await page.getByRole('link', { name: en('views.shelf'), exact: true }).click();
  await page.getByRole('link', { name: /Godwit/ }).waitFor();
  await expect(page.getByRole('listitem', { name: /Godwit/ })).toContainText(
    en('shelf.notLookedAt'),
  );
  await page.getByRole('link', { name: /Godwit/ }).click();
  await page.getByRole('button', { name: en('shelf.save') }).waitFor();
  await expect(page.getByRole('region', { name: en('views.frets') })).toHaveCount(0);
  // The real one begins anew on the bench.
  await page.goto(OWN);
  await expect(new BenchPage(page).string(4)).toHaveAccessibleName(saying('bench.noFigure'));
});

test('a recording counts for its instrument once the teacher has said so', async ({ page }) => {
  await page.goto(OWN);
  await page
    .getByRole('button', {
      name: en('bench.tryItWithAPractice', { kind: message('common.kind', { kind: 'guitar' }) }),
    })
    .click();
  await recording(page, sixPlucksFile().file);
  await page.waitForURL(/\/recordings\//);
  const asked = page.getByRole('region', { name: en('recording.whoseRecording') });
  await expect(asked).toContainText(en('recording.whose', { instrument: MINE }));
  await page.getByRole('link', { name: en('views.shelf'), exact: true }).click();
  await expect(
    page.getByRole('listitem', { name: saying('bench.myInstrument', { kind: 'guitar' }) }),
  ).toContainText(en('shelf.notLookedAt'));
  await page.goBack();
  await asked.getByRole('button', { name: en('recording.yesCountItForOf', { of: MINE }) }).click();
  await expect(page.getByText(en('recording.keptAsSitting', { instrument: MINE }))).toBeVisible();
  await page.reload();
  await expect(page.getByText(en('recording.keptAsSitting', { instrument: MINE }))).toBeVisible();
  await expect(asked).toHaveCount(0);
  await page.getByRole('link', { name: en('views.shelf'), exact: true }).click();
  await expect(
    page.getByRole('listitem', { name: saying('bench.myInstrument', { kind: 'guitar' }) }),
  ).not.toContainText(saying('shelf.notLookedAt'));
});

test('a setting that cannot be says so in its field, and one that waits says for what', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.getByRole('link', { name: en('views.settings'), exact: true }).click();
  const a4 = page.getByLabel(en('settings.a4Hz'));
  for (const typed of ['1000', '13', '-440', '']) {
    await a4.fill(typed);
    await expect(a4).toHaveAttribute('aria-invalid', 'true');
    await expect(page.getByText(saying('settings.a4Stays', { a4: '440' }))).toBeVisible();
  }
  await a4.fill('442');
  await expect(a4).not.toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByText(saying('settings.sittingKeeps', { a4: '440' }))).toBeVisible();
  await page
    .getByRole('button', { name: begins('settings.beginANewSittingWith', { a4: '442' }) })
    .click();
  await expect(page.getByText(saying('settings.sittingKeeps'))).toHaveCount(0);
  await page.getByLabel(en('settings.toleranceCents')).fill('0');
  await expect(
    page.getByText(
      saying('parts.tooLittle', { unit: 'cents', value: '0', low: '0.5', high: '20' }),
    ),
  ).toBeVisible();
  await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
  await expect(page.getByText(en('common.a4', { a4: 442 }))).toBeVisible();
});

test('a sitting that was ended by a slip is taken back', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await fromMore(page, en('bench.startAfresh'));
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
    ['/', 'views.bench'],
    ['/shelf', 'views.shelf'],
    ['/tunings', 'views.tunings'],
    ['/shelf/heron', 'views.instrument'],
  ] as const) {
    await page.goto(path);
    await expect(page).toHaveTitle(en('common.titleRosefinch', { title: en(title) }));
  }
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: en('common.skipToTheView') })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('main')).toBeFocused();
  // A summary that no session can have.
  await page.evaluate(
    (form) =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('rosefinch-demo');
        opening.onsuccess = () => {
          const change = opening.result.transaction(['sessions', 'summaries'], 'readwrite');
          const session = { id: 'x', instrumentId: 'heron', tuningId: 'guitar-standard', a4: 440 };
          const time = { tolerance: 2, source: 'microphone', startedAt: 1, zone: 'Mars/Olympus' };
          change.objectStore('sessions').put({ ...session, ...time, endedAt: null });
          change.objectStore('summaries').put({ id: 'x', form, strings: null, startedAt: 1 });
          change.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    SUMMARY_FORM,
  );
  await page.goto('/log?all');
  await expect(page.getByRole('alert')).toContainText(en('common.stopped'));
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: en('views.writeABackup') }).click(),
  ]);
  expect(saved.suggestedFilename()).toMatch(/^rosefinch-.*\.json$/);
  await page.getByRole('link', { name: en('views.tunings'), exact: true }).click();
  await expect(page.getByText(saying('tunings.fit'))).toBeVisible();
});

/** What a microphone hears of a sound at the other end of a room: softer, and drowned in its echoes. */
function acrossTheRoom(dry: Float32Array): Float32Array {
  const random = seededRandom(46);
  const out = new Float32Array(dry.length);
  for (let k = 0; k < 300; k++) {
    const delay = k === 0 ? 0 : Math.round(random() * 0.4 * 48_000);
    const gain = k === 0 ? 0.15 : 0.06 * normal(random) * Math.exp((-6.9 * delay) / (0.7 * 48_000));
    for (let i = 0; i + delay < out.length; i++) out[i + delay]! += gain * dry[i]!;
  }
  return out;
}
