import { beginPractice, HEARD_WITHIN, LOOK_AGAIN } from './bench.ts';
import { allStored, expect, heardOut, type Page, take } from './test.ts';

/** The settle view as a user finds it, on the demo's restrung ukulele. */
export class SettlePage {
  constructor(readonly page: Page) {}

  async open(): Promise<void> {
    await this.page.goto('/settle');
    await take(this.page, 'Stonechat');
  }

  /** Begins with some strings: the others are unticked. */
  async begin(strings: readonly number[] = [1, 2, 3, 4]): Promise<void> {
    for (const course of [1, 2, 3, 4])
      if (!strings.includes(course))
        await this.page.getByLabel(new RegExp(`^String ${course},`)).uncheck();
    await this.page.getByRole('button', { name: 'Settle these strings' }).click();
  }

  async practise(): Promise<void> {
    await beginPractice(this.page);
    await this.page.getByText('Room quiet').waitFor();
  }

  /** What a string’s wire says of it. */
  async says(course: number): Promise<string> {
    const wire = this.page.getByRole('button', { name: new RegExp(`^String ${course},`) });
    return (await wire.getAttribute('aria-label')) ?? '';
  }

  async readings(course: number): Promise<number> {
    return Number(/(\d+) reading/.exec(await this.says(course))?.[1]);
  }

  /** Presses P until the string has one more reading; answers its deviation in cents. */
  async pluck(course: number): Promise<number> {
    await heardOut(this.page);
    const before = await this.readings(course);
    await this.page.keyboard.press('p');
    await expect
      .poll(() => this.readings(course), { timeout: HEARD_WITHIN, intervals: LOOK_AGAIN })
      .toBe(before + 1);
    await allStored(this.page);
    return this.figure();
  }

  async figure(): Promise<number> {
    const text = await this.page.getByTestId('figure').innerText();
    return Number(text.replace('−', '-').replace(/[+±]/, ''));
  }

  /** Turns until two plucks lie within a cent and a half, the way a hand would. */
  async bringUp(course: number, cents: number): Promise<void> {
    const { keyboard } = this.page;
    let now = cents;
    let perHair = 0.45;
    for (let turn = 0; turn < 10 && Math.abs(now) > 1.5; turn++) {
      const hairs = Math.max(1, Math.round(Math.abs(now) / perHair));
      const key = now < 0 ? 'ArrowUp' : 'ArrowDown';
      for (let i = 0; i < Math.floor(hairs / 10); i++) await keyboard.press(`Shift+${key}`);
      for (let i = 0; i < hairs % 10; i++) await keyboard.press(key);
      const before = now;
      now = await this.pluck(course);
      if (Math.abs(before - now) > 4) perHair = Math.abs(before - now) / hairs;
    }
  }

  async tuneUp(course: number): Promise<void> {
    await this.page.keyboard.press(String(course));
    await this.bringUp(course, await this.pluck(course));
  }

  /** One round of a string: read, pulled, read, brought up. */
  async round(course: number): Promise<void> {
    await this.page.keyboard.press(String(course));
    await this.pluck(course);
    await this.page.keyboard.press('s');
    await this.bringUp(course, await this.pluck(course));
  }

  /** Rounds so far. */
  async rounds(course: number): Promise<number> {
    return Number(/(\d+) round/.exec(await this.says(course))?.[1]);
  }

  /** Dropped so far, in cents. */
  async dropped(course: number): Promise<number> {
    return Number(/dropped ([\d.]+) cents/.exec(await this.says(course))?.[1]);
  }
}
