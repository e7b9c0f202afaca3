import { askedBy, LEAST } from '@rosefinch/bench/obey';
import { BenchPage } from './bench.ts';
import { allStored, en, heardOut, type Page } from './test.ts';

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
      const asked = askedBy(now);
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
    const line = this.page.getByText(/^Compare: /);
    const compare = (await line.count()) > 0 ? await line.first().innerText() : null;
    const stage = await this.stage();
    const aim = Number(/aim ([+−][\d.]+)/.exec(stage)?.[1]?.replace('−', '-') ?? 0);
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

/** An ear takes two notes for one within this, and a figure is read to a tenth of a cent, in cents. */
const LIMIT = { side: 1.5, rest: 4, compared: 3 } as const;

/** Sides, rests, ends and comparisons that were said and were not so at that moment; empty where all of them were true. */
export function untrue(heard: readonly Heard[]): string[] {
  return heard.flatMap((one) => {
    const { say, more, compare, course, aim, truth } = one;
    const off = truth[course - 1]! - aim;
    const wrong =
      (/^(Low|Far below)\./.test(say) && off > LIMIT.side) ||
      (/^(High|Far above)\.|^Too far/.test(say) && off < -LIMIT.side) ||
      (/^(At rest|Nearly|Done|It is right)/.test(say) && Math.abs(off) > LIMIT.rest) ||
      (/^In tune/.test(say) && truth.some((cents) => Math.abs(cents) > LIMIT.rest)) ||
      (compare !== null && !comparesTruly(compare, aim, truth));
    return wrong
      ? [`${say} ${more} ${compare ?? ''} [string ${course}, aim ${aim}: ${truth.join(' ')}]`]
      : [];
  });
}

/** An exact comparison is true where the other string stands as far from its note as this one is to be brought. */
function comparesTruly(compare: string, aim: number, truth: readonly number[]): boolean {
  if (/about/i.test(compare)) return true;
  const other = Number(/string (\d)/i.exec(compare)?.[1]);
  return Math.abs(truth[other - 1]! - aim) <= LIMIT.compared;
}

function inHand(stage: string): number {
  return Number(/string (\d+)/i.exec(stage)?.[1]);
}
