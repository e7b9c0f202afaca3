import type { ExerciseKind } from '@rosefinch/core/ear';
import { Estimator } from '@rosefinch/core/listen';
import { seriousFaults } from './axe.ts';
import { begins, either, en, expect, feed, type Page, saying, test } from './test.ts';

const RATE = 48_000;
/** A frame from within a note, in samples. */
const FRAME = 16_384;

/** Everything that the page sounds is kept, as a learner's ear would have it. */
async function overhear(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const heard: number[][] = [];
    Object.assign(globalThis, { heard });
    const { start } = AudioBufferSourceNode.prototype;
    AudioBufferSourceNode.prototype.start = function (...when) {
      if (this.buffer) heard.push([...this.buffer.getChannelData(0)]);
      start.apply(this, when);
    };
  });
}

/** How far the second of the two notes that sounded last lies above the first, by the ear of the project. */
async function interval(page: Page): Promise<number> {
  const sound = await page.evaluate(
    () => (globalThis as unknown as { heard: number[][] }).heard.at(-1) ?? [],
  );
  const estimator = new Estimator(RATE, FRAME);
  const pitch = (from: number) =>
    estimator.estimate(Float64Array.from(sound), Math.round(from * RATE), FRAME)?.reportedHz ?? 0;
  const first = pitch(0.3);
  return 1200 * Math.log2(pitch(1.45) / first);
}

const says = (page: Page, text: string | RegExp) =>
  expect(
    page
      .getByRole('region', {
        name: either(
          saying('ear.question'),
          saying('ear.twoStrings'),
          saying('ear.twoTonesThatBeat'),
          saying('ear.aNoteToSing'),
          saying('common.stringInHand'),
        ),
      })
      .getByRole('status'),
  ).toContainText(text);

/** Answers that the records hold: a page that is left before would take the newest with it. */
const stored = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('rosefinch-demo');
        opening.onsuccess = () => {
          const all = opening.result.transaction('earRuns').objectStore('earRuns').getAll();
          all.onsuccess = () => {
            opening.result.close();
            resolve(all.result.reduce((sum, { trials }) => sum + trials.length, 0));
          };
        };
      }),
  );

const kept = (page: Page, answers: number) =>
  expect.poll(() => stored(page)).toBeGreaterThanOrEqual(answers);

async function open(page: Page, exercise: ExerciseKind, way = en('ear.begin')): Promise<void> {
  await page.goto('/ear');
  await page
    .getByRole('region', { name: en('ear.exercise', { exercise }) })
    .getByRole('link', { name: way })
    .click();
  await says(
    page,
    either(saying('ear.begin.more'), saying('ear.chooseHelp'), saying('ear.enterBegins')),
  );
}

test('a minute of higher or lower: answered by keys alone, each answer kept, and told on the page', async ({
  page,
}) => {
  await overhear(page);
  await open(page, 'direction', en('ear.aMinute'));
  await page.keyboard.press('Enter');
  for (let i = 1; i <= 5; i++) {
    await says(page, en('ear.lowerOrHigher'));
    const cents = await interval(page);
    await page.keyboard.press(cents < 0 ? '1' : '3');
    await says(page, saying(cents < 0 ? 'ear.toldLower' : 'ear.toldHigher', { verdict: 'right' }));
    if (i === 2) {
      expect(await seriousFaults(page)).toEqual([]);
      await page.keyboard.press(' ');
      await says(
        page,
        saying(cents < 0 ? 'ear.toldLower' : 'ear.toldHigher', { verdict: 'right' }),
      );
    }
    await page.keyboard.press('Enter');
  }
  await says(page, en('ear.tooFew', { answers: 5 }));
  await page.keyboard.press('Enter');
  const row = page.getByRole('region', { name: en('ear.exercise', { exercise: 'direction' }) });
  await expect(row).toContainText(saying('ear.tooFew', { answers: 5 }));
  // It holds after a reload, and the page to print has it.
  await page.reload();
  await expect(row).toContainText(saying('ear.tooFew', { answers: 5 }));
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('link', { name: en('ear.progressOnPaper') }).click();
  await expect(
    page.getByRole('row', { name: saying('ear.exercise', { exercise: 'direction' }) }),
  ).toContainText(saying('ear.tooFew', { answers: 5 }));
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: en('ear.saveAsCSV') }).click();
  const stream = await (await saved).createReadStream();
  let text = '';
  for await (const piece of stream) text += piece;
  expect(text.trim().split('\r\n')).toHaveLength(6);
});

