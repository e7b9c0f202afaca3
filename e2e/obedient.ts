import { ASKING, askedBy, LEAST } from '@rosefinch/bench/obey';
import type { Message, MessageId } from '@rosefinch/core/message';
import { turnInWords } from '@rosefinch/core/sentences';
import { inTestLanguage } from '@rosefinch/words/expected';
import { BenchPage } from './bench.ts';
import { allStored, begins, en, heardOut, type Page, saying, told } from './test.ts';

/** A twentieth of a turn and a hair, as the keys have them for this peg, in turns of the button. */
interface Keys {
  readonly more: number;
  readonly hair: number;
}

/** A sentence, with where the strings truly stood when it was read: cents from their notes, course 1 first. */
export interface Heard {
  readonly say: string;
  readonly more: string;
  readonly compare: string | null;
  /** The string in hand. */
  readonly course: number;
  /** Where that string is to be brought now, in cents from its note. */
  readonly aim: number;
  readonly truth: readonly number[];
}

const MOST_STEPS = 220;

/** A player at the practice instrument who sees nothing but the sentence, and does what it says. */
export class ObedientPlayer {
  readonly bench: BenchPage;
  private lastTurn = 0;
  private plucked = 0;

  constructor(
    readonly page: Page,
    private readonly keysOf: (course: number) => Keys,
  ) {
    this.bench = new BenchPage(page);
  }

  /** Plays until it is told that all is in tune; answers all that it was told. */
  async play(): Promise<Heard[]> {
    const heard: Heard[] = [];
    while (heard.length < MOST_STEPS) {
      const now = await this.look();
      heard.push(now);
      const asked = askedBy({ say: messagesIn(now.say), more: messagesIn(now.more) });
      if (asked.do === 'over') return heard;
      await this.obey(asked, now.course);
    }
    throw new Error(
      `not in tune after ${MOST_STEPS} steps:\n${heard
        .slice(-40)
        .map(({ say, truth }) => `${say} [${truth.join(' ')}]`)
        .join('\n')}`,
    );
  }

  private async look(): Promise<Heard> {
    await allStored(this.page);
    const [say = '', more = ''] = await this.bench.advice.locator('strong, span').allInnerTexts();
    const line = this.page.getByText(begins('retune.compareValue'));
    const compare = (await line.count()) > 0 ? await line.first().innerText() : null;
    const stage = await this.stage();
    const aim = Number(told('bench.aimFigure', stage).aim?.replace('−', '-') ?? 0);
    return { say, more, compare, course: inHand(stage), aim, truth: await this.bench.truth() };
  }

  private stage(): Promise<string> {
    return this.page.getByRole('region', { name: en('common.stringInHand') }).innerText();
  }

  /** The string that the stage shows. */
  private async inHand(): Promise<number> {
    return inHand(await this.stage());
  }

  private async obey(asked: ReturnType<typeof askedBy>, course: number): Promise<void> {
    if (asked.do === 'next pass') await this.page.keyboard.press('r');
    if (asked.do === 'go on') return this.page.keyboard.press(' ');
    if (asked.do === 'name') return this.page.keyboard.press(String(this.plucked));
    if (asked.do === 'turn')
      await this.turn(course, asked.way === 'tighten' ? asked.turns : -asked.turns);
    if (asked.do === 'turn back') await this.turn(course, -this.lastTurn);
    if (asked.do === 'below') await this.turn(course, -2 * LEAST);
    const next = asked.do === 'pluck' ? (asked.course ?? course) : await this.inHand();
    await this.pluck(asked.do === 'turn' ? course : next);
  }

  private async pluck(course: number): Promise<void> {
    this.plucked = course;
    if ((await this.inHand()) !== course) await this.page.keyboard.press(String(course));
    await heardOut(this.page);
    await this.page.keyboard.press('p');
    await heardOut(this.page);
    await allStored(this.page);
  }

