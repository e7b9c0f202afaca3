import { message } from '@rosefinch/core/message';
import { BenchPage, beginPractice, HEARD_WITHIN } from './bench.ts';
import { OWN_PORT } from './playwright.config.ts';
import { type Doing, playedBy } from './sound.ts';
import {
  begins,
  en,
  expect,
  expectWithin,
  feed,
  fromMore,
  goTo,
  type Page,
  saying,
  take,
  test,
} from './test.ts';

/** Boxes of all that must not move: figure, sentence, wires and buttons. */
function boxes(page: Page): Promise<string> {
  return page.evaluate(() =>
    [...document.querySelectorAll('.stage-figure, .stage-says, .stage-wire, .wire, .foot .action')]
      .map((element) => {
        const { x, y, width, height } = element.getBoundingClientRect();
        return [element.className, x, y, width, height].join(' ');
      })
      .join('\n'),
  );
}

/** Every shift of the layout from now on, those after a key included. */
async function watchShifts(page: Page): Promise<() => Promise<string[]>> {
  await page.evaluate(() => {
    const moved: string[] = [];
    Object.assign(window, { moved });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & { sources: { node: Node }[] })[])
        moved.push(
          ...entry.sources.map(({ node }) => {
            const at = node instanceof Element ? node : node?.parentElement;
            return `${at?.closest('[class]')?.className}: ${node?.textContent?.slice(0, 30)}`;
          }),
        );
    }).observe({ type: 'layout-shift' });
  });
  return () => page.evaluate(() => (window as unknown as { moved: string[] }).moved);
}

test('nothing moves while a guitar is tuned', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  const shifted = await watchShifts(page);
  const before = await boxes(page);
  const still = async (what: string) => expect(await boxes(page), what).toBe(before);
  for (const course of [6, 3, 1]) {
    await page.keyboard.press(String(course));
    await still(`string ${course} chosen`);
    await bench.pluck(course);
    await still(`string ${course} plucked`);
    for (const turn of ['Shift+ArrowUp', 'Shift+ArrowUp', 'ArrowDown'])
      await page.keyboard.press(turn);
    await bench.pluck(course);
    await still(`string ${course} turned`);
  }
  for (const key of ['h', ' ', 'h', ' ', '0', 'g', ' ', 'g', 'f', 'f', 'c', 'c', 'r']) {
    await page.keyboard.press(key);
    await still(`key ${key}`);
  }
  expect(await shifted()).toEqual([]);
});

test('is read from two metres, from further away in the distance mode, and grows with the window', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  const size = (selector: string) =>
    page.evaluate(
      (found) => Number.parseFloat(getComputedStyle(document.querySelector(found)!).fontSize),
      selector,
    );
  for (const [width, height] of [
    [1280, 800],
    [1920, 1080],
  ] as const) {
    await page.setViewportSize({ width, height });
    const share = height / 800;
    expect(await size('.figure')).toBeGreaterThanOrEqual(150 * share);
    expect(await size('.stage-says strong')).toBeGreaterThanOrEqual(40 * share);
    expect(await size('.stage-name strong')).toBeGreaterThanOrEqual(64 * share);
    await page.keyboard.press('z');
    await expect(page.getByRole('navigation', { name: en('common.jobs') })).toBeHidden();
    expect(await size('.figure')).toBeGreaterThanOrEqual(220 * share);
    expect(await size('.stage-says strong')).toBeGreaterThanOrEqual(72 * share);
    // All of it is on the screen.
    for (const part of ['.figure', '.stage-says strong']) {
      const box = (await page.locator(part).boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.x + box.width).toBeLessThanOrEqual(width);
      expect(box.y + box.height).toBeLessThanOrEqual(height);
    }
    await page.keyboard.press('z');
    await expect(page.getByRole('navigation', { name: en('common.jobs') })).toBeVisible();
  }
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  test('six strings are tuned to the end without a key', async ({ page }) => {
    const twice = (course: number): Doing[] => [
      { pluck: course, seconds: 1.6 },
      { pluck: course, seconds: 1.6 },
    ];
    const all = [6, 5, 4, 3, 2, 1];
    const bench = new BenchPage(page);
    await bench.open();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    const sound = playedBy(
      [0.2, -0.3, 0.1, 0.4, -12, 0.3],
      [
        { pluck: 5, seconds: 1.6 },
        { turn: [5, 12], mute: true, seconds: 0.8 },
        ...all.flatMap(twice),
        // The pass after it begins by itself.
        ...all.flatMap(twice),
      ],
    );
    await feed(page, sound);
    await expect(page.getByText(en('bench.passDone', { pass: 2 }))).toBeVisible({
      timeout: HEARD_WITHIN,
    });
    await expect(bench.advice).toContainText(en('bench.inTune'));
  });

  test('the next instrument is one key away, and listening goes on', async ({ page }) => {
    const bench = new BenchPage(page);
    await bench.open();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, playedBy([], [{ pluck: 5, seconds: 1.6 }]));
    await expect.poll(() => bench.plucks(5)).toBe(1);
    const name = page.getByRole('button', { name: saying('common.nameTunedInHand') });
    const before = await name.innerText();
    await page.keyboard.press('PageDown');
    await expect(name).not.toHaveText(before);
    await expect(page.getByRole('button', { name: begins('common.listening') })).toBeVisible();
    await page.keyboard.press('PageUp');
    await expect(name).toHaveText(before);
    await feed(page, playedBy([], [{ pluck: 5, seconds: 1.6 }]));
    await expect.poll(() => bench.plucks(5)).toBe(2);
    // The microphone goes from job to job, and is let go with the last of them.
    await page.getByRole('link', { name: en('common.groupRetune') }).click();
    await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
    await expect(page.getByRole('button', { name: begins('common.listening') })).toBeVisible();
    await page.getByRole('link', { name: en('views.shelf'), exact: true }).click();
    await page.getByRole('heading', { name: en('views.shelf') }).waitFor();
    await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
    await expect(page.getByRole('button', { name: en('common.microphone') })).toBeVisible();
  });
});

