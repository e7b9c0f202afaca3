import { centsBetween, shiftHz } from '../music/index.ts';
import { currentPass, ledger, offBy, type StringReading, stringOf } from '../sitting/index.ts';
import { stateOf } from '../state/index.ts';
import type { Cents } from '../units.ts';
import type { FaultFacts } from './facts.ts';
import { rowOf, type Visit } from './heard.ts';

// Where no reason stands beside a limit it was set on seeded clean and clumsy sessions with the
// practice instrument: the false alarms and the mistakes named are in docs/passes.md.

/** A string that moved less than this did not move. */
const STILL: Cents = 2.5;
const STILL_NEAR: Cents = 1;
/** So many readings in a row without a move are no chance. */
const STILL_READINGS = 3;
/** A string that lets go of its slot jumps by as much at least: common practice, no source. */
const JUMPED: Cents = 8;
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
/** So often over the note from below is no tuning any more. */
const OVERSHOOTS = 2;
/** From so far below a string is brought up in one way: common practice, no source. */
const BELOW: Cents = 12;
/** After so many plucks without arriving ear and hand are tired: common practice, no source. */
const TIRED = 9;
/** Nearer by this share than so many plucks before, it is on its way. */
const NEARER = 0.7;
const TIRED_OVER = 4;
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
  const now = stateOf({ readings, before: nothing, coupling: view.coupling });
  const expected = now[reading.course - 1]?.cents;
  if (expected === null || expected === undefined) return null;
  const by = Math.abs(reading.cents - expected);
  return by < TURNED ? null : { moved: reading.course, by, stuck: stuck.course };
}

export function doesNotMove({ row, reading, view }: Visit): FaultFacts['does not move'] | null {
  const entry = stringOf(currentPass(view.state), reading.course);
  // What is right, if only at the edge, need not move.
  const isLast = entry?.readings.at(-1) === reading;
  if (isLast && entry.standing !== 'low' && entry.standing !== 'high') return null;
  return isStill(row, view.state.goal.tolerance) ? {} : null;
}

function isStill(row: readonly StringReading[], tolerance: Cents): boolean {
  const last = row.slice(-STILL_READINGS);
  if (last.length < STILL_READINGS) return false;
  const off = Math.min(...last.map((r) => Math.abs(offBy(r))));
  const cents = last.map((r) => r.cents);
  // Near its note a hand turns as little as it can: only what did not move at all stands still there.
  const still = off > 2 * tolerance ? STILL : STILL_NEAR;
  return off > tolerance && Math.max(...cents) - Math.min(...cents) <= still;
}

/** Still for as many readings as make a peg suspect, then past the note in one go: the winding went on, the string hung in its slot. */
export function sticksAtNut({ row, view }: Visit): FaultFacts['sticks at the nut'] | null {
  const [last, before] = [row.at(-1), row.at(-2)];
  const { tolerance } = view.state.goal;
  if (!last || !before || !isStill(row.slice(0, -1), tolerance)) return null;
  const past = Math.sign(offBy(last)) !== Math.sign(offBy(before));
  const jumped = Math.abs(last.cents - before.cents);
  return past && Math.abs(offBy(last)) > tolerance && jumped >= JUMPED ? { jumped } : null;
}

export function wrongWay(visit: Visit): FaultFacts['wrong way'] | null {
  const { reading, earlier, row, string, view } = visit;
  const { tolerance } = view.state.goal;
  if (!earlier || Math.abs(offBy(earlier)) <= tolerance) return null;
  // It was to go well below, and did.
  if (offBy(reading) < 0 && overshoots(row.slice(0, -1), tolerance) >= OVERSHOOTS) return null;
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

/** Lower than where the ear last followed it, or than where it was steady. */
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

/** Over its note again and again: below it the hand is on the right way. */
export function toAndFro({ row, reading, string, view }: Visit): FaultFacts['to and fro'] | null {
  const { tolerance } = view.state.goal;
  if (offBy(reading) <= tolerance || overshoots(row, tolerance) < OVERSHOOTS) return null;
  const { target, tighten, turnsTo } = string;
  const below = shiftHz(target.hz, (reading.aim ?? 0) - BELOW);
  return { tighten, turn: turnsTo?.(reading.hz, below) ?? null };
}

/** How often a string went over its note from below since it was last approached by two readings below it in a row. */
function overshoots(row: readonly StringReading[], tolerance: Cents): number {
  const sides = row.map((r) => (Math.abs(offBy(r)) <= tolerance ? 0 : Math.sign(offBy(r))));
  const approached = sides.findLastIndex((side, i) => side < 0 && (sides[i - 1] ?? 1) < 0);
  const out = sides.slice(Math.max(0, approached)).filter((side) => side !== 0);
  return out.filter((side, i) => side > 0 && (out[i - 1] ?? 0) < 0).length;
}

export function tooFast({ last, reading }: Visit): FaultFacts['too fast'] | null {
  const speed = last.ringing ? Math.abs(last.ringing.fastest) : 0;
  return speed < FAST || Math.abs(offBy(reading)) > NEAR ? null : { speed };
}

export function noArrival({ row, reading, view }: Visit): FaultFacts['no arrival'] | null {
  const off = Math.abs(offBy(reading));
  const before = row.at(-1 - TIRED_OVER);
  if (row.length < TIRED || !before || off <= view.state.goal.tolerance) return null;
  // Small steps that come nearer arrive.
  return off < NEARER * Math.abs(offBy(before)) ? null : { plucks: row.length };
}

export function stillMoving(visit: Visit): FaultFacts['still moving'] | null {
  const { reading, earlier, view } = visit;
  if (currentPass(view.state).number <= PASSES || earlier) return null;
  const line = ledger(view.state).find(({ course }) => course === reading.course);
  if (!line || line.moved === null || Math.abs(line.moved) <= view.state.goal.tolerance)
    return null;
  return { course: reading.course, passes: PASSES };
}
