import { between, normal, type Random, seededRandom } from '@rosefinch/core/random';
import {
  type Creep,
  creepAt,
  holdOf,
  holdTime,
  roundsLeft,
  roundsOf,
  type SettlingEvent,
  settle,
} from '@rosefinch/core/settling';
import { quantile } from './print.ts';

const TOLERANCE = 5;
const LESSON = 45 * 60;
const MOST_ROUNDS = 12;
/** Rounds differ by so much. */
const ROUND_SCATTER = 0.1;

interface Settled {
  readonly truth: Creep;
  readonly events: readonly SettlingEvent[];
  /** True age now, the rounds as they really were. */
  readonly age: number;
  readonly at: number;
  readonly rounds: number;
}

/** A new string: six rounds in the first twenty minutes, by either law, no two rounds alike. */
function restrung(random: Random, noise: number, rounds: number, more: number): Settled {
  const truth: Creep = {
    law: random() < 0.5 ? 'logarithm' : 'exponential',
    size: between(random, 10, 50),
    scale: Math.exp(between(random, Math.log(60), Math.log(900))),
    jump: Math.exp(between(random, Math.log(500), Math.log(3000))),
  };
  if (truth.law === 'exponential') {
    // Of a size and slowness that still move after the rounds.
    const long = { ...truth, size: between(random, 60, 200), scale: between(random, 1800, 9000) };
    return play(random, long, noise, rounds, more);
  }
  return play(random, truth, noise, rounds, more);
}

function play(random: Random, truth: Creep, noise: number, rounds: number, more: number): Settled {
  const events: SettlingEvent[] = [];
  let at = 30;
  let stretched = 0;
  let level = creepAt(truth, at) + 2 * normal(random);
  const read = () => {
    const cents = level - creepAt(truth, at + stretched) + noise * normal(random);
    events.push({ kind: 'reading', at, cents, errorCents: noise });
  };
  const bringUp = () => {
    events.push({ kind: 'brought up', at });
    level = creepAt(truth, at + stretched) + normal(random);
    at += 10;
    read();
    // The bench asks for two plucks that agree.
    at += 5;
    read();
  };
  bringUp();
  for (let round = 0; round < rounds; round++) {
    at += between(random, 110, 190);
    read();
    events.push({ kind: 'stretch', at });
    stretched += truth.jump * (1 + ROUND_SCATTER * normal(random));
    at += 20;
    read();
    bringUp();
  }
  for (let look = 0; look < more; look++) {
    at += between(random, 500, 900);
    read();
  }
  return { truth, events, age: at + stretched, at, rounds };
}

/** Hold times and rounds against the truth. */
export function settlingFigures(instruments: number): void {
  console.log(
    `\nSettling, ${instruments} seeded strings (seeds 1–${instruments}), six rounds in the first 20 minutes, rounds scatter by 10 %, tolerance ${TOLERANCE} cents`,
  );
  for (const [noise, more] of [
    [0.25, 0],
    [0.5, 0],
    [0.25, 4],
  ] as const) {
    const tally = {
      decided: 0,
      right: 0,
      covered: 0,
      dcov: 0,
      yes: 0,
      unsafe: 0,
      abstained: 0,
      uy: 0,
      uu: 0,
    };
    const ratios: number[] = [];
    for (let seed = 1; seed <= instruments; seed++) {
      const s = restrung(seededRandom(seed * 911), noise, 6, more);
      const settling = settle(s.events);
      if (settling.kind !== 'fitted') {
        tally.abstained++;
        continue;
      }
      const standing = { at: s.at, cents: 0, errorCents: 0 };
      const hold = holdOf(settling, standing, TOLERANCE);
      const true_ = Math.min(14 * 86_400, holdTime(s.truth, s.age, TOLERANCE));
      if (true_ >= hold.low && true_ <= hold.high) tally.covered++;
      if (settling.decided) {
        tally.decided++;
        if (true_ >= hold.low && true_ <= hold.high) tally.dcov++;
        if (settling.fits[0].creep.law === s.truth.law) tally.right++;
        ratios.push(Math.exp(Math.abs(Math.log(hold.expected / true_))));
      }
      // What is said for certain goes by the lower end.
      if (hold.low >= LESSON) {
        tally.yes++;
        if (true_ < LESSON) tally.unsafe++;
        if (!settling.decided) {
          tally.uy++;
          if (true_ < LESSON) tally.uu++;
        }
      }
    }
    const n = instruments - tally.abstained;
    console.log(
      `  reading error ${noise}, ${more} later looks: decided ${tally.decided} of ${n}, right ${tally.right}; hold time when decided within a factor ${quantile(ratios, 0.5, 2)} / ${quantile(ratios, 0.9, 2)}; 80 % interval holds the truth in ${((100 * tally.covered) / n).toFixed(0)} %; “it holds a lesson” said ${tally.yes} times, wrongly ${tally.unsafe}; abstained ${tally.abstained}; dcov ${tally.dcov / tally.decided} uy ${tally.uy} uu ${tally.uu}`,
    );
  }
  roundFigures(instruments);
}

/** Rounds left, said after the third round and every one since until it holds, against how many were really needed. */
function roundFigures(instruments: number): void {
  let exact = 0;
  let near = 0;
  let n = 0;
  let silent = 0;
  for (let seed = 1; seed <= instruments; seed++)
    for (let rounds = 3; rounds <= 12; rounds++) {
      const s = restrung(seededRandom(seed * 911), 0.25, rounds, 0);
      const needed = roundsLeft(s.truth, s.age, TOLERANCE, LESSON);
      // Nobody stretches a string that often: the answer is to wait.
      if (needed === 0 || needed === null || rounds + needed > MOST_ROUNDS) break;
      const settling = settle(s.events);
      if (settling.kind !== 'fitted') {
        silent++;
        continue;
      }
      const said = roundsOf(settling, s.at, TOLERANCE, LESSON)?.expected ?? null;
      n++;
      if (said === needed) exact++;
      if (said !== null && Math.abs(said - needed) <= 1) near++;
    }
  console.log(
    `  rounds left, from the third round on, strings that need at most ${MOST_ROUNDS} in all: exact in ${((100 * exact) / n).toFixed(0)} %, within one in ${((100 * near) / n).toFixed(0)} % of ${n}; silent ${silent}`,
  );
}