test('another tuning is begun in three clicks', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await page.getByRole('button', { name: saying('common.nameTunedInHand') }).click();
  await page
    .getByRole('button', {
      name: en('common.retuneToName', { name: en('names.guitarOpenD') }),
      exact: true,
    })
    .click();
  await page.getByRole('button', { name: begins('retune.doItOnTheBench') }).click();
  await expect(
    page.getByRole('button', {
      name: en('common.nameTunedInHand', { name: 'Heron', tuned: en('names.guitarOpenD') }),
    }),
  ).toBeVisible();
});

test('from an empty shelf a ukulele is read within three clicks, and no guitar is spoken of', async ({
  page,
}) => {
  await page.goto(`http://127.0.0.1:${OWN_PORT}/`);
  await page.getByRole('radio', { name: en('shelf.model.ukuleleConcert') }).click();
  await page
    .getByRole('button', {
      name: en('bench.tryItWithAPractice', { kind: message('common.kind', { kind: 'ukulele' }) }),
    })
    .click();
  const bench = new BenchPage(page);
  await expect.poll(() => bench.plucks(4)).toBe(1);
  for (const path of ['/', '/retune', '/settle', '/frets', '/log', '/ear']) {
    await goTo(page, path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    expect(await page.getByRole('main').innerText(), path).not.toMatch(/guitar/i);
  }
});

test('a pedal is learned for one action of a job', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await page.keyboard.press('6');
  await bench.pluck(6);
  await page.getByRole('button', { name: begins('common.more') }).click();
  const dialog = page.getByRole('dialog');
  await dialog
    .getByLabel(en('parts.aPedalOrClickerDoes'))
    .selectOption({ label: en('keys.acceptAndGoOn') });
  await dialog.getByRole('button', { name: en('parts.learnAPedal') }).click();
  // What pedals that turn pages send: elsewhere it takes the next instrument.
  await page.keyboard.press('PageDown');
  await dialog.getByRole('button', { name: en('parts.pedalKey', { key: 'PageDown' }) }).waitFor();
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await page.keyboard.press('PageDown');
  await expect(bench.string(5)).toHaveAttribute('data-active', 'true');
  await expect(
    page.getByRole('button', { name: begins('common.nameTunedInHand', { name: 'Heron' }) }),
  ).toBeVisible();
});

test('an instrument is found by its name, an action by its words', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await take(page, 'Whimbrel');
  await page.keyboard.press('Control+k');
  await page.keyboard.type(en('views.settings').toLowerCase());
  await page.getByRole('button', { name: en('views.settings'), exact: true }).click();
  await page.getByRole('heading', { name: en('views.settings') }).waitFor();
  await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
  await beginPractice(page);
  await page.getByText(en('common.roomQuiet')).waitFor();
  await fromMore(page, en('keys.hideTheFiguresThenSpaceCompares'));
  await expect(bench.figure).toHaveText(en('bench.hiddenFigure'));
});

test('on a phone what is done next lies within the first screen, in every job', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  const inSight = async (name: RegExp) => {
    const box = await page.getByRole('button', { name }).first().boundingBox();
    expect(box, String(name)).not.toBe(null);
    expect(box!.y + box!.height, String(name)).toBeLessThanOrEqual(844);
    expect(box!.height, String(name)).toBeGreaterThanOrEqual(44);
  };
  await inSight(begins('bench.acceptNext'));
  await inSight(begins('common.pluckStringCourse'));
  await page.getByRole('link', { name: en('common.groupRetune') }).click();
  await inSight(begins('retune.doItOnTheBench'));
  // 640 × 400 is what is left at 200 % of zoom, 320 × 256 at 400 % (WCAG 2.2, 1.4.10).
  for (const [width, height] of [
    [390, 844],
    [640, 400],
    [320, 256],
  ] as const) {
    await page.setViewportSize({ width, height });
    for (const path of [
      '/',
      '/retune',
      '/settle',
      '/frets',
      '/log',
      '/ear',
      '/ear/direction',
      '/ear/whole',
      '/ear/progress',
      '/settings',
      '/data',
    ])
      await expectWithin(page, path, width);
  }
});