  private async turn(course: number, turns: number): Promise<void> {
    if ((await this.inHand()) !== course) await this.page.keyboard.press(String(course));
    const { more, hair } = this.keysOf(course);
    const key = turns > 0 ? 'ArrowUp' : 'ArrowDown';
    const hairs = Math.max(1, Math.round(Math.abs(turns) / hair));
    const many = Math.round(more / hair);
    for (let k = 0; k < Math.floor(hairs / many); k++)
      await this.page.keyboard.press(`Shift+${key}`);
    for (let k = 0; k < hairs % many; k++) await this.page.keyboard.press(key);
    this.lastTurn = turns;
  }
}

/** Every size of a turn that a sentence can name, the longest first. */
const SIZES = [...Array(2160).keys()]
  .map((degrees) => turnInWords(degrees / 360))
  .map((size) => ({ size, text: inTestLanguage(size) }))
  .filter(({ text }, i, all) => all.findIndex((other) => other.text === text) === i)
  .sort((a, b) => b.text.length - a.text.length);

/** The message that a text on the screen is, as far as it asks for something: a player knows what it means. */
function messagesIn(text: string): readonly Message[] {
  for (const id of ASKING)
    for (const side of SIDES) {
      const number = /\d+/.exec(text)?.[0];
      if (!shows(text, id, side) || (id === 'bench.pluck' && number === undefined)) continue;
      const turn = SIZES.find((one) => text.includes(one.text))?.size ?? null;
      const string = number === undefined ? {} : { string: number, next: number };
      return [{ id, args: { side, ...string, ...(turn && { turn }) } }];
    }
  return [];
}

const SIDES = ['low', 'high'] as const;
const shows = (text: string, id: MessageId, side: (typeof SIDES)[number]) =>
  saying(id, { side } as never).test(text);

/** What is said of the side that a string is on, and that it is where it should be. */
const TURNING = ['bench.turn', 'bench.turnBold', 'bench.farOff'] as const;
const THERE = ['bench.onceMore', 'bench.stillMoved', 'bench.goOn', 'bench.stringDone'] as const;

/** An ear takes two notes for one within this, and a figure is read to a tenth of a cent, in cents. */
const LIMIT = { side: 1.5, rest: 4, compared: 3 } as const;

/** Sides, rests, ends and comparisons that were said and were not so at that moment; empty where all of them were true. */
export function untrue(heard: readonly Heard[]): string[] {
  return heard.flatMap((one) => {
    const { say, more, compare, course, aim, truth } = one;
    const off = truth[course - 1]! - aim;
    const wrong =
      (TURNING.some((id) => shows(say, id, 'low')) && off > LIMIT.side) ||
      (TURNING.some((id) => shows(say, id, 'high')) && off < -LIMIT.side) ||
      (saying('bench.tooFar').test(say) && off < -LIMIT.side) ||
      (THERE.some((id) => saying(id).test(say)) && Math.abs(off) > LIMIT.rest) ||
      (saying('bench.inTune').test(say) && truth.some((cents) => Math.abs(cents) > LIMIT.rest)) ||
      (compare !== null && !comparesTruly(compare, aim, truth));
    return wrong
      ? [`${say} ${more} ${compare ?? ''} [string ${course}, aim ${aim}: ${truth.join(' ')}]`]
      : [];
  });
}

const COMPARING = ['common.compareOpen', 'common.compareMine', 'common.compareOther'] as const;

/** An exact comparison is true where the other string stands as far from its note as this one is to be brought. */
function comparesTruly(compare: string, aim: number, truth: readonly number[]): boolean {
  const exact = COMPARING.map((id) => told(id, compare, { good: 'exact' })).find(
    ({ string, open }) => string !== undefined || open !== undefined,
  );
  if (!exact) return true;
  const other = Number(exact.string ?? exact.open);
  return Math.abs(truth[other - 1]! - aim) <= LIMIT.compared;
}

function inHand(stage: string): number {
  // A style sheet may write it in capitals.
  return Number.parseInt(told('common.string', stage.toLowerCase()).string ?? '', 10);
}
