import { beginPractice, HEARD_WITHIN, LOOK_AGAIN } from './bench.ts';
import { allStored, en, expect, heardOut, type Page, take } from './test.ts';

/** The fret check as a user finds it. */
export class FretsPage {
  constructor(readonly page: Page) {}

  async open(instrument: string): Promise<void> {
    await this.page.goto('/frets');
    await take(this.page, instrument);
  }

  async practise(): Promise<void> {
    await beginPractice(this.page);
    await this.page.getByText(en('common.roomQuiet')).waitFor();
  }

  readings(): Promise<number> {
    return this.page
      .getByRole('img', { name: /^Fretboard with/ })
      .getAttribute('aria-label')
      .then((label) => Number(/with (\d+)/.exec(label ?? '')?.[1]));
  }

  asked(): Promise<string> {
    return this.page.getByRole('status').first().innerText();
  }

  /** Sounds what is asked for until it was read. */
  async sound(): Promise<void> {
    await heardOut(this.page);
    const before = await this.readings();
    await this.page.keyboard.press('p');
    await expect
      .poll(() => this.readings(), { timeout: HEARD_WITHIN, intervals: LOOK_AGAIN })
      .toBe(before + 1);
    await allStored(this.page);
  }

  /** Goes on until nothing more is asked for. */
  async soundAll(): Promise<void> {
    while ((await this.asked()).includes('pluck')) await this.sound();
  }

  /** Goes to the page that says what the check comes to. */
  async comesTo(): Promise<void> {
    await this.page.getByRole('button', { name: /^What it comes to/ }).click();
  }

  async back(): Promise<void> {
    await this.page.getByRole('button', { name: /^Back to the check/ }).click();
    // Its keys are taken once it stands there.
    await this.page.locator('.job[aria-busy=false]').waitFor();
  }

  causes() {
    return this.page.getByRole('region', { name: en('frets.causes') });
  }
}
