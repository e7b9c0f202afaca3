import { BenchPage } from './bench.ts';
import { printed } from './printed.ts';
import { en, expect, test } from './test.ts';

test('a tuning prints on one page of A5', async ({ page }) => {
  await new BenchPage(page).open();
  await page.goto('/tunings/guitar-open-d');
  await page.getByText(en('tunings.checksByEar')).waitFor();
  const card = await printed(page);
  expect(card.pages).toBe(1);
  expect(card.widthMm).toBeCloseTo(148, 0);
  for (const words of [
    'Open D',
    'open chord D',
    'away from you',
    'String 3 down 1 semitone. String 4 at fret 4 sounds the same.',
    'string 3 at fret 3 = open string 2',
  ])
    expect(card.text).toContain(words);
  expect(card.text).not.toContain('Print this page');
});

test('a plan prints with its steps on one page of A5', async ({ page }) => {
  await new BenchPage(page).open();
  await page.goto('/retune?to=guitar-open-d');
  await page.getByText('strings move').first().waitFor();
  const sheet = await printed(page);
  expect(sheet.pages).toBe(1);
  for (const words of ['String 6: E2 → D2, loosen', 'String 1: E4 → D4, loosen', 'N then'])
    expect(sheet.text).toContain(words);
  expect(sheet.text).not.toContain('Do it on the bench');
});
