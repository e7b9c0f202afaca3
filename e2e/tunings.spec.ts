import { readFileSync } from 'node:fs';
import { message, signed } from '@rosefinch/core/message';
import { BenchPage } from './bench.ts';
import { begins, en, expect, note, type Page, same, saying, test } from './test.ts';

async function newTuning(page: Page, from: string, name: string): Promise<void> {
  await page.goto(`/tunings/new?from=${from}`);
  await page.getByLabel(en('tunings.name')).fill(name);
}

async function save(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: en('tunings.save') }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('heading', { name })).toBeVisible();
}

test('a tuning is made by playing, planned, and cannot be deleted while an instrument is in it', async ({
  page,
}) => {
  test.setTimeout(90_000);
  await new BenchPage(page).open();
  await newTuning(page, 'guitar-standard', 'Low tide');
  const playing = page.getByRole('region', { name: en('tunings.byPlaying') });
  await playing
    .getByRole('button', { name: en('common.practiceSource', { kind: 'guitar' }) })
    .click();
  await page.getByRole('region', { name: en('common.practiceInstrument') }).waitFor();
  // A standard string 6, and the same one loosened until the ear says D.
  await page.keyboard.press('p');
  await expect(playing.getByRole('status')).toContainText(
    saying('tunings.playedNote', { string: 6, note: 'E2' }),
  );
  for (let turn = 0; turn < 6; turn++) {
    await playing.getByRole('button', { name: '6', exact: true }).click();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('p');
    await expect(playing.getByRole('status')).toContainText(
      saying('common.pluckStringCourse', { course: 5 }),
    );
    if (
      (await playing.getByRole('status').innerText()).match(
        saying('tunings.playedNote', { string: 6, note: 'D2' }),
      )
    )
      break;
  }
  await expect(page.getByLabel(en('tunings.notes'))).toHaveValue('D2 A2 D3 G3 B3 E4');
  await expect(
    page.getByLabel(en('tunings.semitonesFromName', { name: en('names.guitarStandard') })),
  ).toHaveValue('−2 0 0 0 0 0');
  await page.keyboard.press('p');
  await expect(playing.getByRole('status')).toContainText(
    saying('tunings.playedNote', { string: 5, note: 'A2' }),
  );
  await save(page, 'Low tide');

  await page.getByRole('link', { name: en('tunings.planTheWayThere') }).click();
  const steps = page.getByRole('button', { name: saying('retune.stepTo') });
  await expect(steps).toHaveCount(1);
  await expect(steps.first()).toHaveAccessibleName(
    begins('common.lineSays', {
      line: message('common.stringAndNoteTitle', { string: 6, note: note(40) }),
    }),
  );
  await page.getByRole('button', { name: en('retune.doItOnTheBench') }).click();
  await expect(
    page.getByRole('button', {
      name: en('common.nameTunedInHand', { name: 'Heron', tuned: 'Low tide' }),
    }),
  ).toBeVisible();
  await page.reload();
  await expect(
    page.getByRole('button', {
      name: en('common.nameTunedInHand', { name: 'Heron', tuned: 'Low tide' }),
    }),
  ).toBeVisible();

  await page.goto('/tunings');
  await page.getByRole('link', { name: /Low tide/ }).click();
  await page.getByRole('button', { name: en('tunings.delete') }).click();
  await expect(page.getByRole('alert')).toContainText(
    saying('records.inThisTuning', { name: 'Heron' }),
  );
});

test('a tuning is typed by notes or steps; a slip is named and nothing is lost', async ({
  page,
}) => {
  await new BenchPage(page).open();
  await newTuning(page, 'guitar-standard', 'Evening');
  await page.getByLabel(en('tunings.notes')).fill('D A D F# A');
  await expect(
    page.getByText(en('problems.wantedEach', { what: 'notes', count: 6, given: 5 })),
  ).toBeVisible();
  await page.getByLabel(en('tunings.notes')).fill('D A D F# A D');
  await expect(
    page.getByLabel(en('tunings.semitonesFromName', { name: en('names.guitarStandard') })),
  ).toHaveValue('−2 0 0 −1 −2 −2');
  await expect(page.getByText(begins('tunings.openChord'))).toBeVisible();
  await page.getByLabel(en('tunings.openStrings')).selectOption('pure');
  // A pure third lies 13.7 cents below the equal one.
  await expect(page.getByRole('region', { name: en('tunings.offsets') })).toContainText(
    en('parts.stringCents', { string: 3, cents: signed(-13.686286135165176) }),
  );
  await save(page, 'Evening');
  await expect(page.getByRole('row', { name: /^3 F♯3/ })).toContainText('−13.7');

  await page.getByRole('link', { name: en('tunings.change'), exact: true }).click();
  await page.getByLabel(en('tunings.semitonesFromName', { name: 'Evening' })).fill('0 0 0 -1 0 0');
  // By its key: D minor is written with a flat.
  await expect(page.getByLabel(en('tunings.notes'))).toHaveValue('D2 A2 D3 F3 A3 D4');
  await save(page, 'Evening');
  await page.getByRole('button', { name: en('tunings.delete') }).click();
  await expect(
    page.getByRole('status').filter({ hasText: saying('tunings.nameIsDeleted') }),
  ).toBeVisible();
  await page.getByRole('button', { name: en('common.undo') }).click();
  await expect(page.getByRole('link', { name: /Evening/ })).toContainText(en('tunings.ownOne'));
});

