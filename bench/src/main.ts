import { adviceFigures } from './advice.ts';
import { driftFigures } from './drifts.ts';
import { CREEP_KINDS } from './foreign/creeping.ts';
import { CELLS } from './foreign/listeners.ts';
import { biasFigures, boundFigures, frameFigures, speedFigures } from './frames.ts';
import { fretFigures } from './frets.ts';
import { handFigures } from './hands.ts';
import { findingFigures, guesserFigures, hearingFigures, staircaseFigures } from './hearing.ts';
import { literalFigures } from './literal.ts';
import { mixedFigures } from './mixed.ts';
import { noteFigures } from './notes.ts';
import { oursFigures } from './ours.ts';
import { passFigures } from './passes.ts';
import { planFigures } from './plans.ts';
import { pluckFigures } from './plucks.ts';
import { rangeFigures } from './ranges.ts';
import { roomFigures } from './rooms.ts';
import { roundFigures } from './rounds.ts';
import { scatterFigures } from './scatter.ts';
import { coachFigures } from './sessions.ts';
import { settlingFigures } from './settling.ts';
import { oracleFigures } from './settlingOracle.ts';
import { followedStrings, singingFigures } from './singing.ts';
import { strumFigures } from './strums.ts';
import { tuningFigures } from './tuningsHeard.ts';
import { turnLoopFigures } from './turnLoop.ts';
import { turnFigures } from './turns.ts';
import { bridgeFigures, whoFigures } from './who.ts';
import { kindFigures, swapFigures } from './whose.ts';
import { windingFigures } from './windings.ts';

/** Prints every figure. `--long` reads 10,000 plucks instead of 500; a word prints only that part. */
const parts: Readonly<Record<string, () => void | Promise<void>>> = {
  frames: frameFigures,
  bound: boundFigures,
  bias: biasFigures,
  notes: noteFigures,
  plucks: () => pluckFigures(process.argv.includes('--long') ? 10_000 : 504),
  speed: speedFigures,
  plans: planFigures,
  advice: () => adviceFigures(5001, 600),
  hands: () => handFigures(30_001, process.argv.includes('--long') ? 3000 : 300),
  literal: () => literalFigures(7001, 300),
  passes: () => passFigures(500),
  coach: () => coachFigures(1001, 10, 60),
  settling: () => {
    const long = process.argv.includes('--long');
    const kind = given('kind');
    const kinds = CREEP_KINDS.filter((one) => kind === undefined || one === kind);
    settlingFigures(2001, long ? 50 : 4, { kinds });
    if (kind === undefined) oracleFigures(3001, long ? 10 : 2);
  },
  frets: () => {
    const long = process.argv.includes('--long');
    long ? fretFigures(2001, 334, 27) : fretFigures(1, 30, 12);
    bridgeFigures();
    scatterFigures(2001, 200);
  },
  rounds: () => {
    const long = process.argv.includes('--long');
    roundFigures(2001, 500);
    kindFigures(2001, long ? 1000 : given('n') ? Number(given('n')) : 60);
    for (const differ of [0, 0.2, 0.4]) swapFigures(2001, long ? 100 : 5, differ);
  },
  drifts: () => driftFigures(2001, process.argv.includes('--long') ? 200 : 20),
  hearing: () => {
    const long = process.argv.includes('--long');
    hearingFigures(2001, long ? 200 : 10, { cells: CELLS, trials: 60 });
    hearingFigures(2001, long ? 100 : 10, { cells: CELLS, trials: 40 });
    hearingFigures(2001, long ? 100 : 10, { cells: 1, trials: 60 });
    guesserFigures(2001, long ? 40 : 10);
    staircaseFigures(2001, long ? 100 : 20);
    findingFigures(2001, long ? 60 : 6);
  },
  singing: () => {
    const each = process.argv.includes('--long') ? 2000 : 100;
    singingFigures(4001, each);
    followedStrings(4001, each / 4);
  },
  who: whoFigures,
  ranges: () => rangeFigures(2001, process.argv.includes('--long') ? 100 : 10, given('model')),
  rooms: () => roomFigures(1, 200, given('model')),
  ours: () =>
    oursFigures(5001, process.argv.includes('--long') ? 200 : given('n') ? Number(given('n')) : 40),
  strums: () => strumFigures(1, process.argv.includes('--long') ? 333 : 45, given('model')),
  tunings: () =>
    tuningFigures(1, process.argv.includes('--long') ? 400 : given('n') ? Number(given('n')) : 60),
  mixed: () => mixedFigures(given('notes'), 1, 40),
  loop: () =>
    turnLoopFigures(
      50_001,
      process.argv.includes('--long') ? 300 : given('n') ? Number(given('n')) : 60,
    ),
  turns: () => turnFigures(40_001, process.argv.includes('--long') ? 2000 : 300),
  windings: () => windingFigures(1, process.argv.includes('--long') ? 2000 : 200, given('model')),
};

/** What is behind `--name=`. */
function given(name: string): string | undefined {
  const start = `--${name}=`;
  return process.argv.find((word) => word.startsWith(start))?.slice(start.length);
}

const chosen = process.argv.slice(2).filter((word) => word in parts);
for (const [name, print] of Object.entries(parts))
  if (chosen.length === 0 || chosen.includes(name)) await print();
