import { message } from '@rosefinch/core/message';
import { BenchPage } from './bench.ts';
import { begins, en, expect, type Page, saying, test } from './test.ts';

const more = (page: Page, times: number, key: string) =>
  Array.from({ length: times }).reduce<Promise<void>>(
    (before) => before.then(() => page.keyboard.press(key)),
    Promise.resolve(),
  );

test('the peg test leads from peg to peg, stores what it finds, and turns become advice', async ({
  page,
}) => {
  const bench = new BenchPage(page);
  await bench.open();
  await bench.practise();
  // Before any turn was measured the advice is a guess.
  await expect(bench.advice).toContainText(saying('common.turnGuessed'));
  await page.keyboard.press('g');
  await expect(bench.advice).toContainText(en('advice.pegPluck', { string: 6 }));
  await bench.pluck(6);
  await expect(bench.advice).toContainText(
    en('advice.pegTurn', {
      turn: message('common.turn', {
        about: 'exactly',
        size: message('common.turnEighths', { eighths: 1 }),
      }),
      way: message('common.direction', { way: 'towards' }),
    }),
  );
  // Two twentieths and five hairs are an eighth.
  const eighth = async (key: string) => {
    await more(page, 2, `Shift+${key}`);
    await more(page, 5, key);
    await bench.pluck(6);
  };
  await eighth('ArrowDown');
  await expect(bench.advice).toContainText(begins('advice.pegAsThought'));
  await eighth('ArrowDown');
  await expect(bench.advice).toContainText(
    saying('advice.pegTurnBack', {
      turn: message('common.turn', {
        about: 'exactly',
        size: message('common.turnEighths', { eighths: 1 }),
      }),
      way: message('common.direction', { way: 'away' }),
    }),
  );
  await eighth('ArrowUp');
  await expect(bench.advice).toContainText(saying('advice.pegMeasured', { string: 6 }));
  await expect(bench.advice).toContainText(en('advice.pegPluckNext', { string: 5 }));
  await bench.pluck(5);
  await bench.pluck(5);
  await expect(bench.advice).toContainText(saying('advice.pegDidNotMove'));
  await page.keyboard.press(' ');
  await expect(bench.advice).toContainText(en('advice.pegPluck', { string: 4 }));
  // A peg that works the other way: the practice hand tightens where it was told to loosen.
  await bench.pluck(4);
  await more(page, 2, 'Shift+ArrowUp');
  await bench.pluck(4);
  await expect(bench.advice).toContainText(
    saying('advice.pegOtherWay', {
      string: 4,
      way: message('common.direction', { way: 'towards' }),
    }),
  );
  await page.keyboard.press('g');

  await page.goto('/shelf/heron');
  await page.getByText(en('shelf.stringsInDetail')).click();
  const row = (course: number) =>
    page.getByRole('row', { name: new RegExp(`^${course} `) }).first();
  await expect(row(6)).toContainText(saying('shelf.pegTriedFigures'));
  await expect(page.getByLabel(en('shelf.tightenStringNumber', { number: 4 }))).toHaveValue(
    'towardsYou',
  );
  await expect(row(5)).toContainText(en('shelf.pegNotTried'));
  await page.goto('/');
  await bench.practise();
  await page.keyboard.press('6');
  await bench.pluck(6);
  await expect(bench.advice).not.toContainText(saying('common.turnGuessed'));
});
