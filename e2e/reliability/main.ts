import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { readBackup, writeBackup } from '@rosefinch/core/records';
import { CHROMIUM, CHROMIUM_ARGS } from '../playwright.config.ts';
import { addressOf, serveDemo } from '../serve.ts';
import { plucksOf } from '../sound.ts';
import { backupDrill, recordingDrill } from './files.ts';
import { hoursDrill } from './hours.ts';
import { killDrill } from './kills.ts';
import { backupsOnScreen, recordingsOnScreen } from './screen.ts';
import { shelfDrill } from './shelf.ts';
import { tabDrill } from './tabs.ts';

/**
 * Drills of what is kept: `npm run reliability`, or some of them by name, with a share of
 * their size: `npm run reliability -- kills tabs 0.1`.
 */
const PORT = 5286;
const words = process.argv.slice(2);
const share = Number(words.find((word) => Number(word) > 0) ?? 1);
const wanted = words.filter((word) => Number.isNaN(Number(word)));
const of = (count: number) => Math.max(1, Math.round(share * count));

const fixture = join(import.meta.dirname, '../../core/src/records/fixtures/backup-4.json');
const good = () => writeBackup(readBackup(readFileSync(fixture, 'utf8')), new Date(0));

const server = await serveDemo(PORT);
const baseURL = addressOf(PORT);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });

const DRILLS: Readonly<Record<string, () => Promise<string>>> = {
  backups: () => backupDrill(good(), of(5000)),
  recordings: () => recordingDrill(plucksOf([6, 5], [0, 0, 0, 0, 0, 0]).sound, of(500)),
  'backups-on-screen': () => backupsOnScreen(browser, baseURL, of(60)),
  'recordings-on-screen': () => recordingsOnScreen(browser, baseURL, of(60)),
  tabs: async () =>
    `${await tabDrill(browser, baseURL, 2, of(400))}\n${await tabDrill(browser, baseURL, 4, of(400))}`,
  kills: () => killDrill(baseURL, of(300)),
  shelf: () =>
    shelfDrill(browser, baseURL, {
      instruments: Math.max(12, of(60)),
      sittings: of(2000),
      readings: of(100_000),
      learners: of(40),
    }),
  hours: () => hoursDrill(browser, baseURL, 2 * share),
};

try {
  for (const [name, drill] of Object.entries(DRILLS))
    if (wanted.length === 0 || wanted.includes(name)) console.log(await drill());
} finally {
  await browser.close();
  server.kill();
}
