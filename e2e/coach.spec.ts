import { message } from '@rosefinch/core/message';
import { BenchPage } from './bench.ts';
import { type Doing, playedBy } from './sound.ts';
import { either, en, expect, feed, fromMore, saying, test } from './test.ts';

interface Mistake {
  readonly name: string;
  /** Where the strings start, course 1 first. */
  readonly detune: readonly number[];
  readonly doings: readonly Doing[];
  /** A string that is chosen by hand first. */
  readonly choose?: string;
  readonly says: RegExp;
}

const NEAR = [0.5, 0.5, 0.5, 0.5, 0.5, 0.5];
const with3 = (cents: number) => NEAR.map((value, i) => (i === 2 ? cents : value));

const MISTAKES: readonly Mistake[] = [
  {
    name: 'the wrong way',
    detune: with3(-20),
    doings: [
      { pluck: 3, seconds: 1.2 },
      { turn: [3, -15], seconds: 0.5 },
      { pluck: 3, seconds: 1.5 },
    ],
    says: saying('advice.wrongWay', {
      side: 'low',
      way: message('common.direction', { way: 'towards' }),
    }),
  },
  {
    name: 'a string that slips back',
    detune: with3(-20),
    doings: [
      { pluck: 3, seconds: 1.2 },
      { turn: [3, 20], seconds: 0.6 },
      { mute: true, seconds: 0.4 },
      { turn: [3, -7], seconds: 0.2 },
      { pluck: 3, seconds: 1.5 },
    ],
    says: saying('advice.slipsBack'),
  },
  {
    name: 'a string an octave low',
    detune: with3(-1195),
    doings: [{ pluck: 3, seconds: 1.6 }],
    choose: '3',
    says: saying('advice.octaveLow', { octaves: 1 }),
  },
  {
    name: 'two strings at once',
    detune: NEAR,
    doings: [{ pluck: [2, 3], seconds: 1.6 }],
    says: either(saying('advice.twoStringsNamed'), saying('advice.twoStrings')),
  },
  {
    name: 'a peg that is another string’s',
    detune: with3(-24),
    doings: [1, 2, 3].map(() => ({ pluck: 3, seconds: 1.4 })),
    says: saying('advice.doesNotMove'),
  },
  {
    name: 'a hard pluck',
    detune: NEAR,
    doings: [{ pluck: 2, strength: 1, seconds: 1.6 }],
    says: saying('advice.hardPluck'),
  },
];

test.use({ standIn: true });

test('by microphone the coach hears what goes wrong', async ({ page }) => {
  const bench = new BenchPage(page);
  await bench.open();
  await page.getByRole('button', { name: en('common.microphone') }).click();
  for (const { name, detune, doings, choose, says } of MISTAKES)
    await test.step(name, async () => {
      await page.keyboard.press(choose ?? '0');
      await feed(page, playedBy(detune, doings));
      await expect(bench.advice).toContainText(says);
      await fromMore(page, en('bench.startAfresh'));
      await expect.poll(() => bench.plucks(3)).toBe(0);
    });
});
