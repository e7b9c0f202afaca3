import type { Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** Prints the page to a PDF as the browser would, and reads it back: pages, their width in mm, text. */
export async function printed(
  page: Page,
): Promise<{ pages: number; widthMm: number; text: string }> {
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
