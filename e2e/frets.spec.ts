import { readFileSync } from 'node:fs';
import { HEARD_WITHIN } from './bench.ts';
import { FretsPage } from './frets.ts';
import { printed } from './printed.ts';
import { fretPlayer } from './sound.ts';
import { en, expect, feed, test } from './test.ts';

test('a ukulele with a high second fret: the check, the cause, the compromise, the order sheet', async ({
  page,
}) => {
  test.setTimeout(400_000);
  const frets = new FretsPage(page);
  await frets.open('Linnet');
  await expect(page.getByText('so the instrument need not be in tune')).toBeVisible();
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.comesTo();
  await expect(frets.causes()).toContainText('Nothing is told yet. Read the open strings');
  await frets.back();
  for (let k = 0; k < 6; k++) await frets.sound();
  // A reload in the middle goes on where it was.
  const asked = await frets.asked();
  expect(asked).toContain('String 2, fret 8: pluck it.');
  await page.reload();
  await expect.poll(() => frets.asked()).toBe(asked);
  await frets.practise();
  // Struck out, a place is asked for once more.
  await page.keyboard.press('n');
  await page.getByLabel(en('frets.noticed')).fill('buzzes a little');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await frets.comesTo();
  await expect(page.getByText('buzzes a little')).toBeVisible();
  await frets.back();
  await page.keyboard.press('x');
  await expect.poll(() => frets.asked()).toContain('String 3, fret 1, soft: pluck it.');
  await frets.soundAll();
  // The stage says it as soon as it is decided.
  await expect.poll(() => frets.asked()).toContain('Fret 2 stands too near the bridge: 1.');
  expect(await frets.readings()).toBeLessThan(35);
  await frets.comesTo();
  await expect(frets.causes()).toContainText('One part is at fault. ');
  await expect(frets.causes()).toContainText('Fret 2 stands too near the bridge: 1.');
  await expect(frets.causes()).toContainText('To a qualified repairer');

  const compromise = page.getByRole('region', { name: en('frets.compromise2') });
  await expect(compromise).toContainText('No compromise helps these chords');
  await compromise.getByLabel(/^Own chords/).fill('2220; 22');
  await expect(compromise).toContainText('not 4 frets: 22');
  await expect(compromise.getByRole('img', { name: /^2220: string 4/ })).toBeVisible();
  await compromise.getByLabel(/^Own chords/).fill('');
  for (const chord of ['C', 'F', 'G'])
    await compromise.getByLabel(chord, { exact: true }).uncheck();
  await expect(compromise).toContainText('Detuned so, the widest pair comes from');

  const save = async (name: string) => {
    const [saved] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name }).click(),
    ]);
    return readFileSync(await saved.path());
  };
  expect((await save('Save as CSV')).toString()).toContain('error_cents');
  expect((await save('Save the map as SVG')).toString()).toMatch(/^<svg/);
  expect((await save('Save the map as PNG')).subarray(1, 4).toString()).toBe('PNG');
  const sheet = await printed(page);
  expect(sheet.pages).toBeLessThanOrEqual(2);
  // What only a hand can fill in is no use on paper.
  expect(sheet.text).not.toContain('one fret a string');
  expect(sheet.text).toContain('Fret 2 stands too near the bridge');
  expect(sheet.text).toContain('To a qualified repairer');

  await page.getByRole('button', { name: 'Tune Linnet so from now on' }).click();
  await expect(compromise.getByRole('status')).toContainText('The bench now aims Linnet at it.');
  await page.goto('/');
  await expect(page.getByRole('button', { name: /for Linnet’s frets, in hand/ })).toBeVisible();
  // Taken back in one action.
  await page.goBack();
  await compromise.getByRole('button', { name: 'Back to Standard, re-entrant' }).click();
  await expect(compromise.getByRole('status')).toContainText('at Standard, re-entrant again.');
  await page.goto('/shelf/linnet');
  await expect(page.getByRole('region', { name: 'Frets' })).toContainText('Fret 2');

  // It comes back from the repairer as it was: ten plucks show it.
  await page.goto('/frets');
  await page.getByRole('button', { name: en('frets.thatIsEnough') }).click();
  await page.getByRole('button', { name: en('frets.checkAgain') }).click();
  const before = page.getByRole('region', { name: en('frets.orderedBefore') });
  await expect(before).toContainText('Fret 2 stands too near the bridge');
  await before.getByRole('button', { name: /^Is it put right/ }).click();
  await frets.practise();
  await frets.soundAll();
  await expect.poll(() => frets.asked()).toContain('Not done: fret 2 is as it was.');
  expect(await frets.readings()).toBe(10);
});

