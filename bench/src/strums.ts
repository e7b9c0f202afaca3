import { Decimator, readStrum, STRUM_WINDOW, type StrumString } from '@rosefinch/core/listen';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { centsBetween } from '@rosefinch/core/music';
import { type StrumScene, strum } from './foreign/strummed.ts';
import { quantile } from './print.ts';
import { OPEN_STRINGS, type OpenString, stringsOfModel } from './strings.ts';

const RATE = 24_000;

/** Open strings of usual tunings, course 1 first, made from the nearest string of the kind. */
const TUNINGS: readonly (readonly [kind: string, midi: readonly number[]])[] = [
  ['steel guitar', [64, 59, 55, 50, 45, 40]],
  ['steel guitar', [62, 57, 54, 50, 45, 38]],
  ['steel guitar', [62, 57, 55, 50, 45, 38]],
  ['steel guitar', [62, 59, 55, 50, 43, 38]],
  ['nylon guitar', [64, 59, 55, 50, 45, 40]],
  ['nylon guitar', [64, 59, 55, 50, 45, 38]],
  ['ukulele', [69, 64, 60, 67]],
  ['banjo', [62, 59, 55, 50, 67]],
  ['banjo', [62, 60, 55, 50, 67]],
];

export interface Strummed {
  readonly kind: string;
  readonly scene: StrumScene;
  readonly read: readonly StrumString[];
  /** Errors in cents, course 1 first; null where it did not sound. */
  readonly errors: readonly (number | null)[];
}

export function stringsOf(kind: string, midi: readonly number[]): OpenString[] {
  const own = OPEN_STRINGS.filter(({ name }) => name.startsWith(kind));
  return midi.map((note) => {
    const hz = 440 * 2 ** ((note - 69) / 12);
    const near = own.reduce((a, b) =>
      Math.abs(Math.log(a.hz / hz)) < Math.abs(Math.log(b.hz / hz)) ? a : b,
    );
    return { ...near, hz };
  });
}

export interface StrumSetting {
  readonly knownB: boolean;
  readonly missing: boolean;
  readonly snr?: number;
}

function sceneOf(
  random: Random,
  strings: readonly OpenString[],
  setting: StrumSetting,
): StrumScene {
  return strum(
    random,
    strings,
    {
      snr: setting.snr ?? (random() < 0.5 ? 30 : 20),
      room: random() < 0.5 ? 0.4 : null,
      missing: setting.missing,
      off: 65,
      window: { from: STRUM_WINDOW.from, to: STRUM_WINDOW.from + STRUM_WINDOW.final },
    },
    RATE,
  );
}

/** Tuning after tuning by seed, or the strings of one model. */
export function strummedBy(seed: number, setting: StrumSetting, model?: string): Strummed {
  const random: Random = seededRandom(seed * 6553);
  const [usual, midi] = TUNINGS[seed % TUNINGS.length]!;
  const kind = model ?? usual;
  const strings = model ? stringsOfModel(model).strings : stringsOf(usual, midi);
  const scene = sceneOf(random, strings, setting);
  const known = scene.strings.map(({ target, b }, i) => ({
    target: { course: i + 1, midi: 0, hz: target },
    ...(setting.knownB && { inharmonicity: b * Math.exp(0.1 * normal(random)) }),
  }));
  const decimator = new Decimator(RATE);
  const samples: number[] = [];
  decimator.process(scene.sound, (sample) => samples.push(sample));
  // An ear dates the onset within some milliseconds.
  const onset = Math.round((scene.first + between(random, -0.005, 0.015)) * decimator.outputRate);
  const read = readStrum(Float64Array.from(samples), onset, decimator.outputRate, known) ?? [];
  const errors = scene.strings.map(({ hz }, i) =>
    hz === null ? null : centsBetween(hz, read[i]!.hz),
  );
  return { kind, scene, read, errors };
}

export function strumFigures(first: number, each: number, model?: string): void {
  for (const setting of [
    { knownB: false, missing: false },
    { knownB: true, missing: false },
    { knownB: true, missing: true },
  ]) {
    const all: Strummed[] = [];
    for (let seed = first; seed < first + each; seed++) all.push(strummedBy(seed, setting, model));
    console.log(
      `\nStrums, seeds ${first}–${first + each - 1}; B ${setting.knownB ? 'known' : 'not known'}${setting.missing ? '; one string missing' : ''}`,
    );
    for (const kind of model ? [model] : ['', 'steel guitar', 'nylon guitar', 'ukulele', 'banjo'])
      printKind(
        all.filter((one) => kind === '' || one.kind === kind),
        kind || 'all',
      );
  }
}

function printKind(all: readonly Strummed[], name: string): void {
  let strings = 0;
  let absent = 0;
  let invented = 0;
  const errors: number[] = [];
  let one = 0;
  let two = 0;
  let bad = 0;
  for (const { read, errors: own } of all)
    own.forEach((error, i) => {
      const { sure, errorCents } = read[i]!;
      if (error === null) {
        absent++;
        if (sure) invented++;
        return;
      }
      strings++;
      if (!sure) return;
      const size = Math.abs(error);
      errors.push(size);
      if (size < errorCents) one++;
      if (size < 2 * errorCents) two++;
      if (size > 3 * errorCents && size > 3) bad++;
    });
  const n = errors.length;
  const percent = (k: number) => ((100 * k) / Math.max(1, n)).toFixed(1);
  console.log(
    `  ${name.padEnd(13)} ${strings} strings, answered ${((100 * n) / Math.max(1, strings)).toFixed(1)} %; median ${quantile(errors, 0.5, 2)}, 95 % ${quantile(errors, 0.95, 2)}, over 5: ${errors.filter((e) => e > 5).length}; ±1/±2 ${percent(one)}/${percent(two)} %; over 3 ± and 3 cents ${percent(bad)} %; absent ${absent}, answered ${invented}`,
  );
}
