import { type BrowserContext, test as base, expect, type Page } from '@playwright/test';
import { message, noteValue, type Value } from '@rosefinch/core/message';
import type { Midi } from '@rosefinch/core/units';
import { readCatalogue } from '@rosefinch/words/english';
import { begins, en, LANGUAGE, saying } from '@rosefinch/words/expected';

export type { BrowserContext, Locator, Page } from '@playwright/test';
export { begins, either, en, saying, told, wholly } from '@rosefinch/words/expected';
export { expect };

/**
 * What the browser tests give the application: where and when it is, by which chance its
 * practice instruments are made, and that they sound as fast as they can be heard. Nothing
 * of the machine's own hour, zone or language reaches a test; another set can be tried by
 * ROSEFINCH_START, ROSEFINCH_ZONE and ROSEFINCH_LOCALE.
 */
const START = Date.parse(process.env.ROSEFINCH_START ?? '2026-03-10T09:20:00Z');
export const ZONE = process.env.ROSEFINCH_ZONE ?? 'Europe/Berlin';
export const LOCALE = process.env.ROSEFINCH_LOCALE ?? 'en-GB';
const SEED = 7;

/** When pages open, by the clock on the wall, each part in two digits and the year in four. */
export function opensAt(): Readonly<Record<string, string>> {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: ZONE,
    day: '2-digit',
    month: '2-digit',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  }).formatToParts(START);
  return Object.fromEntries(parts.map(({ type, value }) => [type, value]));
}

/** Gives a context its time and chance. In real pace practice instruments sound as time goes. */
export async function give(
  context: BrowserContext,
  pace: 'real' | 'fast',
  standIn = false,
  year: 'whole' | 'none' = 'none',
): Promise<void> {
  // Scripts that run outside of the test runner name their functions by a helper of their own.
  await context.addInitScript('globalThis.__name ??= (named) => named');
  await context.addInitScript(
    ({ start, seed, pace, standIn, year, language }) => {
      const kept = (name: string, first: number) => {
        const value = Number(sessionStorage.getItem(name) ?? first);
        sessionStorage.setItem(name, String(value));
        return value;
      };
      // What a tab knows of its time outlives a reload.
      const gone = pace === 'fast' ? 0 : Date.now() - kept('given opened', Date.now());
      Object.assign(globalThis, {
        rosefinchGiven: {
          startsAt: start + gone + kept('given ahead', 0),
          seed,
          language,
          units: { decimal: '.', length: 'mm', force: 'N' },
          ...(year === 'none' && { demoYear: year }),
          ...(pace === 'fast' && { pace }),
          ...(standIn && { microphone: {} }),
          advanced: (ms: number) =>
            sessionStorage.setItem('given ahead', String(kept('given ahead', 0) + ms)),
          onItsWay(change: number) {
            this.waiting = change === 0 ? 0 : this.waiting + change;
          },
          waiting: 0,
          atRecords(change: number) {
            this.storing += change;
          },
          storing: 0,
        },
      });
    },
    { start: START, seed: SEED, pace, standIn, year, language: LANGUAGE },
  );
  const opened = context.newPage.bind(context);
  context.newPage = async () => patient(await opened());
}

/** A context of a test's own, which is given nothing else, has the language of the tests. */
export async function giveLanguage(context: BrowserContext): Promise<void> {
  await context.addInitScript((language) => {
    Object.assign(globalThis, { rosefinchGiven: { language } });
  }, LANGUAGE);
}

/** A page that is left only when its records are stored: what a busy machine is still storing would be lost. */
function patient(page: Page): Page {
  const { goto, reload } = page;
  page.goto = async (...to) => {
    await recordsAtRest(page);
    return goto.apply(page, to);
  };
  page.reload = async (...how) => {
    await recordsAtRest(page);
    return reload.apply(page, how);
  };
  return page;
}

async function recordsAtRest(page: Page): Promise<void> {
  const storing = () =>
    page.evaluate(() => (globalThis as unknown as Partial<Gave>).rosefinchGiven?.storing ?? 0);
  await expect.poll(storing, 'the records are at rest').toBe(0);
}

/** From its next load on a page lives so many ms later, or earlier. */
export async function shiftClock(page: Page, ms: number): Promise<void> {
  await page.addInitScript((by) => {
    const given = (globalThis as unknown as { rosefinchGiven: { startsAt: number } })
      .rosefinchGiven;
    given.startsAt += by;
  }, ms);
}

/** Feeds sound to the stand-in for the microphone: 48 kHz, mono. It must be listened to. */
export async function feed(page: Page, sound: Float32Array): Promise<void> {
  const bytes = Buffer.from(sound.buffer, sound.byteOffset, sound.byteLength).toString('base64');
  await page.waitForFunction(
    () => 'feed' in (globalThis as unknown as Gave).rosefinchGiven.microphone,
  );
  // What is expected of the sound is known once the records are read and drawn: nobody plays sooner.
  await recordsAtRest(page);
  await page.evaluate(
    () => new Promise<void>((rest) => requestIdleCallback(() => rest(), { timeout: 2000 })),
  );
  await page.evaluate((text) => {
    const raw = Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
    (globalThis as unknown as Gave).rosefinchGiven.microphone.feed(new Float32Array(raw.buffer));
  }, bytes);
}

