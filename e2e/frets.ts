import { beginPractice, HEARD_WITHIN, LOOK_AGAIN } from './bench.ts';
import {
  allStored,
  begins,
  either,
  en,
  expect,
  heardOut,
  type Page,
  saying,
  take,
  told,
} from './test.ts';

/** What the map is called where only octaves are read. */
const OCTAVES = 'frets.fretboardWithLengthReadingsHow';

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
      .getByRole('img', { name: either(begins('frets.mapSays'), begins(OCTAVES)) })
      .getAttribute('aria-label')
      .then(
        (label) => told('frets.mapSays', label ?? '').count ?? told(OCTAVES, label ?? '').length,
      )
      .then(Number);
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
    while (saying('frets.pluckPlace').test(await this.asked())) await this.sound();
  }

  /** Goes to the page that says what the check comes to. */
  async comesTo(): Promise<void> {
    await this.page.getByRole('button', { name: begins('frets.whatItComesTo') }).click();
  }

  async back(): Promise<void> {
    await this.page.getByRole('button', { name: begins('frets.backToTheCheckW') }).click();
    // Its keys are taken once it stands there.
    await this.page.locator('.job[aria-busy=false]').waitFor();
  }

  causes() {
    return this.page.getByRole('region', { name: en('frets.causes') });
  }
}
