import { spawn } from 'node:child_process';
import { type Browser, chromium, type Page } from '@playwright/test';
import { writeWav } from '@rosefinch/core/formats';
import { between, type Random, seededRandom } from '@rosefinch/core/maths';
import { beginPractice } from './bench.ts';
import { arrivedWhole, capturedBy, tapMicrophone } from './captured.ts';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';
import { tableOf } from './reliability/store.ts';
import { addressOf, serveDemo } from './serve.ts';
import { browserHearing, fretPlayer, type PlayedNote, plucksOf, temporaryFile } from './sound.ts';
import { either, en, fromMore, give, saying, take } from './test.ts';

/**
 * Plucks made while the page is slow (its processor throttled six times) and the machine is
 * busy (two loops beside): each must be stored on the right string and place, or be refused
 * with its reason on the screen. In real time: this is its subject.
 */
const PORT = 5285;
const RATE = 48_000;
const THROTTLE = 6;
const BUSY_LOOPS = 2;
const SEED = 14;
const BY_PRACTICE = Number(process.argv[2] ?? 200);
const BY_MICROPHONE = Number(process.argv[3] ?? 60);
/** The jobs to try; all of them where none is named. */
const VIEWS = (['bench', 'settle', 'frets'] as const).filter(
  (view) => process.argv.length < 5 || process.argv.includes(view),
);
/** From one pluck to the next, in ms: a reading needs 0.82 s of its note. */
const APART_MS = 1150;
/** However slow the page: by then everything has been said, in ms. */
const PATIENCE_MS = 120_000;

type Bench = 'bench' | 'settle' | 'frets';

/** What was plucked, and what a stored reading of it must look like. */
interface Pluck {
  readonly course: number;
  /** Null where the place is asked for by the page. */
  readonly place: string | null;
}

interface Stored {
  readonly course: number;
  /** Cents from where it should sound; far off means that it was booked wrongly. */
  readonly off: number;
}

interface Row {
  readonly view: Bench;
  readonly source: 'practice' | 'microphone';
  readonly plucks: number;
  readonly stored: number;
  readonly refused: number;
  readonly wrong: number;
  readonly missing: number;
  readonly lostByBrowser: number;
}

const REFUSALS = either(
  saying('advice.notSure'),
  saying('advice.twoStrings'),
  saying('advice.twoStringsNamed'),
  saying('advice.tooQuiet'),
  saying('bench.whichString'),
  saying('frets.otherPlace'),
  saying('frets.anotherString'),
);

/** Keeps every refusal that the screen has shown. */
async function watchScreen(page: Page): Promise<void> {
  await page.addInitScript(`
    window.refusals = [];
    window.addEventListener('load', () => {
      let shown = '';
      new MutationObserver(() => {
        const status = document.querySelector('[role=status] .advice');
        const text = status ? status.textContent : '';
        if (text === shown) return;
        shown = text;
        if (${REFUSALS}.test(text))
          window.refusals.push(text);
      }).observe(document.body, { childList: true, subtree: true, characterData: true });
    });`);
}

const refusalsOf = (page: Page) =>
  page.evaluate(() => (window as unknown as { refusals: string[] }).refusals);

interface LogLine {
  readonly event: { type: string; at: number; reading: { course: number; cents: number } };
}
interface Check {
  readonly readings: readonly {
    course: number;
    cents: number;
    place: { kind: string; fret?: number };
  }[];
}

async function stored(page: Page, view: Bench): Promise<Stored[]> {
  if (view !== 'frets')
    return (await tableOf<LogLine>(page, 'events'))
      .filter(({ event }) => event.type === 'reading')
      .sort((a, b) => a.event.at - b.event.at)
      .map(({ event: { reading } }) => ({ course: reading.course, off: reading.cents }));
  const checks = await tableOf<Check>(page, 'fretChecks');
  return checks.flatMap(({ readings }) =>
    readings.map(({ course, cents, place }) => {
      const semitones = place.kind === 'fret' ? place.fret! : place.kind === 'harmonic' ? 12 : 0;
      return { course, off: cents - 100 * semitones };
    }),
  );
}

const INSTRUMENT: Readonly<Record<Bench, string>> = {
  bench: 'Heron',
  settle: 'Stonechat',
  frets: 'Redshank',
};

