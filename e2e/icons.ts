import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';

/** Makes the icons of every platform from the one drawing. A maskable one keeps its picture within the middle 80 %. */
const folder = join(import.meta.dirname, '../app/public');
const drawing = readFileSync(join(folder, 'icon.svg'), 'utf8');
/** Corners are the platform's own where it masks or rounds. */
const square = drawing.replace('rx="12"', 'rx="0"');
const ICONS = [
  { name: 'icon-192', size: 192, svg: drawing, inset: 0 },
  { name: 'icon-512', size: 512, svg: drawing, inset: 0 },
  { name: 'icon-maskable-512', size: 512, svg: square, inset: 0.1 },
  { name: 'apple-touch-icon', size: 180, svg: square, inset: 0.06 },
] as const;

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
for (const { name, size, svg, inset } of ICONS) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  await page.setContent(
    `<style>body{margin:0;background:${inset > 0 ? '#FBF6F0' : 'transparent'}}svg{display:block;width:${100 - 200 * inset}vw;margin:${100 * inset}vw}</style>${svg}`,
  );
  await page.screenshot({ path: join(folder, `${name}.png`), omitBackground: true });
  await page.close();
}
await browser.close();