test('a sound ukulele is let go, and nothing is ordered', async ({ page }) => {
  test.setTimeout(240_000);
  const frets = new FretsPage(page);
  await frets.open('Stonechat');
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.soundAll();
  await expect
    .poll(() => frets.asked())
    .toMatch(/^Every note is within 5 cents\.|^Nothing to order/);
  expect(await frets.readings()).toBeLessThan(40);
  await frets.comesTo();
  await expect(frets.causes()).not.toContainText('One part is at fault');
  await expect(page.getByRole('button', { name: en('frets.printTheOrderSheet') })).toHaveCount(0);
});

test('a banjo’s bridge is put right in two moves', async ({ page }) => {
  test.setTimeout(240_000);
  const frets = new FretsPage(page);
  await frets.open('Lapwing');
  const first = page.getByRole('region', { name: en('frets.bridgeFirst') });
  await first.getByLabel('Nut to fret 12, mm').fill('335');
  await first.getByLabel('Fret 12 to bridge, mm').fill('331.5');
  await expect(first).toContainText('By measure: move the bridge 3.5 mm away from the nut.');
  let moves = 0;
  for (; moves < 3; moves++) {
    await page.getByRole('button', { name: 'Then by ear' }).click();
    await frets.practise();
    await frets.soundAll();
    await frets.comesTo();
    const right = await page.getByText(en('frets.bridgeRight')).isVisible();
    if (right) break;
    await frets.back();
    await page.getByRole('button', { name: en('frets.moveThePracticeBridgeSo') }).click();
  }
  expect(moves).toBeLessThanOrEqual(2);
});

test('saddles of their own are told by the octaves, and in turns of their screws', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const frets = new FretsPage(page);
  await frets.open('Heron');
  await page.getByLabel(en('frets.whichNotes')).selectOption('octaves');
  for (const course of [5, 4, 3, 2]) await page.getByLabel(`String ${course}`).uncheck();
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.soundAll();
  // Two millimetres too near, as a practice instrument’s saddle is: every octave is sharp.
  await expect.poll(() => frets.asked()).toMatch(/^The saddles of strings 6, 1 are to be moved\./);
  await frets.comesTo();
  await page.getByLabel(en('frets.pitchOfTheScrewsMm')).fill('0.7');
  await expect(frets.causes()).toContainText(
    /String 6 moves \d\.\d ± \d\.\d mm away from the nut: \d\.\d turns of its screw\./,
  );
  await expect(page.getByRole('region', { name: en('frets.compromise2') })).toHaveCount(0);
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  test('a check is read; a wrong fret and a buzzing one are noticed', async ({ page }) => {
    const frets = new FretsPage(page);
    const player = fretPlayer(3);
    await frets.open('Redshank');
    await page.getByLabel(en('frets.whichNotes')).selectOption('useful');
    for (const course of [4, 2, 1]) await page.getByLabel(`String ${course}`).uncheck();
    await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
    await page.getByRole('button', { name: en('common.microphone') }).click();
    await feed(page, player.quiet());
    const read = async (sound: Float32Array) => {
      const before = await frets.readings();
      await feed(page, sound);
      await expect.poll(() => frets.readings(), { timeout: HEARD_WITHIN }).toBe(before + 1);
    };
    for (let k = 0; k < 4; k++) await read(player.open());
    await read(player.harmonic());
    for (const number of [12, 1, 2, 3]) await read(player.fret(number));
    await feed(page, player.buzz());
    await expect(page.getByRole('status').first()).toContainText('Pluck again');
    await feed(page, player.fret(6));
    await expect(page.getByRole('status')).toContainText('That sounded like fret 6, not fret 5.');
    await page.getByRole('button', { name: en('frets.pluckItAgain') }).click();
    for (const number of [5, 7, 9]) await read(player.fret(number));
    await read(player.open());
    await expect.poll(() => frets.asked()).toContain('Every place is read.');
    await frets.comesTo();
    await expect(frets.causes()).toContainText('Not heard yet: frets 4, 6, 8, 10, 11.');
  });
});

test('a ukulele with a high action: what a lighter and a harder finger do', async ({ page }) => {
  test.setTimeout(240_000);
  const frets = new FretsPage(page);
  await frets.open('Whimbrel');
  await page.getByLabel(en('frets.whichNotes')).selectOption('useful');
  for (const course of [4, 3, 1]) await page.getByLabel(`String ${course}`).uncheck();
  await page.getByLabel(/^Soft, normal and hard/).check();
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.soundAll();
  await frets.comesTo();
  await expect(frets.causes()).toContainText('Touch: the lightest that still rings takes');
  await expect(frets.causes()).toContainText('A hard one adds');
  await expect(page.getByRole('img', { name: en('frets.errorsInCentsStringBy') })).toBeVisible();
  // Kept: it is there again after a reload, and shows on the instrument.
  await frets.back();
  await page.getByRole('button', { name: en('frets.thatIsEnough') }).click();
  await page.reload();
  await expect(page.getByRole('status')).toContainText(en('frets.checkDone'));
  await frets.comesTo();
  await expect(frets.causes()).toContainText('A hard one adds');
});
