import { type FretReading, scatteringStrings } from '@rosefinch/core/intonation';
import { normal, seededRandom } from '@rosefinch/core/maths';
import { foreignNeck, NECK_KINDS, WORLDS } from './foreign/necks.ts';

const LAST = 12;
/** Each note of a worn string is off by so much by chance, cents. */
const WORN = [3, 6] as const;

/** Strings that scatter over the neck, in whole sheets of three foreign worlds: sound ones, and one worn string each. */
export function scatterFigures(first: number, each: number): void {
  for (const kind of NECK_KINDS) {
    let [sound, falsely] = [0, 0];
    const found = WORN.map(() => ({ right: 0, other: 0, n: 0 }));
    for (const world of WORLDS)
      for (let seed = first; seed < first + each; seed++) {
        const random = seededRandom(seed * 101 + WORLDS.indexOf(world));
        const neck = foreignNeck(random, world, kind, null);
        const courses = neck.instrument.courses.map(({ number }) => number);
        const readings = courses.flatMap((course) =>
          Array.from({ length: LAST }, (_, i): FretReading => {
            const place = { kind: 'fret', fret: i + 1, pressure: 'normal' } as const;
            return { course, place, ...neck.read({ course, ...place }), at: 0 };
          }),
        );
        sound++;
        if (scatteringStrings(readings).length > 0) falsely++;
        const worn = courses[Math.floor(random() * courses.length)];
        WORN.forEach((cents, k) => {
          const off = readings.map((one) =>
            one.course === worn ? { ...one, cents: one.cents + cents * normal(random) } : one,
          );
          const named = scatteringStrings(off).map(({ course }) => course);
          const row = found[k]!;
          row.n++;
          if (worn !== undefined && named.includes(worn)) row.right++;
          if (named.some((course) => course !== worn)) row.other++;
        });
      }
    console.log(
      `Strings that scatter, ${kind}, three worlds, seeds ${first}–${first + each - 1}, twelve frets of each: sound ones named ${falsely} of ${sound}; ${found
        .map(
          ({ right, other, n }, k) =>
            `one off by ${WORN[k]} cents at random named ${right}, another ${other} of ${n}`,
        )
        .join('; ')}`,
    );
  }
}
