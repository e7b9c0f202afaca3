import { between, normal, seededRandom } from '@rosefinch/core/maths';
import { minutesFor, type TimedSitting } from '@rosefinch/core/rounds';
import { quantile } from './print.ts';

const KINDS = [
  { kind: 'guitar', strings: 6 },
  { kind: 'ukulele', strings: 4 },
  { kind: 'banjo', strings: 5 },
] as const;

/** A session as it goes: each string is off or not; each that is takes its time, some stubborn ones much longer. */
function sat(
  random: () => number,
  strings: number,
  { off, each, handling }: { off: number; each: number; handling: number },
): TimedSitting {
  let minutes = handling * Math.exp(0.2 * normal(random));
  let right = true;
  for (let s = 0; s < strings; s++) {
    if (random() >= off) continue;
    right = false;
    minutes += each * Math.exp(0.45 * normal(random)) * (random() < 0.08 ? 3 : 1);
  }
  // Now and then somebody asks something in the middle of it.
  if (random() < 0.05) minutes += between(random, 1, 5);
  return { minutes, right };
}

/** Minutes that a class takes, forecast before it from what its instruments took. */
export function roundFigures(first: number, classes: number): void {
  for (const known of [0, 3, 8]) {
    const errors: number[] = [];
    const signed: number[] = [];
    for (let seed = first; seed < first + classes; seed++) {
      const random = seededRandom(seed * 13 + known);
      const count = 6 + Math.floor(random() * 9);
      // A hurried day or a slow one.
      const pace = Math.exp(0.1 * normal(random));
      let [forecast, took] = [0, 0];
      for (let i = 0; i < count; i++) {
        const { kind, strings } = KINDS[Math.floor(random() * KINDS.length)] ?? KINDS[0];
        const habits = {
          off: between(random, 0.05, 0.8),
          each: 0.5 * Math.exp(0.35 * normal(random)),
          handling: between(random, 0.15, 0.5),
        };
        const sittings = Array.from({ length: known }, () => sat(random, strings, habits));
        forecast += minutesFor({ kind, strings, sittings, out: null });
        took += pace * sat(random, strings, habits).minutes;
      }
      errors.push(Math.abs(forecast - took) / took);
      signed.push((forecast - took) / took);
    }
    console.log(
      `Minutes of a round, seeds ${first}–${first + classes - 1}, ${known} sittings known of each of 6 to 14 instruments: off by ${quantile(errors, 0.5, 2)} of it in the median, ${quantile(errors, 0.9, 2)} in 9 of 10; median ${quantile(signed, 0.5, 2)}`,
    );
  }
}
