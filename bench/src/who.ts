import { bridgeEnds } from '@rosefinch/core/intonation';
import { whoSounded } from '@rosefinch/core/listen';
import { normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { findTuning, shiftHz, targetsOf } from '@rosefinch/core/music';

const COUNT = 3000;
const TUNINGS = [
  'guitar-standard',
  'guitar-open-d',
  'ukulele-standard',
  'ukulele-low-g',
  'banjo-open-g',
  'banjo-double-c',
];

/** Strings off by a normal law, half of them read before; any one sounds, and another may have been chosen. */
export function whoFigures(): void {
  console.log(`\nWhich string sounded: ${COUNT} plucks a row, seeds 1–${COUNT}`);
  for (const id of TUNINGS)
    for (const sd of [15, 40])
      for (const choose of [true, false]) {
        const tally = { right: 0, asked: 0, wrong: 0 };
        for (let seed = 1; seed <= COUNT; seed++) tally[verdict(id, sd, choose, seed)]++;
        console.log(
          `  ${id}, ${sd} cents off, ${choose ? 'any string chosen' : 'none chosen'}: right ${tally.right}, asked ${tally.asked}, wrong ${tally.wrong}`,
        );
      }
}

function verdict(
  id: string,
  sd: number,
  choose: boolean,
  seed: number,
): 'right' | 'asked' | 'wrong' {
  const random = seededRandom(seed);
  const targets = targetsOf(findTuning(id)!, 440);
  const off = targets.map(() => sd * normal(random));
  const strings = targets.map((target, i) =>
    random() < 0.5
      ? { target, lastHz: shiftHz(target.hz, off[i]! + 3 * normal(random)) }
      : { target },
  );
  const any = () => Math.floor(targets.length * random());
  const sounded = targets[any()]!;
  const chosen = any() + 1;
  const hz = shiftHz(sounded.hz, off[sounded.course - 1]!);
  const who = whoSounded({ hz }, strings, choose ? chosen : null);
  if (who.kind !== 'known') return 'asked';
  return targets[who.course - 1]!.midi === sounded.midi ? 'right' : 'wrong';
}

const CHECKS = 5000;

/** A bridge that stands right, its readings scattered by a normal or a heavy-tailed law. */
export function bridgeFigures(): void {
  console.log(
    `\nA right bridge told to move: ${CHECKS} checks a row, seeds 10001–${10_000 + CHECKS}`,
  );
  for (const heavy of [false, true])
    for (const scatter of [0.5, 0.8, 1, 1.5]) {
      let moved = 0;
      for (let seed = 1; seed <= CHECKS; seed++)
        if (isMoved(seededRandom(10_000 + seed), scatter, heavy)) moved++;
      console.log(
        `  ${scatter} cents${heavy ? ', one reading in ten three times as wide' : ''}: ${((100 * moved) / CHECKS).toFixed(1)} %`,
      );
    }
}

function isMoved(random: Random, scatter: number, heavy: boolean): boolean {
  const off = () => scatter * normal(random) * (heavy && random() < 0.1 ? 3 : 1);
  const test = () => ({
    open: Array.from({ length: 5 }, off),
    fretted: Array.from({ length: 3 }, off),
  });
  return bridgeEnds(670, [test(), test()]).some(({ right }) => !right);
}
