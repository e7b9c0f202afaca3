import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { BenchPage } from './bench.ts';
import { FretsPage } from './frets.ts';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
import { addressOf, serveDemo } from './serve.ts';
import { SettlePage } from './settle.ts';
import { sixPlucksFile } from './sound.ts';
import { en, LOCALE, recording, saying, take, ZONE } from './test.ts';

/** Makes the pictures of docs/screenshots from the demo data. */
const PORT = 5283;
const folder = join(import.meta.dirname, '../docs/screenshots');

async function pictures(): Promise<void> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const page = await browser.newPage({
    baseURL: addressOf(PORT),
    viewport: { width: 1280, height: 800 },
    locale: LOCALE,
    timezoneId: ZONE,
  });
  const bench = new BenchPage(page);
  const shoot = (name: string) => page.screenshot({ path: join(folder, `${name}.png`) });
  await bench.open();
  await bench.practise();
  await page.keyboard.press('6');
  await bench.pluck(6);
  for (let i = 0; i < 14; i++) await page.keyboard.press('ArrowUp');
  await bench.pluck(6);
  await page.keyboard.press('5');
  await bench.pluck(5);
  await page.keyboard.press('3');
  await bench.pluck(3);
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await bench.pluck(3);
  await page.keyboard.press('0');
  await page.keyboard.press('p');
  await page.waitForTimeout(480);
  await shoot('bench');
  await page.waitForTimeout(1200);
  await page.keyboard.press('6');
  await bench.pluck(6);
  await page.keyboard.press('0');
  await bench.page.waitForTimeout(2500);
  await page.keyboard.press('z');
  await page.waitForTimeout(400);
  await shoot('bench-afar');
  await page.keyboard.press('z');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.waitForTimeout(400);
  await shoot('bench-phone');
  await page.setViewportSize({ width: 1280, height: 800 });
  await recording(page, sixPlucksFile().file);
  await page.waitForURL(/recordings/);
  await page.getByRole('button', { name: en('recording.pluckValue', { value: 1 }) }).click();
  await shoot('recording');
  await page.goto('/log');
  await take(page, 'Lapwing');
  await page.getByText(saying('shelf.pegSlips')).first().waitFor();
  await shoot('log');
  await take(page, 'Heron');
  await page.goto('/settings');
  await page.getByRole('heading', { name: en('views.settings') }).waitFor();
  await shoot('settings');
  await page.goto('/paper?card=class&size=a6');
  await page.getByRole('article').first().waitFor();
  await page.waitForTimeout(400);
  await shoot('paper');
  await page.goto('/help/from-below');
  await page.getByRole('article').waitFor();
  await page.waitForTimeout(600);
  await shoot('guide');
  await page.goto('/retune?to=guitar-open-d');
  await page.getByText(saying('retune.way')).first().waitFor();
  await shoot('retune');
  await page.goto('/tunings/banjo-open-g');
  await page.getByText(en('tunings.checksByEar')).waitFor();
  await shoot('tuning');
  await page.goto('/tunings/new?from=guitar-standard');
  await page.getByLabel(en('shelf.name')).fill('Low tide');
  await page.getByLabel(en('tunings.notes')).fill('D A D F# A D');
  await page.getByLabel(en('tunings.openStrings')).selectOption('pure');
  await page.getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) }).click();
  await page.waitForTimeout(1500);
  await page.getByLabel(en('tunings.stringToBePlayed')).getByRole('button', { name: '5' }).click();
  await page.keyboard.press('p');
  await page.getByText(en('ear.pluckString', { string: 4 })).waitFor();
  await shoot('tuning-editor');
  const settle = new SettlePage(page);
  await page.goto('/settle');
  await take(page, 'Redshank');
  await settle.begin();
  await settle.practise();
  await settle.obeyAll();
  await page.waitForTimeout(2000);
  await shoot('settle');
  const frets = new FretsPage(page);
  await frets.open('Linnet');
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  for (let k = 0; k < 12; k++) await frets.sound();
  await shoot('frets');
  await frets.soundAll();
  await frets.comesTo();
  await shoot('frets-result');
  await page.goto('/ear');
  await page.getByRole('region', { name: en('ear.whatToPractiseNext') }).waitFor();
  await page.getByText(saying('ear.notices')).first().waitFor();
  await shoot('ear');
  await page.goto('/shelf');
  await page.getByText(saying('shelf.pegSlips')).first().waitFor();
  await page.waitForTimeout(400);
  await shoot('shelf');
  await page.goto('/rounds/round-today');
  await page.getByText(saying('rounds.lookAgain')).first().waitFor();
  await shoot('round-sheet');
  await page.getByRole('button', { name: en('shelf.goOnWithTheRound') }).click();
  await page.getByText(saying('rounds.strum')).waitFor();
  await page
    .getByRole('button', { name: en('common.practiceSource', { kind: 'ukulele' }) })
    .click();
  await page.waitForTimeout(1500);
  await page.keyboard.press('s');
  await page.getByText(saying('advice.beginWith')).waitFor();
  await shoot('round');
  await page.goto('/shelf/heron');
  await page.getByRole('button', { name: en('shelf.save') }).waitFor();
  await shoot('instrument');
  await browser.close();
}

const server = await serveDemo(PORT);
try {
  await pictures();
} finally {
  server.kill();
}
