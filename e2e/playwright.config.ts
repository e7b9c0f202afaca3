import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';
import { LOCALE, ZONE } from './test.ts';

// A clock that is faked for the whole machine (`npm run matrix`) brings Chromium to a standstill:
// its pages have theirs from the tests, and it alone goes without.
if (process.env.TEST_WORKER_INDEX !== undefined) delete process.env.LD_PRELOAD;

export const CHROMIUM = '/usr/bin/chromium';
/**
 * The same browser without its window, which takes a third of the time that a page takes to open.
 * Tests of what belongs to the window begin the whole one: microphones, permissions, copies on a site.
 */
const WINDOWLESS = '/usr/bin/chromium-headless-shell';
/** As root and without a screen; no service of the browser's own may look for a network. */
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  // Playwright’s own list, which this one takes the place of, and two pages that the browser
  // would load for its address bar with every window: a sixth of the tests’ whole time.
  `--disable-features=${[
    'AvoidUnnecessaryBeforeUnloadCheckSync',
    'DestroyProfileOnBrowserClose',
    'HttpsUpgrades',
    'HttpsFirstBalancedModeAutoEnable',
    'MediaRouter',
    'PaintHolding',
    'ThirdPartyStoragePartitioning',
    'OptimizationHints',
    'WebUIOmniboxPopup',
    'WebUIOmniboxAimPopup',
  ].join()}`,
];

/** Another one where two suites run at once. */
export const DEMO_PORT = Number(process.env.ROSEFINCH_PORT ?? 5281);
export const OWN_PORT = DEMO_PORT + 1;

const LONG = [
  'obedient.spec.ts',
  'settle.spec.ts',
  'friendly.spec.ts',
  'frets.spec.ts',
  'microphone.spec.ts',
];

const serve = (shelf: string, port: number) => ({
  command: `node --import tsx ../server/src/main.ts ${shelf}`,
  env: { PORT: String(port) },
  url: `http://127.0.0.1:${port}/shelf.json`,
  reuseExistingServer: false,
});

export default defineConfig({
  testDir: '.',
  // On two cores: two thirds of the time a test waits for what sounds or is drawn.
  workers: 3,
  fullyParallel: true,
  timeout: 120_000,
  // A lost race must not cost a whole submission; what passed only the second time is printed.
  retries: process.env.CI ? 1 : 0,
  // However busy the machine; nothing here is about how long it takes.
  expect: { timeout: 30_000 },
  outputDir: '../test-results/browser',
  reporter: [['list'], ['json']],
  use: {
    // What is not there by then does not come.
    actionTimeout: 60_000,
    baseURL: `http://127.0.0.1:${DEMO_PORT}`,
    // Only the tests of offline use and updates want it: it loads the whole application ahead.
    serviceWorkers: 'block',
    timezoneId: ZONE,
    locale: LOCALE,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: existsSync(WINDOWLESS) ? WINDOWLESS : CHROMIUM,
      args: CHROMIUM_ARGS,
    },
  },
  // The longest first, so that none of them is left for the end.
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'rest', testMatch: '*.spec.ts', testIgnore: LONG },
  ],
  webServer: [serve('demo', DEMO_PORT), serve('own', OWN_PORT)],
});