test('a phrase of the teacher’s is kept and stands on the card', async ({ page }) => {
  await new BenchPage(page).open();
  await page.goto('/tunings/guitar-open-d');
  await page.getByLabel(en('tunings.rememberItBy')).fill('Down at dawn, all finches answer');
  await page.getByLabel(en('tunings.rememberItBy')).blur();
  await expect(page.getByText(en('tunings.keptItIsPrintedOn'))).toBeVisible();
  await page.reload();
  await expect(page.getByLabel(en('tunings.rememberItBy'))).toHaveValue(
    'Down at dawn, all finches answer',
  );
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: en('tunings.cardAsSVG') }).click();
  const file = await waiting;
  expect(file.suggestedFilename()).toBe(`${en('names.guitarOpenD')}.svg`);
  const svg = readFileSync(await file.path(), 'utf8');
  for (const words of [
    '<svg xmlns="http://www.w3.org/2000/svg" width="148mm" height="210mm"',
    'Down at dawn, all finches answer',
    '3   F♯3 / G♭3   185.00 Hz   ',
    en('common.compareOther', {
      good: 'exact',
      string: 4,
      fret: 4,
      interval: message('common.interval', { distance: 'same' }),
    }),
    same(3, 3, 2),
  ])
    expect(svg).toContain(words);
});

test('checks reach as far as they are asked to, octaves among them, and both sides can be heard', async ({
  page,
}) => {
  await new BenchPage(page).open();
  await page.goto('/tunings/guitar-standard');
  const checks = page.getByRole('region', { name: en('tunings.checksByEar') });
  await checks
    .getByRole('button', {
      name: en('parts.checkSame', {
        apartBy: 'none',
        held: message('parts.held', { fret: 5, string: 6 }),
        open: 5,
        cents: 0,
      }),
    })
    .click();
  await expect(checks.getByRole('status')).toHaveText(
    en('tunings.sounding', { held: message('parts.held', { fret: 5, string: 6 }), open: 5 }),
  );
  await checks
    .getByLabel(en('tunings.upToFret'))
    .selectOption({ label: en('tunings.upToFretFret', { fret: 5 }) });
  // Five neighbours: four at fret 5 and one at fret 4.
  await expect(checks.getByRole('listitem')).toHaveCount(5);
  await checks.getByRole('switch', { name: en('tunings.octavesToo') }).click();
  await expect(checks).toContainText(
    en('parts.checkOctave', {
      apartBy: 'none',
      held: message('parts.held', { fret: 3, string: 6 }),
      relation: message('common.relation', { distance: 'downOne' }),
      open: 3,
      cents: 0,
    }),
  );
});

test('a load beyond the usual asks for a yes, a floating bridge is cautioned', async ({ page }) => {
  await new BenchPage(page).open();
  await newTuning(page, 'guitar-standard', 'A step up');
  await page
    .getByLabel(en('tunings.semitonesFromName', { name: en('names.guitarStandard') }))
    .fill('2 2 2 2 2 2');
  await save(page, 'A step up');
  await page.getByRole('link', { name: en('tunings.planTheWayThere') }).click();
  // Two semitones on every string: 2^(4/12) is 1.26.
  await expect(page.getByRole('alert')).toHaveText(
    en('retune.neckLoad', { percent: 125.9921049894873 }),
  );
  const begin = page.getByRole('button', { name: en('retune.doItOnTheBench') });
  await expect(begin).toBeDisabled();
  await page.getByRole('button', { name: en('retune.theNeckCanCarryThat') }).click();
  await expect(begin).toBeEnabled();

  await page.goto('/shelf/heron');
  await page.getByLabel(en('shelf.bridge')).selectOption('floating');
  await page.getByRole('button', { name: en('tunings.save') }).click();
  await expect(page.getByRole('region', { name: en('common.notice') })).toContainText(
    en('shelf.saved'),
  );
  await page.goto('/retune?to=guitar-drop-d');
  await expect(page.getByRole('alert')).toContainText(saying('retune.floating'));
});

