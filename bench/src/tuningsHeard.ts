import { Decimator, likeliest, STRUM_WINDOW, tuningsLike } from '@rosefinch/core/listen';
import { between, seededRandom } from '@rosefinch/core/maths';
import { type InstrumentKind, TUNINGS, type Tuning, targetsOf } from '@rosefinch/core/music';
import type { Cents } from '@rosefinch/core/units';
import { strum } from './foreign/strummed.ts';
import { stringsOf } from './strums.ts';

const RATE = 24_000;
const MADE_AS: Readonly<Record<InstrumentKind, readonly string[]>> = {
  guitar: ['steel guitar', 'nylon guitar'],
  ukulele: ['ukulele'],
  banjo: ['banjo'],
  // No foreign bass is made: what is strummed is drawn among the others.
  bass: [],
};
/** Strings are off by so much each, and all together. */
const EACH = 25;

const SOUNDED = TUNINGS.filter(({ kind }) => MADE_AS[kind].length > 0);
const hzOf = (tuning: Tuning) => targetsOf(tuning, 440).map(({ hz }) => hz);
const pitchesOf = (tuning: Tuning) =>
  targetsOf(tuning, 440)
    .map(({ midi }) => midi)
    .sort((a, b) => a - b)
    .join();

/**
 * True if a tuning is another one's, all of it moved by the same, and nearer to what sounds: half a step lower is
 * the better name of what stands 70 cents low.
 */
function isNearer(named: Tuning, tuning: Tuning, together: Cents): boolean {
  const [own, other] = [tuning, named].map((one) =>
    targetsOf(one, 440)
      .map(({ midi }) => midi)
      .sort((a, b) => a - b),
  );
  const by = other!.map((midi, i) => 100 * (midi - own![i]!));
  const all = by[0]!;
  return by.every((cents) => cents === all) && Math.abs(together - all) < Math.abs(together);
}

/** Which tuning of the catalogue is strummed, each of its kind being offered; sets of the same pitches count once. */
export function tuningFigures(first: number, each: number): void {
  for (const [together, kinds] of [
    [30, 'its kind'],
    [80, 'its kind'],
    [30, 'all kinds'],
  ] as const) {
    let forced = 0;
    let said = 0;
    let saidRight = 0;
    let amongTwo = 0;
    for (let seed = first; seed < first + each; seed++) {
      const random = seededRandom(seed * 911);
      const tuning = SOUNDED[Math.floor(random() * SOUNDED.length)]!;
      const made = MADE_AS[tuning.kind];
      const targets = targetsOf(tuning, 440);
      const cents = between(random, -together, together);
      const off = 2 ** (cents / 1200);
      const open = stringsOf(
        made[Math.floor(random() * made.length)]!,
        targets.map(({ midi }) => midi),
      ).map((string) => ({ ...string, hz: string.hz * off }));
      const snr = random() < 0.5 ? 30 : 20;
      const room = random() < 0.5 ? 0.4 : null;
      const window = { from: STRUM_WINDOW.from, to: STRUM_WINDOW.from + STRUM_WINDOW.final };
      const scene = strum(random, open, { snr, room, off: EACH, window }, RATE);
      const decimator = new Decimator(RATE);
      const samples: number[] = [];
      decimator.process(scene.sound, (sample) => samples.push(sample));
      const offered = TUNINGS.filter(
        (one) =>
          kinds === 'all kinds' ||
          (one.kind === tuning.kind && hzOf(one).length === targets.length),
      );
      const like = tuningsLike(
        Float64Array.from(samples),
        Math.round(scene.first * decimator.outputRate),
        decimator.outputRate,
        offered.map((one) => ({ id: one.id, name: one.name, hz: hzOf(one) })),
      )!;
      const isIt = (like: { readonly id: string }) => {
        const named = offered.find(({ id }) => id === like.id)!;
        return pitchesOf(named) === pitchesOf(tuning) || isNearer(named, tuning, cents);
      };
      const likely = likeliest(like);
      if (isIt(like[0]!)) forced++;
      if (likely.length === 1) said++;
      if (likely.length === 1 && isIt(likely[0]!)) saidRight++;
      if (likely.length === 2 && likely.some(isIt)) amongTwo++;
    }
    console.log(
      `\nTuning of a strum, seeds ${first}–${first + each - 1}, strings ±${EACH} cents, all together ±${together}, offered ${kinds}: forced choice ${forced} of ${each}; one said ${said}, right ${saidRight}; two offered ${each - said}, one of them right ${amongTwo}`,
    );
  }
}
