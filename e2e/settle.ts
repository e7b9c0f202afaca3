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

/** The sentence goes on once a string is so near its note, in cents. */
const IN_TUNE = 2;

/** What a sentence asks of a literal player, in the order in which it is held against them. */
const PULL = begins('settle.pull');
const BRING = either(
  begins('settle.bringBack'),
  begins('settle.bringUp'),
  begins('settle.tuneThenPluck'),
  begins('settle.tuneFirst'),
  begins('settle.loosen'),
);
const WAIT = saying('settle.tooSoon');
const PLUCK = either(saying('settle.pluckAsIs'), saying('advice.notSure'));

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
        await this.page
          .getByLabel(begins('common.stringAndNoteTitle', { string: course }))
          .uncheck();
    await this.page.getByRole('button', { name: en('settle.settleTheseStrings') }).click();
  }

  async practise(): Promise<void> {
    await beginPractice(this.page);
    await this.page.getByText(en('common.roomQuiet')).waitFor();
  }

  /** What a string’s wire says of it. */
  async says(course: number): Promise<string> {
    const wire = this.page.getByRole('button', {
      name: begins('common.stringAndNoteTitle', { string: course }),
    });
    return (await wire.getAttribute('aria-label')) ?? '';
  }

  async readings(course: number): Promise<number> {
    return Number(told('settle.readingsCounted', await this.says(course)).readings);
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
    return this.cents(course);
  }

  /** Where a string was read last: the stage has gone on to the next one by then. */
  async cents(course: number): Promise<number> {
    const text = told('settle.readLast', await this.says(course)).cents ?? '';
    return Number(text.replace('−', '-').replace(/[+±]/, ''));
  }

  /** Turns until a pluck is in tune, the way a hand would; then another string is asked for. */
  async bringUp(course: number, cents: number): Promise<void> {
    const { keyboard } = this.page;
    let now = cents;
    let perHair = 0.45;
    for (let turn = 0; turn < 10 && Math.abs(now) > IN_TUNE; turn++) {
      const hairs = Math.max(1, Math.round(Math.abs(now) / perHair));
      // Silent, so that no turn is heard and read between two plucks.
      await keyboard.press('u');
      const key = now < 0 ? 'ArrowUp' : 'ArrowDown';
      for (let i = 0; i < Math.floor(hairs / 10); i++) await keyboard.press(`Shift+${key}`);
      for (let i = 0; i < hairs % 10; i++) await keyboard.press(key);
      const before = now;
      now = await this.pluck(course);
      if (Math.abs(before - now) > 4) perHair = Math.abs(before - now) / hairs;
    }
  }

  /** The one sentence. */
  async sentence(): Promise<string> {
    const status = this.page.getByRole('status');
    // While that is worked out there is nothing to do.
    await expect(status).not.toContainText(en('settle.heard.more'), {
      timeout: HEARD_WITHIN,
    });
    return status.innerText();
  }

  /** Does what the sentence asks for, as a literal player would; answers it, or null where nothing is left to do. */
  async obey(): Promise<string | null> {
    const says = await this.sentence();
    const course = Number(/\d/.exec(says)?.[0]);
    if (PULL.test(says)) {
      await this.page.keyboard.press('s');
      await this.pluck(course);
    } else if (BRING.test(says)) {
      const unread = (await this.readings(course)) === 0;
      await this.bringUp(course, unread ? await this.pluck(course) : await this.cents(course));
    } else if (WAIT.test(says)) {
      await this.page.getByRole('button', { name: en('settle.aMinutePasses') }).click();
      await this.pluck(course);
    } else if (PLUCK.test(says)) await this.pluck(course);
    else return null;
    return says;
  }

  /** Obeys until the sentence asks for nothing more, or so often. */
  async obeyAll(most = 80): Promise<string[]> {
    const said: string[] = [];
    for (let i = 0; i < most; i++) {
      const says = await this.obey();
      if (says === null) return said;
      said.push(says);
    }
    throw new Error(`still asked after ${most} steps: ${said.join(' | ')}`);
  }

  /** Rounds so far. */
  async rounds(course: number): Promise<number> {
    return Number(told('settle.roundsCounted', await this.says(course)).rounds);
  }

  /** Dropped so far, in cents. */
  async dropped(course: number): Promise<number> {
    return Number(told('settle.droppedSoFar', await this.says(course)).cents);
  }
}
