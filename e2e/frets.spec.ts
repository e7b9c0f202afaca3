import { readFileSync } from 'node:fs';
import { lengthValue, list, message } from '@rosefinch/core/message';
import { HEARD_WITHIN } from './bench.ts';
import { FretsPage } from './frets.ts';
import { printed } from './printed.ts';
import { fretPlayer } from './sound.ts';
import { begins, en, expect, feed, saying, test } from './test.ts';

const withUnit = (label: string) => en('parts.withUnit', { label, unit: 'mm' });

test('a ukulele with a high second fret: the check, the cause, the compromise, the order sheet', async ({
  page,
}) => {
  test.setTimeout(400_000);
  const frets = new FretsPage(page);
  await frets.open('Linnet');
  await expect(page.getByText(saying('frets.howItGoes'))).toBeVisible();
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.comesTo();
  await expect(frets.causes()).toContainText(en('frets.begun.more'));
  await frets.back();
  for (let k = 0; k < 6; k++) await frets.sound();
  // A reload in the middle goes on where it was.
  const asked = await frets.asked();
  expect(asked).toContain(
    en('frets.pluckPlace', {
      string: 2,
      place: message('frets.placeFret', { pressure: 'normal', fret: 8 }),
    }),
  );
  await page.reload();
  await expect.poll(() => frets.asked()).toBe(asked);
  await frets.practise();
  // Struck out, a place is asked for again.
  await page.keyboard.press('n');
  await page.getByLabel(en('frets.noticed')).fill('buzzes a little');
  await page.getByRole('button', { name: en('frets.keepTheNote') }).click();
  await frets.comesTo();
  await expect(page.getByText('buzzes a little')).toBeVisible();
  await frets.back();
  await page.keyboard.press('x');
  await expect
    .poll(() => frets.asked())
    .toContain(
      en('frets.pluckPlace', {
        string: 3,
        place: message('frets.placeFret', { pressure: 'soft', fret: 1 }),
      }),
    );
  await frets.soundAll();
  // The stage says it as soon as it is decided.
  await expect
    .poll(() => frets.asked())
    .toMatch(saying('frets.fretStands', { way: 'far', fret: 2 }));
  expect(await frets.readings()).toBeLessThan(35);
  await frets.comesTo();
  await expect(frets.causes()).toContainText(en('frets.atFault', { count: 1 }));
  await expect(frets.causes()).toContainText(saying('frets.fretStands', { way: 'far', fret: 2 }));
  await expect(frets.causes()).toContainText(saying('frets.repairer'));

  const compromise = page.getByRole('region', { name: en('frets.compromise2') });
  await expect(compromise).toContainText(saying('frets.noCompromise'));
  await compromise.getByLabel(begins('frets.ownChordsStringCoursesFirst')).fill('2220; 22');
  await expect(compromise).toContainText(
    en('frets.notFrets', { strings: 4, texts: list(['22'], 'semicolons') }),
  );
  await expect(
    compromise.getByRole('img', { name: begins('frets.chordSays', { chord: '2220' }) }),
  ).toBeVisible();
  await compromise.getByLabel(begins('frets.ownChordsStringCoursesFirst')).fill('');
  for (const chord of ['C', 'F', 'G'])
    await compromise.getByLabel(chord, { exact: true }).uncheck();
  await expect(compromise).toContainText(saying('frets.compromise'));

  const save = async (name: string) => {
    const [saved] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name }).click(),
    ]);
    return readFileSync(await saved.path());
  };
  expect((await save(en('frets.saveAsCSV'))).toString()).toContain('error_cents');
  expect((await save(en('frets.saveTheMapAsSVG'))).toString()).toMatch(/^<svg/);
  expect((await save(en('frets.saveTheMapAsPNG'))).subarray(1, 4).toString()).toBe('PNG');
  const sheet = await printed(page);
  expect(sheet.pages).toBeLessThanOrEqual(2);
  // What only a hand can fill in is no use on paper.
  expect(sheet.text).not.toMatch(saying('frets.oneFretAStringX'));
  expect(sheet.text).toMatch(saying('frets.fretStands', { way: 'far', fret: 2 }));
  expect(sheet.text).toMatch(saying('frets.repairer'));

  await page
    .getByRole('button', { name: en('frets.tuneNameSoFromNow', { name: 'Linnet' }) })
    .click();
  await expect(compromise.getByRole('status')).toContainText(
    en('frets.aimsNow', { instrument: 'Linnet' }),
  );
  await page.goto('/');
  await expect(
    page.getByRole('button', {
      name: saying('common.nameTunedInHand', {
        name: 'Linnet',
        tuned: en('frets.compromiseName', {
          tuning: message('names.ukuleleStandard'),
          instrument: 'Linnet',
        }),
      }),
    }),
  ).toBeVisible();
  // Taken back in one action.
  await page.goBack();
  await compromise
    .getByRole('button', { name: en('frets.backToName', { name: en('names.ukuleleStandard') }) })
    .click();
  await expect(compromise.getByRole('status')).toContainText(
    saying('frets.aimsAgain', { tuning: en('names.ukuleleStandard') }),
  );
  await page.goto('/shelf/linnet');
  await expect(page.getByRole('region', { name: en('frets.frets') })).toContainText(
    saying('frets.fretStands', { way: 'far', fret: 2 }),
  );

  // It comes back from the repairer as it was: ten plucks show it.
  await page.goto('/frets');
  await page.getByRole('button', { name: en('frets.thatIsEnough') }).click();
  await page.getByRole('button', { name: en('frets.checkAgain') }).click();
  const before = page.getByRole('region', { name: en('frets.orderedBefore') });
  await expect(before).toContainText(saying('frets.fretStands', { way: 'far', fret: 2 }));
  await before.getByRole('button', { name: begins('frets.isItRight') }).click();
  await frets.practise();
  await frets.soundAll();
  await expect
    .poll(() => frets.asked())
    .toContain(en('frets.proofNot', { part: message('frets.partFret', { fret: 2 }) }));
  expect(await frets.readings()).toBe(10);
});

