import { message } from '@rosefinch/core/message';
import { BenchPage } from './bench.ts';
import { DEMO_PORT, OWN_PORT } from './playwright.config.ts';
import { playedBy } from './sound.ts';
import {
  begins,
  en,
  expect,
  expectWithin,
  feed,
  giveLanguage,
  note,
  saying,
  test,
} from './test.ts';

test('from a cold open to the first reading of the practice guitar is one click', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) }).click();
  await expect(
    page.getByRole('button', { name: begins('common.stringAndNoteTitle', { string: 6 }) }),
  ).toContainText(en('bench.lineStanding', { standing: 'low' }));
  await expect(page.getByRole('log', { name: en('common.readingsInWords') })).toContainText(
    saying('common.announced', { string: 6, note: note(40) }),
  );
});

test('the same from an empty shelf', async ({ page }) => {
  await page.goto(`http://127.0.0.1:${OWN_PORT}/`);
  await page
    .getByRole('button', {
      name: en('bench.tryItWithAPractice', { kind: message('common.kind', { kind: 'guitar' }) }),
    })
    .click();
  await expect(
    page.getByRole('button', { name: begins('common.stringAndNoteTitle', { string: 6 }) }),
  ).toContainText(en('bench.lineStanding', { standing: 'low' }));
});

test('arrival is spoken when wanted, and only then', async ({ page }) => {
  await page.addInitScript(() => {
    const said: string[] = [];
    const voice = {
      say: (text: string, over: () => void) => {
        said.push(text);
        over();
        return true;
      },
    };
    Object.assign((globalThis as unknown as { rosefinchGiven: object }).rosefinchGiven, { voice });
    Object.assign(window, { said });
  });
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  await expect.poll(() => bench.plucks(6)).toBe(1);
  expect(await said()).toEqual([]);
  await page.getByRole('link', { name: en('views.settings'), exact: true }).click();
  const aloud = page.getByRole('switch', { name: en('settings.sayReadingsAloud') });
  await aloud.click({ force: true });
  await expect(aloud).toBeChecked();
  await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
  await bench.practise();
  await page.keyboard.press('5');
  await bench.pluck(5);
  expect((await said()).join()).toMatch(saying('common.announced', { string: 5, note: note(45) }));
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  test('the bench does not take its own reference tone for a reading', async ({ page }) => {
    const bench = new BenchPage(page);
    await bench.open();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, playedBy([], [{ seconds: 0.1 }]));
    await page.getByText(en('common.roomQuiet')).waitFor();
    await page.keyboard.press('d');
    // What sounds while the tone does is not read, and that is said.
    await feed(page, playedBy([], [{ pluck: 6, seconds: 1 }]).subarray(4 * 48_000, 5 * 48_000));
    await expect(page.getByText(saying('common.toneSounds'))).toBeVisible();
    await feed(page, playedBy([], [{ pluck: 5, seconds: 1.6 }]));
    await expect.poll(() => bench.plucks(5)).toBe(1);
    expect(await bench.plucks(6)).toBe(0);
  });
});

test('on a phone nothing runs out of the side, and the figure comes first', async ({ browser }) => {
  const page = await browser.newPage({
    viewport: { width: 390, height: 844 },
    forcedColors: 'active',
  });
  await giveLanguage(page.context());
  await page.goto(`http://127.0.0.1:${DEMO_PORT}/`);
  for (const path of [
    '/shelf',
    '/shelf/lapwing',
    '/tunings',
    '/tunings/guitar-open-d',
    '/tunings/new',
  ])
    await expectWithin(page, path, 390);
  await page.goto(`http://127.0.0.1:${DEMO_PORT}/`);
  const figure = await page.getByTestId('figure').boundingBox();
  // The banjo whose page was opened is in hand.
  const wires = await page
    .getByRole('button', { name: begins('common.stringTitle', { string: 5 }) })
    .boundingBox();
  expect(figure!.y).toBeLessThan(wires!.y);
  await page.close();
});

for (const colorScheme of ['light', 'dark'] as const)
  test(`the reader’s own colours reach buttons and drawings, ${colorScheme}`, async ({
    browser,
  }) => {
    const page = await browser.newPage({
      baseURL: `http://127.0.0.1:${DEMO_PORT}`,
      forcedColors: 'active',
      colorScheme,
    });
    await giveLanguage(page.context());
    await new BenchPage(page).open();
    await page
      .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
      .click();
    const colours = await page.evaluate(() => {
      const system = (name: string) => {
        const probe = document.createElement('i');
        probe.style.cssText = `forced-color-adjust: none; color: ${name}`;
        document.body.append(probe);
        return getComputedStyle(probe).color;
      };
      const style = (selector: string) => getComputedStyle(document.querySelector(selector)!);
      const canvas = document.querySelector('canvas')!;
      // The string lies in the middle of its wire.
      const [r, g, b] = canvas
        .getContext('2d')!
        .getImageData(canvas.width / 2, canvas.height / 2, 1, 1).data;
      return {
        pressed: style('.listening [aria-pressed="true"]').backgroundColor,
        highlight: system('Highlight'),
        string: `rgb(${r}, ${g}, ${b})`,
        text: system('CanvasText'),
        here: style('nav a[aria-current]').borderBottomColor,
        elsewhere: style('nav a:not([aria-current])').borderBottomColor,
        canvas: system('Canvas'),
      };
    });
    expect(colours.pressed).toBe(colours.highlight);
    expect(colours.string).toBe(colours.text);
    expect(colours.elsewhere).toBe(colours.canvas);
    expect(colours.here).not.toBe(colours.canvas);
    await page.close();
  });

test('works after a reload with the network cut', async ({ browser }) => {
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${DEMO_PORT}`,
    serviceWorkers: 'allow',
  });
  await giveLanguage(context);
  const page = await context.newPage();
  const bench = new BenchPage(page);
  await bench.open();
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload();
  await context.setOffline(true);
  await page.reload();
  await expect(
    page.getByRole('button', { name: begins('common.nameTunedInHand', { name: 'Heron' }) }),
  ).toBeVisible();
  await bench.practise();
  await expect.poll(() => bench.plucks(6)).toBe(1);
  await page.goto('/log?all');
  await expect(page.getByRole('region', { name: /^Heron/ }).first()).toBeVisible();
  await context.close();
});