test('without feedback the next question follows by itself, and a reload in the middle keeps what was answered', async ({
  page,
}) => {
  await overhear(page);
  await open(page, 'direction');
  await page.getByText(en('ear.nothing'), { exact: true }).click();
  await expect(page.getByRole('radio', { name: en('ear.nothing') })).toBeChecked();
  await page.keyboard.press('Enter');
  for (let i = 0; i < 2; i++) {
    await says(page, en('ear.lowerOrHigher'));
    await page.keyboard.press('2');
    await says(page, en('ear.listen'));
  }
  await kept(page, 2);
  await page.reload();
  await says(page, en('ear.enterBegins'));
  await page.goto('/ear');
  await expect(
    page.getByRole('region', { name: en('ear.exercise', { exercise: 'direction' }) }),
  ).toContainText(en('ear.lengthAnswers', { length: 2 }));
});

test('a string is turned by keys until two agree, and the way there is drawn', async ({ page }) => {
  await overhear(page);
  await open(page, 'match');
  await page.getByRole('button', { name: en('ear.begin') }).click();
  await says(page, begins('ear.turnUntil'));
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press(' ');
  await page.keyboard.press('Enter');
  await says(page, begins('ear.matched'));
  await says(page, saying('ear.matched.more', { turns: 2 }));
  await expect(
    page.getByRole('img', { name: begins('ear.turnedFromSignedCentsToSignedCents2') }),
  ).toBeVisible();
  await page.keyboard.press('Enter');
  await says(page, begins('ear.turnUntil'));
});

test('a beat is counted by taps, another one is called', async ({ page }) => {
  await open(page, 'beats');
  await page.keyboard.press('Enter');
  await says(page, en('ear.beatTap'));
  for (const taps of [1, 2, 3]) {
    await page.keyboard.press('t');
    await says(page, en('ear.beatTap.more', { taps }));
  }
  await page.keyboard.press('t');
  await says(page, saying('ear.beatRate'));
  await page.keyboard.press('Enter');
  await says(page, begins('ear.beatCounted'));
  await page.keyboard.press('Enter');
  await says(page, en('ear.beatStop'));
  await page.keyboard.press('Enter');
  await says(page, begins('ear.beatCalled'));
});

test('learners have their own figures, and take them along when they are deleted', async ({
  page,
}) => {
  await page.goto('/ear');
  await page.getByRole('button', { name: en('ear.addALearner') }).click();
  await page.getByLabel(en('ear.nameOrInitials')).fill('R. F.');
  await page.getByRole('button', { name: en('ear.add'), exact: true }).click();
  await expect(page.getByRole('combobox', { name: en('ear.whoseEar') })).toHaveValue('R. F.');
  await page
    .getByRole('region', { name: en('ear.exercise', { exercise: 'match' }) })
    .getByRole('link', { name: en('ear.begin') })
    .click();
  await page.getByRole('button', { name: en('ear.begin') }).click();
  await page.keyboard.press('Enter');
  await says(page, begins('ear.matched'));
  // By the app's own link: a new page would end this one before its answer is written.
  await page.getByRole('link', { name: en('ear.ear'), exact: true }).click();
  const row = page.getByRole('region', { name: en('ear.exercise', { exercise: 'match' }) });
  await expect(row).toContainText(en('ear.noFigure'));
  await page.getByRole('button', { name: en('ear.deleteName', { name: 'R. F.' }) }).click();
  await expect(row).toContainText(en('ear.neverDone2'));
  await page.getByRole('button', { name: en('common.undo') }).click();
  await page.getByRole('combobox', { name: en('ear.whoseEar') }).click();
  await page.getByRole('option', { name: 'R. F.' }).click();
  await expect(row).toContainText(en('ear.noFigure'));
});

test('a question to the class: hands are typed in, and no single child is kept', async ({
  page,
}) => {
  await overhear(page);
  await open(page, 'class');
  const figure = page.getByRole('region', { name: en('ear.justNoticeableDifference') });
  for (let question = 1; question <= 4; question++) {
    // Many hands on one question tell no figure yet.
    await expect(figure).not.toContainText(saying('ear.noticesNoticed'));
    await page.keyboard.press('Enter');
    await says(page, en('ear.whoHeard'));
    const hands = page.getByRole('form', { name: en('ear.hands') });
    const lower = (await interval(page)) < 0;
    await hands.getByLabel(en('ear.lower')).fill(lower ? '11' : '3');
    await hands.getByLabel(en('ear.higher')).fill(lower ? '3' : '11');
    await hands.getByRole('button', { name: en('ear.count') }).click();
    await says(
      page,
      either(
        begins('ear.toldLower', { verdict: 'open' }),
        begins('ear.toldHigher', { verdict: 'open' }),
      ),
    );
  }
  await expect(figure).toContainText(saying('ear.noticesNoticed'));
  await expect(page.getByRole('img', { name: begins('ear.shareOfHandsForHigher') })).toBeVisible();
});

