import { message } from '@rosefinch/core/message';
import { LANGUAGE } from '@rosefinch/words/expected';
import { BenchPage } from './bench.ts';
import { printed } from './printed.ts';
import { en, expect, same, saying, test } from './test.ts';

test('a tuning prints on one page of A5', async ({ page }) => {
  test.skip(LANGUAGE !== 'en', 'Texts a third longer need a second page.');
  await new BenchPage(page).open();
  await page.goto('/tunings/guitar-open-d');
  await page.getByText(en('tunings.checksByEar')).waitFor();
  const card = await printed(page);
  expect(card.pages).toBe(1);
  expect(card.widthMm).toBeCloseTo(148, 0);
  for (const words of [
    en('names.guitarOpenD'),
    en('parts.openChordOf', { chord: 'D' }),
    en('common.direction', { way: 'away' }),
    en('common.compareOther', {
      good: 'exact',
      string: 4,
      fret: 4,
      interval: message('common.interval', { distance: 'same' }),
    }),
    same(3, 3, 2),
  ])
    expect(card.text).toContain(words);
  expect(card.text).not.toContain(en('tunings.printThisPage'));
});

test('a plan prints with its steps on one page of A5', async ({ page }) => {
  await new BenchPage(page).open();
  await page.goto('/retune?to=guitar-open-d');
  await page.getByText(saying('retune.way')).first().waitFor();
  const sheet = await printed(page);
  expect(sheet.pages).toBe(1);
  for (const words of ['E2 → D2', 'E4 → D4']) expect(sheet.text).toContain(words);
  expect(sheet.text).toMatch(saying('retune.loadRange'));
  expect(sheet.text).not.toContain(en('retune.doItOnTheBench'));
});
