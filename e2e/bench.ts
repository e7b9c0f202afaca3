import { allStored, begins, en, expect, heardOut, type Locator, type Page } from './test.ts';

/** However busy the machine: the pluck must come, once, in ms. */
export const HEARD_WITHIN = 30_000;
/** A pluck is read within a second: looking for it at ever longer intervals would cost half of that again, in ms. */
export const LOOK_AGAIN = [60];

/** Begins to listen to the practice instrument, where it is not heard already: it goes from job to job. */
export async function beginPractice(page: Page): Promise<void> {
  await page.locator('.job[aria-busy=false]').waitFor();
  const begin = page.getByRole('button', { name: begins('common.practiceSource') }).first();
  const listens = page.getByRole('button', { name: begins('common.listening') });
  await begin.or(listens).first().waitFor();
  if (!(await listens.isVisible())) await begin.click();
}

/** The bench as a user finds it. */
export class BenchPage {
  readonly figure: Locator;
  readonly advice: Locator;

  constructor(readonly page: Page) {
    this.figure = page.getByTestId('figure');
    this.advice = page.getByRole('status');
  }

  async open(): Promise<void> {
    await this.page.goto('/');
    await this.page
      .getByRole('button', { name: begins('common.practiceSource') })
      .first()
      .waitFor();
    // Keys are taken once the session is read back.
    await this.page.locator('.job[aria-busy=false]').waitFor();
  }

  async practise(): Promise<void> {
    await beginPractice(this.page);
    await this.page.getByText(en('common.roomQuiet')).waitFor();
    // On an empty bench the practice guitar sounds its first string by itself.
    await expect
      .poll(() => this.plucks(6), { timeout: HEARD_WITHIN, intervals: LOOK_AGAIN })
      .toBeGreaterThanOrEqual(1);
    await allStored(this.page);
  }

  string(course: number): Locator {
    return this.page.getByRole('button', {
      name: begins('common.stringAndNoteTitle', { string: course }),
    });
  }

  /** How many readings a string has, as its picture says. */
  async plucks(course: number): Promise<number> {
    const label = await this.string(course)
      .getByRole('img', { includeHidden: true })
      .getAttribute('aria-label');
    return Number(/^\d+/.exec(label ?? '')?.[0]);
  }

  /** Presses P and waits until the string has one more reading; answers its deviation. */
  async pluck(course: number): Promise<number> {
    await this.pluckUnseen(course);
    await allStored(this.page);
    return this.deviation(course);
  }

  /** The same while the figures are hidden. */
  async pluckUnseen(course: number): Promise<void> {
    await heardOut(this.page);
    const before = await this.plucks(course);
    await this.page.keyboard.press('p');
    await expect
      .poll(() => this.plucks(course), { timeout: HEARD_WITHIN, intervals: LOOK_AGAIN })
      .toBe(before + 1);
  }

  /** Turns with the arrow keys until a pluck lies within a cent and a half, the way a hand would. */
  async bringToPitch(course: number): Promise<void> {
    const { keyboard } = this.page;
    let cents = await this.pluck(course);
    let perHair = 1.5;
    for (let turn = 0; turn < 14 && Math.abs(cents) > 1.2; turn++) {
      const hairs = Math.max(1, Math.round(Math.abs(cents) / perHair));
      const key = cents < 0 ? 'ArrowUp' : 'ArrowDown';
      for (let i = 0; i < Math.floor(hairs / 10); i++) await keyboard.press(`Shift+${key}`);
      for (let i = 0; i < hairs % 10; i++) await keyboard.press(key);
      const before = cents;
      cents = await this.pluck(course);
      if (Math.abs(before - cents) > 4) perHair = Math.abs(before - cents) / hairs;
    }
  }

  /** The last deviation of a string, from its accessible name. */
  async deviation(course: number): Promise<number> {
    const name = (await this.string(course).getAttribute('aria-label')) ?? '';
    const figure = /: ([+−±])([\d.]+) /.exec(name);
    if (!figure) return Number.NaN;
    return Number(figure[2]) * (figure[1] === '−' ? -1 : 1);
  }

  /** The practice guitar's own truth, course 1 first. */
  async truth(): Promise<number[]> {
    const note = this.page.getByRole('note', { name: en('common.whereThePracticeStringsTruly') });
    if (!(await note.isVisible())) await this.page.keyboard.press('t');
    const text = await note.innerText();
    return [...text.matchAll(/\d: ([+−±])([\d.]+)/g)]
      .map(([, sign, size]) => Number(size) * (sign === '−' ? -1 : 1))
      .reverse();
  }
}
