import { expect, type Page, test } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { BenchPage } from './bench.ts';

/** Prints the page to a PDF as the browser would, and reads it back: pages, their width in mm, text. */
async function printed(page: Page): Promise<{ pages: number; widthMm: number; text: string }> {
  const pdf = await getDocument({
    data: new Uint8Array(await page.pdf({ preferCSSPageSize: true })),
    verbosity: 0,
  }).promise;
  let text = '';
  for (let n = 1; n <= pdf.numPages; n++) {
    const { items } = await (await pdf.getPage(n)).getTextContent();
    text += items.map((item) => ('str' in item ? item.str : '')).join(' ');
  }
  const [, , width = 0] = (await pdf.getPage(1)).view;
  return { pages: pdf.numPages, widthMm: (width / 72) * 25.4, text: text.replace(/\s+/g, ' ') };
}

test('a tuning prints as a card on one page of A5', async ({ page }) => {
  await new BenchPage(page).open();
  await page.goto('/tunings/guitar-open-d');
  await page.getByText('Checks by ear').waitFor();
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
  expect(card.text).not.toContain('Print the card');
});

test('a plan prints with its steps on one page of A5', async ({ page }) => {
  await new BenchPage(page).open();
  await page.goto('/retune?to=guitar-open-d');
  await page.getByText('In this order').waitFor();
  const sheet = await printed(page);
  expect(sheet.pages).toBe(1);
  for (const words of ['String 6: E2 → D2, loosen', 'String 1: E4 → D4, loosen', 'N then'])
    expect(sheet.text).toContain(words);
  expect(sheet.text).not.toContain('Do it on the bench');
});