test('a practice instrument is put out and brought back by one tone: all is hidden until it is done', async ({
  page,
}) => {
  await open(page, 'whole');
  await page.getByText(en('ear.aid', { aid: 'oneTone' })).click();
  await page.getByRole('button', { name: en('ear.begin') }).click();
  await says(page, en('ear.chooseMicrophone'));
  await page.getByRole('button', { name: begins('common.practiceSource') }).click();
  for (let string = 6; string >= 1; string--) {
    await says(page, en('ear.putOut', { string }));
    await page.keyboard.press(' ');
  }
  await says(page, en('ear.bringBack'));
  await expect(page.getByTestId('figure')).toHaveText(en('bench.hiddenFigure'));
  await page.keyboard.press('Enter');
  for (let string = 6; string >= 1; string--) {
    await says(page, begins('ear.pluckString', { string }));
    await page.keyboard.press(' ');
  }
  await says(page, begins('ear.restored'));
  await kept(page, 1);
  await page.goto('/ear');
  await expect(
    page.getByRole('region', { name: en('ear.exercise', { exercise: 'whole' }) }),
  ).toContainText(saying('ear.usuallyOff'));
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  /** A voice that holds a note with vibrato between two silences: partials of a bright vowel. */
  const sungNote = (hz: number): Float32Array => {
    const out = new Float32Array(5.6 * RATE);
    let turns = 0;
    for (let i = 0; i < 2 * RATE; i++) {
      turns += (hz * 2 ** ((30 * Math.sin((2 * Math.PI * 5.5 * i) / RATE)) / 1200)) / RATE;
      const swell = Math.min(1, i / 3000, (2 * RATE - i) / 3000);
      // The note that the page sounds is not heard: the voice comes after it.
      const at = i + Math.round(2.5 * RATE);
      for (let n = 1; n <= 5; n++)
        out[at] = (out[at] ?? 0) + (0.12 * swell * Math.sin(2 * Math.PI * n * turns)) / n;
    }
    return out;
  };
  /** Open strings of a guitar, string 6 first. */
  const GUITAR: Readonly<Record<string, number>> = {
    E2: 82.41,
    A2: 110,
    D3: 146.83,
    G3: 196,
    B3: 246.94,
    E4: 329.63,
  };

  test('a note is sung: below, in an octave of one’s own, then there; no string is read meanwhile', async ({
    page,
  }) => {
    await open(page, 'sing');
    await page.keyboard.press('Enter');
    await says(page, en('ear.chooseMicrophone'));
    await page.getByRole('button', { name: begins('common.microphone') }).click();
    await says(page, en('ear.sing'));
    const stage = page.getByRole('region', { name: en('ear.aNoteToSing') });
    const asked = async () => {
      const name = (await stage.locator('.stage-name strong').textContent()) ?? '';
      const hz = GUITAR[name] ?? 0;
      // A man's voice, whatever the string.
      return hz > 170 ? hz / 2 : hz;
    };
    await feed(page, sungNote((await asked()) * 2 ** (-45 / 1200)));
    // What is sung is told while it is held; the answer stands once the voice is silent.
    await says(page, begins('ear.singHigher'));
    await says(page, saying('ear.enterGoesOn'));
    await expect(page.getByTestId('figure')).toHaveText(/^−4[3-7]\.\d$/);
    await page.keyboard.press('Enter');
    await says(page, en('ear.singOut'));
    await feed(page, sungNote((await asked()) * 2 ** (40 / 1200)));
    await says(
      page,
      either(
        begins('ear.sungRight', { side: 'high' }),
        begins('ear.sungRight', { side: 'low' }),
        begins('ear.sungString', { side: 'low' }),
      ),
    );
    await page.keyboard.press('Enter');
    await says(page, en('ear.sing'));
    await feed(page, sungNote(await asked()));
    await says(page, begins('ear.sungThere'));
    await says(page, saying('ear.enterGoesOn'));
    await kept(page, 1);
    await page.goto('/ear');
    await expect(
      page.getByRole('region', { name: en('ear.exercise', { exercise: 'sing' }) }),
    ).toContainText(saying('ear.noFigure'));
    // The bench hears strings again, and took no voice for one.
    await page.goto('/');
    await expect(page.getByTestId('figure')).toHaveText('–');
  });
});

test('a fret is held ten times on the practice instrument', async ({ page }) => {
  await open(page, 'touch');
  await page.getByRole('button', { name: en('ear.begin') }).click();
  await page.getByRole('button', { name: begins('common.practiceSource') }).click();
  for (let left = 10; left > 0; left--) {
    await says(page, saying('ear.plucksLeft', { left }));
    await page.keyboard.press(' ');
  }
  await says(page, begins('ear.evenness'));
});