async function open(page: Page, view: Bench): Promise<void> {
  await page.goto(view === 'bench' ? '/' : `/${view}`);
  if (view !== 'bench') {
    await take(page, INSTRUMENT[view]);
  }
  if (view === 'settle')
    await page.getByRole('button', { name: en('settle.settleTheseStrings') }).click();
  if (view === 'frets') await beginCheck(page);
}

async function beginCheck(page: Page, courses: readonly number[] = [4, 3, 2, 1]): Promise<void> {
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).waitFor();
  for (const course of [4, 3, 2, 1])
    if (!courses.includes(course))
      await page.getByLabel(en('common.stringTitle', { string: course })).uncheck();
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
}

/** A check that is read through is followed by another one. */
async function checkAgain(page: Page): Promise<void> {
  await fromMore(page, en('frets.thatIsEnough'));
  await fromMore(page, en('frets.checkAgain'));
  await beginCheck(page);
  await beginPractice(page);
  await page.getByText(en('common.roomQuiet')).waitFor();
}

async function slow(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: THROTTLE });
}

/** Waits until so many plucks were stored or refused, or long enough. */
async function settledCount(page: Page, view: Bench, wanted: number): Promise<Stored[]> {
  const until = performance.now() + PATIENCE_MS;
  for (;;) {
    const now = await stored(page, view);
    const refused = (await refusalsOf(page)).length;
    if (now.length + refused >= wanted || performance.now() > until) return now;
    await page.waitForTimeout(500);
  }
}

/** On the practice instrument: a string is chosen and plucked, and the next one chosen long before it is read. */
async function byPractice(browser: Browser, view: Bench, count: number): Promise<Row> {
  const context = await browser.newContext({ baseURL: addressOf(PORT) });
  await give(context, 'real');
  const page = await context.newPage();
  await watchScreen(page);
  await open(page, view);
  await beginPractice(page);
  await page.getByText(en('common.roomQuiet')).waitFor();
  // On an empty bench the practice guitar sounds its first string by itself.
  if (view === 'bench') await settledCount(page, view, 1);
  const first = view === 'bench' ? 1 : 0;
  await slow(page);
  const random = seededRandom(SEED);
  const plucks: Pluck[] = [];
  const strings = view === 'bench' ? 6 : 4;
  for (let k = 0; k < count; k++) {
    const begun = performance.now();
    if (view === 'frets') {
      plucks.push({ course: 0, place: null });
      await page.keyboard.press('p');
    } else {
      const course = 1 + Math.floor(strings * random());
      plucks.push({ course, place: 'open' });
      await page.keyboard.press(String(course));
      await page.keyboard.press('p');
      await page.waitForTimeout(between(random, 60, 600));
      await page.keyboard.press(String(1 + Math.floor(strings * random())));
    }
    await page.waitForTimeout(Math.max(0, APART_MS - (performance.now() - begun)));
    if (view === 'frets' && (await page.getByText(saying('frets.allRead')).isVisible()))
      await checkAgain(page);
  }
  const all = (await settledCount(page, view, first + plucks.length)).slice(first);
  const refusals = await refusalsOf(page);
  await context.close();
  return rowOf({ view, source: 'practice' }, plucks, all, refusals.length, 0);
}

/** By a file to the browser's stand-in for a microphone. */
async function byMicrophone(view: Bench, count: number): Promise<Row> {
  const random = seededRandom(SEED + 1);
  const { sound, notes } = view === 'frets' ? fretted() : plucked(view, count, random);
  const browser = await browserHearing(temporaryFile('drill.wav', writeWav([sound], RATE)));
  const context = await browser.newContext({ baseURL: addressOf(PORT) });
  await give(context, 'real');
  await tapMicrophone(context);
  const page = await context.newPage();
  await watchScreen(page);
  await open(page, view);
  await slow(page);
  await page.getByRole('button', { name: en('common.microphone') }).click();
  await page.waitForTimeout((1000 * sound.length) / RATE + 1000);
  const whole = arrivedWhole(sound, await capturedBy(page), notes);
  const arrived = notes.filter((_, i) => whole[i]);
  const all = await settledCount(page, view, arrived.length);
  const refusals = await refusalsOf(page);
  await browser.close();
  const plucks = arrived.map(({ course }) => ({ course, place: 'open' }));
  return rowOf(
    { view, source: 'microphone' },
    plucks,
    all,
    refusals.length,
    notes.length - arrived.length,
  );
}