/** Waits until everything that the practice hands did was heard: a turned string may be read again. */
export async function heardOut(page: Page): Promise<void> {
  await page.waitForFunction(
    // A page that was given nothing plays in real time, and its hands wait for what they do.
    () => ((globalThis as unknown as Partial<Gave>).rosefinchGiven?.waiting ?? 0) <= 0,
  );
}

/** Waits until what was read is on the disk: until then it is marked, and a reload would lose it. */
export async function allStored(page: Page): Promise<void> {
  await expect(page.getByRole('img', { name: en('common.notStoredYet') })).toHaveCount(0);
}

/** How many events of a kind the records hold: what a reload will find. */
export function storedEvents(page: Page, type: string): Promise<number> {
  return page.evaluate(
    (wanted) =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('rosefinch-demo');
        opening.onsuccess = () => {
          const all = opening.result.transaction('events').objectStore('events').getAll();
          all.onsuccess = () => {
            opening.result.close();
            resolve(all.result.filter(({ event }) => event.type === wanted).length);
          };
        };
      }),
    type,
  );
}

/** Goes to another view as a link does, without loading the page anew. */
export async function goTo(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
}

/** Takes another instrument in hand, by its name, from the list at the head. */
export async function take(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: saying('common.nameTunedInHand') }).click();
  await page.getByRole('textbox', { name: en('common.findAnInstrumentATuning') }).fill(name);
  await page
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .last()
    .click();
  await expect(
    page.getByRole('button', { name: begins('common.nameTunedInHand', { name }) }),
  ).toBeVisible();
}

/** Does what has no button of its own: it stands under More. */
export async function fromMore(page: Page, action: string): Promise<void> {
  await page.getByRole('button', { name: begins('common.more') }).click();
  await page.getByRole('textbox', { name: en('common.findAnAction') }).fill(action);
  await page.getByRole('dialog').getByRole('button', { name: action }).click();
}

/** Reads a recording, which is a source like the others. */
export async function recording(
  page: Page,
  files: Parameters<ReturnType<Page['getByLabel']>['setInputFiles']>[0],
): Promise<void> {
  const file = page.getByLabel(en('recording.file'));
  if (!(await file.count()))
    await page.getByRole('button', { name: en('common.whatIsListenedTo') }).click();
  await file.setInputFiles(files);
}

/** A view runs out of no side of a window so wide. */
export async function expectWithin(page: Page, path: string, width: number): Promise<void> {
  await goTo(page, path);
  await page.getByRole('heading', { level: 1 }).waitFor();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide, `${path} at ${width}`).toBeLessThanOrEqual(width);
}

const MESSAGES: ReadonlySet<string> = new Set(
  Object.entries(readCatalogue(LANGUAGE)).flatMap(([module, texts]) =>
    Object.keys(texts).map((key) => `${module}.${key}`),
  ),
);

/** What a page shows of messages that were not put into words: their ids, or their facts. */
async function unworded(page: Page): Promise<string[]> {
  const shown = await page.evaluate(() => document.body?.innerText ?? '').catch(() => '');
  const ids = shown.split(/[\s,;:()"“”]+/).filter((word) => MESSAGES.has(word.replace(/\.$/, '')));
  return [...ids, ...(shown.match(/\[object \w+\]|\{"(?:id|kind)":.{0,60}/g) ?? [])];
}

/** A comparison as cards have it: a held string is as an open one. */
export function same(string: number, fret: number, open: number): string {
  const held = message('parts.held', { string, fret });
  return en('parts.checkSame', { apartBy: 'none', held, open, cents: 0 });
}

/** A sharp or natural note with its octave, as an argument. */
export function note(midi: Midi): Value {
  return noteValue(midi, 'sharp');
}

interface Gave {
  readonly rosefinchGiven: {
    readonly microphone: { feed(samples: Float32Array): void };
    readonly waiting: number;
    readonly storing: number;
  };
}

/** A test whose practice instruments sound as fast as they can be heard, and that may feed a stand-in for the microphone. */
export const test = base.extend<{
  pace: 'real' | 'fast';
  standIn: boolean;
  /** What the demo’s shelf begins with: most tests want it without a past. */
  year: 'whole' | 'none';
}>({
  pace: ['fast', { option: true }],
  standIn: [false, { option: true }],
  year: ['none', { option: true }],
  context: async ({ context, pace, standIn, year }, use) => {
    await give(context, pace, standIn, year);
    await use(context);
    for (const page of context.pages()) expect(await unworded(page)).toEqual([]);
  },
});
