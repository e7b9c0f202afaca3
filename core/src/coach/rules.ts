import { centsBetween, nearestNote, noteName } from '../music/index.ts';
import { loosen } from '../strings/index.ts';
import type { Hz } from '../units.ts';
import type { Advice } from './advice.ts';
import { standings } from './ahead.ts';
import { currentPass, ledger, offBy } from './bench.ts';
import {
  type CoachString,
  type CoachView,
  type Fault,
  type HeardPluck,
  type Rule,
  rowOf,
  type Visit,
} from './heard.ts';

/** Limits beyond which something is a mistake: set on seeded clean and clumsy sessions of the practice instrument. */
const LIMIT = {
  octave: 80,
  doubt: { from: 450, to: 750 },
  semitone: { from: 60, to: 140 },
  unheard: 60,
  away: 4,
  still: 2.5,
  peg: 15,
  fast: 160,
  near: 60,
  attack: 4.2,
  faint: -50,
  slip: 3,
  arrival: 9,
  slack: -1400,
  swings: 3,
  headroom: 2.5,
  alike: 3,
  together: 6,
  refusals: 3,
  passes: 3,
} as const;

type Detect = (visit: Visit) => Advice | null;

/** In the order in which they are said: what leads astray most comes first. */
export const RULES: readonly (readonly [Rule, Detect])[] = [
  ['another string', anotherString],
  ['too slack', floppy],
  ['wrong octave', wrongOctave],
  ['floppy or tight', floppyOrTight],
  ['wrong peg', wrongPeg],
  ['wrong way', wrongWay],
  ['unheard turn', unheardTurn],
  ['slips back', slipsBack],
  ['does not move', doesNotMove],
  ['to and fro', toAndFro],
  ['too fast', tooFast],
  ['a semitone off', semitoneOff],
  ['near breaking', nearBreaking],
  ['no arrival', noArrival],
  ['still moving', stillMoving],
  ['in tune with itself', inTuneWithItself],
  ['clipped', clipped],
  ['hard pluck', hardPluck],
  ['too faint', tooFaint],
];

function nameOf({ target }: CoachString): string {
  return `string ${target.course}`;
}

function isSettledHere({ reading, view }: Visit): boolean {
  return Math.abs(offBy(reading)) <= view.state.goal.tolerance;
}

function floppy({ reading, string }: Visit): Advice | null {
  return reading.cents < LIMIT.slack ? slackAdvice(string) : null;
}

function slackAdvice(string: CoachString): Advice {
  return {
    say: `Too slack to be read. Take up the slack of ${nameOf(string)} first.`,
    more: `Tighten, ${string.tighten}, until it gives a clear note, then pluck.`,
  };
}

function wrongOctave({ reading, row, string }: Visit): Advice | null {
  const octaves = Math.round(reading.cents / 1200);
  if (octaves === 0 || Math.abs(reading.cents - 1200 * octaves) > LIMIT.octave) return null;
  const many = Math.abs(octaves) === 1 ? 'an octave' : `${Math.abs(octaves)} octaves`;
  if (octaves < 0)
    return {
      say: `Right letter, ${many} low. Tighten, ${string.tighten}.`,
      more: 'The string should be firm under the finger, not floppy.',
    };
  // Where no string of its kind can be, or for once, it is touched in its middle.
  const possible = (string.headroom?.(reading.hz) ?? 0) > 0;
  const again = row.length > 1 && Math.abs(row.at(-2)!.cents - reading.cents) < LIMIT.octave;
  if (!possible || !again)
    return {
      say: `${capital(many)} high: a touched harmonic, or fret 12? Pluck it open.`,
      more: 'Keep the fingers of the other hand off the string.',
    };
  return {
    say: `Right letter, ${many} high. Loosen at once, ${loosen(string.tighten)}.`,
    more: 'It is near to breaking: face away.',
  };
}

/** Chosen by hand one string, heard another one. */
function anotherString({ last, string }: Visit): Advice | null {
  if (last.chosen === null || last.chosen === string.target.course) return null;
  return {
    say: `That sounds like ${nameOf(string)}.`,
    more: `You chose string ${last.chosen}: trace it with a finger, and mute the others.`,
  };
}

function floppyOrTight({ reading, view }: Visit): Advice | null {
  const size = Math.abs(reading.cents);
  if (view.retuning || size < LIMIT.doubt.from || size > LIMIT.doubt.to) return null;
  return {
    say: 'Is the string floppy or tight?',
    more: 'Floppy: tighten. Tight: loosen. When in doubt, loosen.',
  };
}