function plucked(view: Bench, count: number, random: Random) {
  const strings = view === 'bench' ? 6 : 4;
  const courses = Array.from({ length: count }, () => 1 + Math.floor(strings * random()));
  return plucksOf(
    courses,
    [-9, 7, -12, 11, -6, 8].slice(0, strings),
    view === 'bench' ? undefined : 'ukulele',
  );
}

/** Whole checks of a string, as they are asked for: 13 notes each. */
function fretted(): { sound: Float32Array; notes: PlayedNote[] } {
  const pieces: Float32Array[] = [];
  const notes: PlayedNote[] = [];
  let at = 0;
  const add = (piece: Float32Array, course: number) => {
    if (course > 0) notes.push({ course, exact: 0, at: at / RATE, seconds: 0.9 });
    pieces.push(piece);
    at += piece.length;
  };
  for (const course of [4, 3, 2, 1]) {
    const player = fretPlayer(course);
    if (course === 4) for (let k = 0; k < 4; k++) add(player.quiet(), 0);
    for (let k = 0; k < 4; k++) add(player.open(), course);
    add(player.harmonic(), course);
    for (const fret of [12, 1, 2, 3, 5, 7, 9]) add(player.fret(fret), course);
    add(player.open(), course);
  }
  const sound = new Float32Array(at);
  pieces.reduce((from, piece) => {
    sound.set(piece, from);
    return from + piece.length;
  }, 0);
  return { sound, notes };
}

/**
 * How far a reading of the right string and place may lie from it, in cents: no other place is so
 * near. New strings that nobody brings up fall meanwhile.
 */
const NEAR: Readonly<Record<Bench, number>> = { bench: 60, settle: 150, frets: 60 };

function rowOf(
  which: Pick<Row, 'view' | 'source'>,
  plucks: readonly Pluck[],
  all: readonly Stored[],
  refused: number,
  lostByBrowser: number,
): Row {
  const near = NEAR[which.view];
  const far = all.filter(({ off }) => Math.abs(off) > near).length;
  const right = which.view === 'frets' ? all.length - far : inOrder(plucks, all, near);
  const wrong = all.length - right;
  const missing = Math.max(0, plucks.length - all.length - refused);
  if (wrong > 0 || missing > 0)
    console.log(
      plucks.map(({ course }) => course).join(' '),
      '→',
      all.map(({ course, off }) => `${course}:${off.toFixed(0)}`).join(' '),
    );
  return {
    ...which,
    plucks: plucks.length,
    stored: all.length,
    refused,
    wrong,
    missing,
    lostByBrowser,
  };
}

/** How many readings stand on the string that was plucked, in the order of the plucks (longest common subsequence). */
function inOrder(plucks: readonly Pluck[], all: readonly Stored[], near: number): number {
  let row = new Array<number>(all.length + 1).fill(0);
  for (const { course } of plucks) {
    const next = [0];
    for (let j = 1; j <= all.length; j++) {
      const same = all[j - 1]!.course === course && Math.abs(all[j - 1]!.off) <= near;
      next[j] = Math.max(row[j]!, next[j - 1]!, row[j - 1]! + (same ? 1 : 0));
    }
    row = next;
  }
  return row[all.length]!;
}

const server = await serveDemo(PORT);
const loops = Array.from({ length: BUSY_LOOPS }, () =>
  spawn(process.execPath, ['-e', 'for (;;) Math.sqrt(2)']),
);
let failed = false;
try {
  console.log(
    `processor of the page ×${THROTTLE}, ${BUSY_LOOPS} busy loops beside, seeds ${SEED} and ${SEED + 1}`,
  );
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const rows: Row[] = [];
  for (const view of VIEWS) {
    rows.push(await byPractice(browser, view, BY_PRACTICE));
    console.log(JSON.stringify(rows.at(-1)));
    rows.push(await byMicrophone(view, BY_MICROPHONE));
    console.log(JSON.stringify(rows.at(-1)));
  }
  await browser.close();
  console.table(rows);
  failed = rows.some(({ wrong, missing }) => wrong > 0 || missing > 0);
} finally {
  for (const loop of loops) loop.kill();
  server.kill();
}
process.exit(failed ? 1 : 0);
