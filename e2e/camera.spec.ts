import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS, OWN_PORT } from './playwright.config.ts';
import { begins, en, expect, give, type Page, saying, test } from './test.ts';

/** What a camera sees of a label that is held before it somewhat askew, others at the picture’s edge: a film of one picture. */
async function filmed(page: Page, name: string): Promise<Buffer> {
  await page.goto(`http://127.0.0.1:${OWN_PORT}/labels`);
  await page.setViewportSize({ width: 640, height: 480 });
  await page
    .getByRole('listitem')
    .filter({ hasText: name })
    .evaluate((label) => {
      label.style.cssText =
        'position: fixed; left: 220px; top: 190px; background: white; color: black; z-index: 9; transform: scale(2.6) rotate(9deg) skewY(4deg)';
      document.documentElement.style.filter = 'blur(0.6px) contrast(0.8)';
    });
  const film = await page.screenshot({ type: 'jpeg', quality: 60 });
  await page.setViewportSize({ width: 1280, height: 800 });
  return film;
}

test('in a round the camera reads a printed label, and takes that instrument in hand', async () => {
  const film = join(mkdtempSync(join(tmpdir(), 'rosefinch-camera-')), 'label.mjpeg');
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_ARGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${film}`,
    ],
  });
  const context = await browser.newContext({ locale: 'en-GB' });
  await give(context, 'fast');
  const page = await context.newPage();
  const shelf = `http://127.0.0.1:${OWN_PORT}/shelf`;
  await page.goto(shelf);
  await page.getByRole('textbox', { name: en('shelf.name') }).fill('Uke');
  await page.getByLabel(en('shelf.kind')).selectOption({ label: en('shelf.model.ukuleleSoprano') });
  await page.getByLabel(en('shelf.howMany')).fill('3');
  await page.getByRole('button', { name: saying('shelf.putManyOnTheShelf') }).click();
  await page.getByRole('link', { name: 'Uke 3' }).first().waitFor();
  writeFileSync(film, await filmed(page, 'Uke 3'));
  await page.goto(shelf);
  await page.getByRole('button', { name: begins('shelf.beginARound') }).click();
  await page.getByRole('dialog').getByText(en('shelf.oneAfterTheOther')).click();
  await page.getByRole('button', { name: begins('shelf.beginAbout') }).click();
  const hand = (name: string) =>
    page.getByRole('button', { name: begins('common.nameTunedInHand', { name }) });
  await expect(hand('Uke 1')).toBeVisible();
  // Keys are taken once the session is read back.
  await page.locator('.job[aria-busy=false]').waitFor();
  await page.keyboard.press('n');
  await page.getByRole('button', { name: en('bench.readItsLabel') }).click();
  await expect(hand('Uke 3')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await browser.close();
});