test('a banjo’s bridge is put right in two moves', async ({ page }) => {
  test.setTimeout(240_000);
  const frets = new FretsPage(page);
  await frets.open('Lapwing');
  const first = page.getByRole('region', { name: en('frets.bridgeFirst') });
  await first.getByLabel(withUnit(en('frets.nutToFret12'))).fill('335');
  await first.getByLabel(withUnit(en('frets.fret12ToBridge'))).fill('331.5');
  await expect(first).toContainText(
    en('frets.bridgeMoves', { way: 'away', length: lengthValue(3.5, 1) }),
  );
  let moves = 0;
  for (; moves < 3; moves++) {
    await page.getByRole('button', { name: saying('frets.thenByEarTheOctaves') }).click();
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
  for (const course of [5, 4, 3, 2])
    await page.getByLabel(en('common.stringTitle', { string: course })).uncheck();
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.soundAll();
  // Two millimetres too near, as a practice instrument’s saddle is: every octave is sharp.
  await expect
    .poll(() => frets.asked())
    .toMatch(begins('frets.saddlesMove', { strings: list([6, 1]) }));
  await frets.comesTo();
  await page.getByLabel(en('frets.pitchOfTheScrewsMm')).fill('0.7');
  await expect(frets.causes()).toContainText(saying('frets.saddleMovesTurns', { string: 6 }));
  await expect(page.getByRole('region', { name: en('frets.compromise2') })).toHaveCount(0);
});

test.describe('by microphone', () => {
  test.use({ standIn: true });

  test('a check is read; a wrong fret and a buzzing one are noticed', async ({ page }) => {
    const frets = new FretsPage(page);
    const player = fretPlayer(3);
    await frets.open('Redshank');
    await page.getByLabel(en('frets.whichNotes')).selectOption('useful');
    for (const course of [4, 2, 1])
      await page.getByLabel(en('common.stringTitle', { string: course })).uncheck();
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
    await expect(page.getByRole('status').first()).toContainText(saying('advice.notSure'));
    await feed(page, player.fret(6));
    await expect(page.getByRole('status')).toContainText(
      en('frets.otherPlace', {
        heard: 6,
        place: message('frets.placeFret', { pressure: 'normal', fret: 5 }),
      }),
    );
    await page.getByRole('button', { name: en('frets.pluckItAgain') }).click();
    for (const number of [5, 7, 9]) await read(player.fret(number));
    await read(player.open());
    await expect.poll(() => frets.asked()).toContain(en('frets.allRead'));
    await frets.comesTo();
    await expect(frets.causes()).toContainText(
      en('frets.missing', {
        places: list(
          [message('frets.missingFrets', { count: 5, frets: list([4, 6, 8, 10, 11]) })],
          'semicolons',
        ),
      }),
    );
  });
});

test('a ukulele with a high action: what a lighter and a harder finger do', async ({ page }) => {
  test.setTimeout(240_000);
  const frets = new FretsPage(page);
  await frets.open('Whimbrel');
  await page.getByLabel(en('frets.whichNotes')).selectOption('useful');
  for (const course of [4, 3, 1])
    await page.getByLabel(en('common.stringTitle', { string: course })).uncheck();
  await page.getByLabel(begins('frets.softNormalAndHardTells')).check();
  await page.getByRole('button', { name: en('frets.beginTheCheck') }).click();
  await frets.practise();
  await frets.soundAll();
  await frets.comesTo();
  await expect(frets.causes()).toContainText(saying('frets.touchTouch'));
  await expect(frets.causes()).toContainText(saying('frets.hardAdds'));
  await expect(page.getByRole('img', { name: en('frets.errorsInCentsStringBy') })).toBeVisible();
  // Kept: it is there again after a reload, and shows on the instrument.
  await frets.back();
  await page.getByRole('button', { name: en('frets.thatIsEnough') }).click();
  await page.reload();
  await expect(page.getByRole('status')).toContainText(en('frets.checkDone'));
  await frets.comesTo();
  await expect(frets.causes()).toContainText(saying('frets.hardAdds'));
});
