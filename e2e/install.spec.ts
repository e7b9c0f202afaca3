import { readCatalogue } from '@rosefinch/words/english';
import { BenchPage } from './bench.ts';
import { plucksOf } from './sound.ts';
import { begins, en, expect, feed, saying, test } from './test.ts';

/** Width and height of a PNG, from its header (W3C PNG, section 11.2.2). */
const sizeOf = (png: Buffer) => [png.readUInt32BE(16), png.readUInt32BE(20)].join('x');

test('it can be installed: every icon is there in its size, with shortcuts to places that are there', async ({
  page,
  request,
}) => {
  await page.goto('/');
  const href = await page.locator('link[rel="manifest"]').getAttribute('href');
  const manifest = await (await request.get(href ?? '')).json();
  const purposes = manifest.icons.map(({ purpose = 'any' }: { purpose?: string }) => purpose);
  expect(purposes).toContain('maskable');
  for (const { src, sizes, type } of manifest.icons) {
    const answer = await request.get(src);
    expect(answer.headers()['content-type'], src).toContain(type);
    if (sizes !== 'any') expect(sizeOf(await answer.body()), src).toBe(sizes);
  }
  const apple = await page.locator('link[rel="apple-touch-icon"]').getAttribute('href');
  expect(sizeOf(await (await request.get(apple ?? '')).body())).toBe('180x180');
  const { views } = readCatalogue('en');
  for (const [i, view] of (['bench', 'shelf', 'ear'] as const).entries()) {
    const { name, url } = manifest.shortcuts[i];
    expect(name).toBe(views![view]);
    await page.goto(url);
    await expect(
      page.getByRole('link', { name: en(`views.${view}`), exact: true }),
    ).toHaveAttribute('aria-current', 'page');
  }
});

test('that it can be installed is told once, never at the bench, and stays in the settings', async ({
  page,
}) => {
  const offer = () =>
    page.evaluate(() => {
      const event = new Event('beforeinstallprompt', { cancelable: true });
      const asked = globalThis as unknown as { asked: number };
      asked.asked ??= 0;
      Object.assign(event, { prompt: async () => asked.asked++ });
      window.dispatchEvent(event);
      return event.defaultPrevented;
    });
  const notice = page.getByRole('region', { name: en('common.notice') });
  await page.goto('/');
  await page
    .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
    .waitFor();
  expect(await offer()).toBe(true);
  await expect(notice).toHaveCount(0);
  await page.goto('/shelf');
  await page.getByRole('heading', { name: en('views.shelf') }).waitFor();
  await offer();
  await expect(notice).toContainText(saying('troubles.canBeInstalled'));
  await page.reload();
  await page.getByRole('heading', { name: en('views.shelf') }).waitFor();
  await offer();
  await expect(notice).toHaveCount(0);
  await page.getByRole('link', { name: en('views.settings'), exact: true }).click();
  await page.getByRole('button', { name: en('settings.installItOnThisMachine') }).click();
  expect(await page.evaluate(() => (globalThis as unknown as { asked: number }).asked)).toBe(1);
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  test('a phone gives a pulse when a string is at rest, where it is asked for', async ({
    page,
  }) => {
    await page.addInitScript(() => {
      const felt: unknown[] = [];
      Object.assign(globalThis, { felt });
      Object.defineProperty(navigator, 'vibrate', { value: (ms: unknown) => felt.push(ms) });
    });
    const felt = () =>
      page.evaluate(() => (globalThis as unknown as { felt: unknown[] }).felt.length);
    const bench = new BenchPage(page);
    const pluck = async (cents: number, times: number) => {
      await feed(page, plucksOf([5], [0, 0, 0, 0, cents, 0]).sound);
      await expect.poll(() => bench.plucks(5)).toBe(times);
    };
    await page.goto('/settings');
    const pulses = page.getByRole('switch', { name: begins('settings.aShortPulseWhenA') });
    await pulses.click();
    await expect(pulses).toBeChecked();
    await page.getByRole('link', { name: en('views.bench'), exact: true }).click();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await pluck(-30, 1);
    expect(await felt()).toBe(0);
    await pluck(0, 2);
    await expect.poll(felt).toBe(1);
  });
});
