import { centsBetween } from '../music/index.ts';
import { currentPass, ledger, offBy, type StringReading, standings } from '../sitting/index.ts';
import type { Cents } from '../units.ts';
import type { FaultFacts } from './facts.ts';
import { rowOf, type Visit } from './heard.ts';

// Where no reason stands beside a limit it was set on seeded clean and clumsy sittings with the
// practice instrument: the false alarms and the mistakes named are in docs/passes.md.

/** A string that moved less than this did not move. */
const STILL: Cents = 2.5;
/** So many readings in a row without a move are no chance. */
const STILL_READINGS = 3;
/** Another string that went this far was turned, not pulled along. */
const TURNED: Cents = 15;
/** Further from the note by this, beside the readings' errors, is the wrong way. */
const AWAY: Cents = 4;
/** A turn this large is to be made while the string sounds. */
const UNHEARD: Cents = 60;
/** Fallen by this, beside the readings' errors, it has slipped. */
const SLIPPED: Cents = 3;
/** Nearer to the note than this the hand is expected to go slowly, and a string slips no further. */
const NEAR: Cents = 60;
/** In cents a second: near the note a faster turn cannot be stopped in time. */
const FAST = 160;
/** So many changes of side are no tuning any more. */
const SWINGS = 3;
/** After so many plucks without arriving ear and hand are tired: common practice, no source. */
const TIRED = 9;
/** After so many passes a sound instrument stands still: common practice, no source. */
const PASSES = 3;
/** Readings that differ by less than so many standard errors of their difference agree. */
const SIGMAS = { away: 3, slipped: 1.5 } as const;

function errorOf(a: StringReading, b: StringReading): Cents {
  return Math.hypot(a.errorCents, b.errorCents);
}

export function wrongPeg(visit: Visit): FaultFacts['wrong peg'] | null {
  const { heard, reading, earlier, view } = visit;
  if (earlier) return null;
  const before = heard.slice(0, -1);
  const readings = before.flatMap((pluck) => pluck.reading ?? []);
  const stuck = readings.at(-1);
  if (!stuck || Math.abs(offBy(stuck)) <= 2 * view.state.goal.tolerance) return null;
  const row = rowOf(before, stuck.course);
  if (row.length < 2) return null;
  if (row.slice(-2).some((r) => Math.abs(r.cents - stuck.cents) > STILL)) return null;
  const nothing = view.strings.map(() => null);
  const expected = standings(readings, nothing, view.coupling)[reading.course - 1];
  if (expected === null || expected === undefined) return null;
  const by = Math.abs(reading.cents - expected);
  return by < TURNED ? null : { moved: reading.course, by, stuck: stuck.course };
}

export function doesNotMove({ row, view }: Visit): FaultFacts['does not move'] | null {
  const last = row.slice(-STILL_READINGS);
  const off = last.every((r) => Math.abs(offBy(r)) > 2 * view.state.goal.tolerance);
  if (last.length < STILL_READINGS || !off) return null;
  const cents = last.map((r) => r.cents);
  return Math.max(...cents) - Math.min(...cents) > STILL ? null : {};
}

export function wrongWay(visit: Visit): FaultFacts['wrong way'] | null {
  const { reading, earlier, string, view } = visit;
  if (!earlier || Math.abs(offBy(earlier)) <= view.state.goal.tolerance) return null;
  const away = Math.sign(offBy(earlier)) * (reading.cents - earlier.cents);
  if (away < AWAY + SIGMAS.away * errorOf(reading, earlier)) return null;
  return { side: offBy(reading) < 0 ? 'low' : 'high', tighten: string.tighten };
}

export function unheardTurn(visit: Visit): FaultFacts['unheard turn'] | null {
  const { reading, earlier, before, view } = visit;
  if (!earlier || view.retuning) return null;
  const cents = Math.abs(reading.cents - earlier.cents);
  const unheard = before?.ringing ? centsBetween(before.ringing.endHz, reading.hz) : cents;
  return cents < UNHEARD || Math.abs(unheard) < UNHEARD ? null : { cents };
}

/** Lower than where the ear last followed it, or than where it was at rest. */
export function slipsBack(visit: Visit): FaultFacts['slips back'] | null {
  const { reading, earlier, before, view } = visit;
  if (!earlier) return null;
  const followed = before?.ringing;
  const turned = followed ? centsBetween(earlier.hz, followed.endHz) : 0;
  // What was turned as it rang, up or down, was meant.
  const from = followed && Math.abs(turned) > SLIPPED ? followed.endHz : earlier.hz;
  const raised = turned > SLIPPED;
  const rested = Math.abs(offBy(earlier)) <= view.state.goal.tolerance;
  const cents = -centsBetween(from, reading.hz);
  const slipped = cents >= SLIPPED + SIGMAS.slipped * errorOf(reading, earlier);
  // A string that was loosened on purpose fell further, and had been high.
  return (raised || rested) && slipped && cents <= NEAR ? { cents } : null;
}

export function toAndFro({ row, view }: Visit): FaultFacts['to and fro'] | null {
  const { tolerance } = view.state.goal;
  const sides = row.map((r) => (Math.abs(offBy(r)) <= tolerance ? 0 : Math.sign(offBy(r))));
  if (sides.at(-1) === 0) return null;
  const out = sides.filter((side) => side !== 0);
  const swings = out.filter((side, i) => i > 0 && side !== out[i - 1]).length;
  return swings < SWINGS ? null : {};
}

export function tooFast({ last, reading }: Visit): FaultFacts['too fast'] | null {
  const speed = last.ringing ? Math.abs(last.ringing.fastest) : 0;
  return speed < FAST || Math.abs(offBy(reading)) > NEAR ? null : { speed };
}

export function noArrival({ row, reading, view }: Visit): FaultFacts['no arrival'] | null {
  const arrived = Math.abs(offBy(reading)) <= view.state.goal.tolerance;
  return row.length < TIRED || arrived ? null : { plucks: row.length };
}

export function stillMoving(visit: Visit): FaultFacts['still moving'] | null {
  const { reading, earlier, view } = visit;
  if (currentPass(view.state).number <= PASSES || earlier) return null;
  const line = ledger(view.state).find(({ course }) => course === reading.course);
  if (!line || line.moved === null || Math.abs(line.moved) <= view.state.goal.tolerance)
    return null;
  return { course: reading.course, passes: PASSES };
}