/** The string before did not move while it was worked on, and this one has. */
function wrongPeg({ heard, reading, row, string, view }: Visit): Advice | null {
  if (row.length > 1) return null;
  const previous = heard.slice(0, -1).findLast((pluck) => pluck.reading)?.reading;
  if (!previous) return null;
  const stuck = rowOf(heard.slice(0, -1), previous.course);
  if (stuck.length < 2 || Math.abs(offBy(previous)) <= 2 * view.state.goal.tolerance) return null;
  if (stuck.slice(-2).some((r) => Math.abs(r.cents - previous.cents) > LIMIT.still)) return null;
  const readings = heard.slice(0, -1).flatMap((pluck) => pluck.reading ?? []);
  const nothing = view.strings.map(() => null);
  const expected = standings(readings, nothing, view.coupling)[reading.course - 1];
  if (expected === null || expected === undefined) return null;
  const moved = reading.cents - expected;
  if (Math.abs(moved) < LIMIT.peg) return null;
  return {
    say: `${capital(nameOf(string))} moved by ${Math.abs(moved).toFixed(0)} cents, string ${previous.course} did not.`,
    more: `That was the peg of ${nameOf(string)}. Trace the string to its peg with a finger.`,
  };
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function doesNotMove({ row, view }: Visit): Advice | null {
  const three = row.slice(-3);
  if (three.length < 3 || three.some((r) => Math.abs(offBy(r)) <= 2 * view.state.goal.tolerance))
    return null;
  const cents = three.map((r) => r.cents);
  if (Math.max(...cents) - Math.min(...cents) > LIMIT.still) return null;
  return {
    say: 'It does not move. Is that its peg?',
    more: 'Trace the string to its peg with a finger.',
  };
}

function wrongWay({ row, string, view }: Visit): Advice | null {
  const [last, before] = [row.at(-1), row.at(-2)];
  if (!last || !before || Math.abs(offBy(before)) <= view.state.goal.tolerance) return null;
  const away = Math.sign(offBy(before)) * (last.cents - before.cents);
  if (away < LIMIT.away + 3 * Math.hypot(last.errorCents, before.errorCents)) return null;
  const way = offBy(last) < 0 ? `Tighten, ${string.tighten}` : `Loosen, ${loosen(string.tighten)}`;
  return {
    say: `The wrong way: it is further ${offBy(last) < 0 ? 'down' : 'up'}. ${way}.`,
    more: 'Turn back what you turned, then go on slowly.',
  };
}

function unheardTurn({ row, before, view }: Visit): Advice | null {
  const [last, earlier] = [row.at(-1), row.at(-2)];
  if (!last || !earlier || view.retuning) return null;
  const jump = Math.abs(last.cents - earlier.cents);
  const heardTo = before?.ringing ? centsBetween(before.ringing.endHz, last.hz) : jump;
  if (jump < LIMIT.unheard || Math.abs(heardTo) < LIMIT.unheard) return null;
  return {
    say: 'Sound it while you turn.',
    more: `It moved ${jump.toFixed(0)} cents unheard. Pluck, then turn as it rings.`,
  };
}

/** Lower than where the ear last followed it, or than where it was at rest. */
function slipsBack({ row, before, view }: Visit): Advice | null {
  const [last, earlier] = [row.at(-1), row.at(-2)];
  if (!last || !earlier) return null;
  const limit = LIMIT.slip + 1.5 * Math.hypot(last.errorCents, earlier.errorCents);
  const followed = before?.ringing;
  const turned = followed ? centsBetween(earlier.hz, followed.endHz) : 0;
  const raised = turned > LIMIT.slip;
  // What was turned as it rang, up or down, was meant.
  const from = followed && Math.abs(turned) > LIMIT.slip ? followed.endHz : earlier.hz;
  const rested = Math.abs(offBy(earlier)) <= view.state.goal.tolerance;
  const fell = -centsBetween(from, last.hz);
  // A string that was loosened on purpose fell further, and had been high.
  if (!(raised || rested) || fell < limit || fell > LIMIT.near) return null;
  return {
    say: `It slipped back ${fell.toFixed(0)} cents.`,
    more: 'Go below and come up once more. If it does so again, look at peg and winding.',
  };
}

function toAndFro({ row, view }: Visit): Advice | null {
  const { tolerance } = view.state.goal;
  const sides = row.map((r) => (Math.abs(offBy(r)) <= tolerance ? 0 : Math.sign(offBy(r))));
  const out = sides.filter((side) => side !== 0);
  if (sides.at(-1) === 0) return null;
  let swings = 0;
  for (let i = 1; i < out.length; i++) if (out[i] !== out[i - 1]) swings++;
  if (swings < LIMIT.swings) return null;
  return {
    say: 'To and fro. Go well below, then come up once, slowly.',
    more: 'Small turns: a hair at a time near the note.',
  };
}

function tooFast({ last, reading }: Visit): Advice | null {
  const fastest = Math.abs(last.ringing?.fastest ?? 0);
  if (fastest < LIMIT.fast || Math.abs(offBy(reading)) > LIMIT.near) return null;
  return {
    say: 'Slower: small turns near the note.',
    more: `It moved ${fastest.toFixed(0)} cents a second.`,
  };
}

/** Twice the same, a semitone away, with the same letter: the sign is what is wrong. */
function semitoneOff({ row, string, view }: Visit): Advice | null {
  const [last, before] = [row.at(-1), row.at(-2)];
  if (!last || !before || view.retuning || Math.abs(last.cents - before.cents) > LIMIT.slip)
    return null;
  const size = Math.abs(last.cents);
  if (size < LIMIT.semitone.from || size > LIMIT.semitone.to) return null;
  const { midi } = nearestNote(last.hz, view.a4);
  const spelling = last.cents > 0 ? 'sharp' : 'flat';
  const heard = noteName(midi, spelling);
  const wanted = noteName(string.target.midi, spelling);
  if (heard.charAt(0) !== wanted.charAt(0) || heard === wanted) return null;
  return {
    say: `That is ${heard}, not ${wanted}: a semitone ${last.cents > 0 ? 'high' : 'low'}.`,
    more: 'The sign beside the letter counts.',
  };
}

function nearBreaking({ row, string }: Visit): Advice | null {
  const left = string.headroom?.(string.target.hz);
  const [last] = row;
  if (left === undefined || left >= LIMIT.headroom || row.length > 1 || !last) return null;
  if (offBy(last) > -LIMIT.away) return null;
  return {
    say: `Slowly: ${nameOf(string)} will stand ${left.toFixed(1)} semitones from breaking.`,
    more: 'Face away. A lighter string or a lower tuning would be safer.',
  };
}

function noArrival(visit: Visit): Advice | null {
  if (visit.row.length < LIMIT.arrival || isSettledHere(visit)) return null;
  return {
    say: 'Leave it for now and go on to the next string.',
    more: `${visit.row.length} plucks without arriving: a rested ear and hand do better.`,
  };
}

/** A string that has moved again after the third pass. */
function stillMoving({ reading, row, string, view }: Visit): Advice | null {
  if (currentPass(view.state).number <= LIMIT.passes || row.length > 1) return null;
  const moved = ledger(view.state).find((line) => line.course === reading.course)?.moved ?? null;
  if (moved === null || Math.abs(moved) <= view.state.goal.tolerance) return null;
  return {
    say: `${capital(nameOf(string))} still moves after ${LIMIT.passes} passes.`,
    more: 'A worn string, a slipping peg or a loose bridge: have it looked at.',
  };
}

/** All strings of the first round are off by the same amount. */
function inTuneWithItself({ view }: Visit): Advice | null {
  const a4 = ownA4(view);
  if (a4 === null) return null;
  const cents = centsBetween(view.a4, a4);
  return {
    say: `In tune with itself, ${Math.abs(cents).toFixed(0)} cents ${cents < 0 ? 'low' : 'high'}.`,
    more: `Keep it by setting A4 to ${a4.toFixed(1)} Hz, or bring all strings to ${view.a4} Hz.`,
  };
}

/** The A4 that a set of strings agrees on, each read once in the first round; null where it agrees on none. */
export function ownA4({ state, a4 }: CoachView): Hz | null {
  const pass = currentPass(state);
  const found = pass.strings.map((entry) => entry.readings);
  if (pass.number > 1 || found.some((readings) => readings.length !== 1)) return null;
  const cents = found.map(([first]) => first!.cents);
  const mean = cents.reduce((a, b) => a + b, 0) / cents.length;
  const apart = Math.max(...cents.map((c) => Math.abs(c - mean)));
  if (apart > LIMIT.alike || Math.abs(mean) < LIMIT.together) return null;
  return a4 * 2 ** (mean / 1200);
}

const CLIPPED: Advice = {
  say: 'Too loud for the microphone. Pluck softer.',
  more: 'Or move away from it, or turn its input down.',
};

function clipped({ last }: Visit): Advice | null {
  return last.clipped ? CLIPPED : null;
}

function hardPluck({ last }: Visit): Advice | null {
  if (!last.ringing || last.ringing.attackCents < LIMIT.attack) return null;
  return {
    say: 'Pluck softer, and read it once it has settled.',
    more: `A hard pluck begins sharp, this one by ${last.ringing.attackCents.toFixed(0)} cents.`,
  };
}

function tooFaint({ last }: Visit): Advice | null {
  if (last.levelDbfs === null || last.levelDbfs > LIMIT.faint) return null;
  return {
    say: 'Faint. Come nearer or pluck a little harder.',
    more: 'Readings are surer with a firm pluck.',
  };
}

/** Plucks that give no reading: too loud ones, or those of a string that is chosen and was last heard far down or never. */
export function ofRefused(heard: readonly HeardPluck[], view: CoachView): Fault | null {
  const { chosen, clipped: loud } = heard.at(-1)!;
  if (loud) return { rule: 'clipped', advice: CLIPPED };
  const refused = heard.slice(-LIMIT.refusals);
  if (refused.length < LIMIT.refusals || chosen === null) return null;
  const slack = refused.every(
    ({ reading, refusal, chosen: then }) =>
      !reading &&
      then === chosen &&
      (refusal?.kind === 'not sure' || refusal?.kind === 'too quiet'),
  );
  const known = heard.findLast(({ reading }) => reading?.course === chosen)?.reading;
  const string = view.strings.find((s) => s.target.course === chosen);
  if (!slack || !string || (known && known.cents > -LIMIT.doubt.to)) return null;
  return {
    rule: 'too slack',
    advice: slackAdvice(string),
  };
}