test('capo and reference pitch are part of the target', async ({ page }) => {
  await new BenchPage(page).open();
  await page.goto('/retune?to=guitar-standard');
  await page
    .getByRole('combobox', { name: en('retune.capo') })
    .selectOption({ label: en('retune.capoFretFret', { fret: 2 }) });
  await page.getByLabel(en('retune.a4Hz')).fill('442');
  await page.getByLabel(en('retune.a4Hz')).blur();
  await page.getByRole('button', { name: en('retune.doItOnTheBench') }).click();
  await expect(
    page.getByRole('button', {
      name: en('common.nameTunedInHand', {
        name: 'Heron',
        tuned: `${en('names.guitarStandard')}, ${en('common.capoAt', { fret: 2 })}`,
      }),
    }),
  ).toBeVisible();
  await expect(
    page.getByRole('button', {
      name: begins('common.stringAndNoteTitle', { string: 6, note: note(42) }),
    }),
  ).toBeVisible();
  const bench = new BenchPage(page);
  await bench.practise();
  expect(Math.abs(await bench.deviation(6))).toBeLessThan(60);
  await page.reload();
  await expect.poll(() => bench.plucks(6)).toBe(1);
  // Without the capo it is another session, which knows where the open strings are.
  await page.goto('/retune?to=guitar-standard');
  await page
    .getByRole('combobox', { name: en('retune.capo') })
    .selectOption({ label: en('retune.noCapo') });
  await page.getByRole('button', { name: en('retune.doItOnTheBench') }).click();
  await expect(
    page.getByRole('button', {
      name: en('common.nameTunedInHand', { name: 'Heron', tuned: en('names.guitarStandard') }),
    }),
  ).toBeVisible();
  await expect(
    page.getByRole('button', {
      name: begins('common.stringAndNoteTitle', { string: 6, note: note(40) }),
    }),
  ).toBeVisible();
});

test('tensions can be had in kilograms', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel(en('settings.tensionIn')).selectOption('kgf');
  await expect(page.getByLabel(en('settings.tensionIn'))).toHaveValue('kgf');
  await page.goto('/retune?to=guitar-open-d');
  // 461.4 N over 9.80665.
  await expect(
    page.getByRole('region', { name: en('common.actions') }).getByText(saying('retune.loadRange')),
  ).toBeVisible();
});

test('a scale file is laid on the strings, a bad one changes nothing, and what is saved reads the same', async ({
  page,
}) => {
  await newTuning(page, 'banjo-open-g', 'Low meadow');
  const offsets = page.getByRole('region', { name: en('tunings.offsets') });
  const give = async (text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await offsets.getByRole('button', { name: en('tunings.fromAScaleFileScl') }).click();
    await (await chooser).setFiles({
      name: 'meantone.scl',
      mimeType: 'text/plain',
      buffer: Buffer.from(text),
    });
  };
  // Of quarter-comma meantone: a third of 386.3 and a fifth of 696.6 cents.
  await give('! m.scl\n!\nMeantone, five of its notes\n 3\n 5/4\n 696.578\n 2/1\n');
  await expect(
    offsets.getByLabel(en('tunings.valueMidiCents', { value: 2, midi: 'B3' })),
  ).toHaveValue('-13.7');
  await expect(
    offsets.getByLabel(en('tunings.valueMidiCents', { value: 4, midi: 'D3' })),
  ).toHaveValue('-3.4');
  await give('! m.scl\nBroken\n 2\n 5/4\n two\n');
  await expect(offsets.getByRole('alert')).toContainText(saying('problems.scaleNote', { line: 5 }));
  await expect(
    offsets.getByLabel(en('tunings.valueMidiCents', { value: 2, midi: 'B3' })),
  ).toHaveValue('-13.7');
  // Above another note the same scale lies elsewhere; where it has no step for a string that is said.
  await offsets.getByLabel(en('tunings.theScaleBeginsOn')).selectOption({ label: 'C' });
  await expect(offsets.getByRole('alert')).toContainText(saying('problems.scaleFar'));
  await save(page, 'Low meadow');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: en('tunings.scaleFileScl'), exact: true }).click();
  const text = readFileSync(await (await saved).path(), 'utf8');
  expect(text).toContain('Low meadow\n 3\n!\n 386.31');
});

test('a temperament is laid on the neck: what straight frets cost, and open strings that are fair to them', async ({
  page,
}) => {
  await page.goto('/tunings/guitar-open-d');
  const neck = page.getByRole('region', { name: en('tunings.aTemperamentOnTheNeck') });
  await expect(neck.getByRole('status')).toContainText(
    en('tunings.neckCost', { near: 30, places: 78, cents: 5 }),
  );
  await neck.getByRole('combobox', { name: en('tunings.whatIsWanted') }).selectOption('equal');
  await expect(neck.getByRole('status')).toContainText(en('tunings.neckNear', { cents: 5 }));
  await neck.getByRole('combobox', { name: en('tunings.whatIsWanted') }).selectOption('pure');
  await neck.locator('input[type=file]').setInputFiles({
    name: 'slendro.scl',
    mimeType: 'text/plain',
    buffer: Buffer.from('five even steps\n5\n240.\n480.\n720.\n960.\n2/1\n'),
  });
  await expect(neck.getByRole('alert')).toContainText(saying('tunings.neckAsBefore'));
  await neck.getByRole('combobox', { name: en('tunings.openStrings') }).selectOption('fairest');
  await expect(neck.getByRole('status')).not.toContainText(
    saying('tunings.neckCost', { near: 30, places: 78 }),
  );
  await neck.getByRole('button', { name: en('tunings.aTuningWithTheseOpen') }).click();
  await expect(page.getByLabel(en('tunings.name'), { exact: true })).toHaveValue(
    en('tunings.tempered', { tuning: message('names.guitarOpenD') }),
  );
});
