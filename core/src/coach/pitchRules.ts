import { noteValue } from '../message.ts';
import { centsBetween, nearestNote, noteName, shiftHz } from '../music/index.ts';
import { currentPass, offBy } from '../sitting/index.ts';
import type { Cents, Hz, Semitones } from '../units.ts';
import type { FaultFacts } from './facts.ts';
import type { CoachView, Visit } from './heard.ts';

// Where no reason stands beside a limit it was set on seeded clean and clumsy sessions with the
// practice instrument: the false alarms and the mistakes named are in docs/passes.md.

const OCTAVE: Cents = 1200;
/** Nearer to a whole octave than this is a right letter in the wrong octave. */
const OCTAVE_WITHIN: Cents = 80;
/** Further down a string gives hardly a note: the figure would tell nothing. */
const SLACK_BELOW: Cents = -1400;
/** A string this far off may be far too slack or far too tight: a display by note names misleads. */
const IN_DOUBT = { from: 450, to: 750 } as const satisfies Record<string, Cents>;
/** About a semitone off. */
const SEMITONE = { from: 60, to: 140 } as const satisfies Record<string, Cents>;
/** Two readings this near each other are the same pitch. */
const SAME: Cents = 3;
/** Nearer to breaking than this a string is brought up with care: common practice, no source. */
const LEAST_HEADROOM: Semitones = 2.5;
/** Within this of its note a string is not raised any more. */
const NEARLY_THERE: Cents = 4;
/** Strings that lie this near their mean are in tune with each other; further off together they may differ by a share of that. */
const ALIKE = { least: 3, most: 8, share: 0.25 } as const;
/** Off together by so many whole semitones, within this, they stand in another key: a capo, or kept lower. */
const WHOLE: Cents = 15;
const CAPO_FRETS = 7;
const SEMITONE_CENTS: Cents = 100;
const KEPT_LOWER = 2;
/** A set off by less than this is simply nearly right. */
const LEAST_TOGETHER: Cents = 6;

export function anotherString({ last, string }: Visit): FaultFacts['another string'] | null {
  const { course } = string.target;
  if (last.chosen === null || last.chosen === course) return null;
  return { heard: course, chosen: last.chosen };
}

export function tooSlack({ reading, string }: Visit): FaultFacts['too slack'] | null {
  const { target, tighten } = string;
  return reading.cents < SLACK_BELOW ? { course: target.course, tighten } : null;
}

export function wrongOctave(visit: Visit): FaultFacts['wrong octave'] | null {
  const { reading, earlier, string } = visit;
  const octaves = Math.round(reading.cents / OCTAVE);
  if (octaves === 0 || Math.abs(reading.cents - OCTAVE * octaves) > OCTAVE_WITHIN) return null;
  // Where no string of its kind can be, or for once, it is touched in its middle.
  const possible = string.headroom !== undefined && string.headroom(reading.hz) > 0;
  const again = earlier !== null && Math.abs(earlier.cents - reading.cents) < OCTAVE_WITHIN;
  return { octaves, tighten: string.tighten, touched: octaves > 0 && !(possible && again) };
}

/** Beyond where it breaks no open string of its kind sounds. */
export function outOfReach({ reading, string }: Visit): FaultFacts['out of reach'] | null {
  if (!string.headroom || string.headroom(reading.hz) > 0) return null;
  return { course: string.target.course, semitones: reading.cents / SEMITONE_CENTS };
}

/** So far above its note a string is hardly ever; below it is simply flat. */
export function floppyOrTight({ reading, view }: Visit): FaultFacts['floppy or tight'] | null {
  const { cents } = reading;
  return view.retuning || cents < IN_DOUBT.from || cents > IN_DOUBT.to ? null : {};
}

/** Twice the same, a semitone away, with the same letter: the sign is what is wrong. */
export function semitoneOff(visit: Visit): FaultFacts['a semitone off'] | null {
  const { reading, earlier, string, view } = visit;
  if (!earlier || view.retuning || Math.abs(reading.cents - earlier.cents) > SAME) return null;
  const size = Math.abs(reading.cents);
  if (size < SEMITONE.from || size > SEMITONE.to) return null;
  const { midi } = nearestNote(reading.hz, view.a4);
  const high = reading.cents > 0;
  const spelling = high ? 'sharp' : 'flat';
  const { target, tighten, turnsTo } = string;
  const letter = (note: number) => noteName(note, spelling).charAt(0);
  if (letter(midi) !== letter(target.midi) || midi === target.midi) return null;
  const heard = noteValue(midi, spelling);
  const wanted = noteValue(target.midi, spelling);
  return { heard, wanted, high, tighten, turn: turnsTo?.(reading.hz, target.hz) ?? null };
}

export function nearBreaking({ reading, earlier, string }: Visit) {
  const headroom = string.headroom?.(string.target.hz);
  if (headroom === undefined || headroom >= LEAST_HEADROOM || earlier) return null;
  return offBy(reading) > -NEARLY_THERE ? null : { course: string.target.course, headroom };
}

export function inTuneWithItself({ view }: Visit): FaultFacts['in tune with itself'] | null {
  const ownA4 = agreedA4(view);
  if (ownA4 === null) return null;
  const cents = centsBetween(view.a4, ownA4);
  const steps = Math.round(cents / SEMITONE_CENTS);
  const whole = Math.abs(cents - SEMITONE_CENTS * steps) <= WHOLE;
  const inKey = whole && steps !== 0 && steps >= -KEPT_LOWER && steps <= CAPO_FRETS;
  return { cents, ownA4, a4: view.a4, semitones: inKey ? steps : 0 };
}

/** The A4 that a set of strings agrees on, each read once in the first round; null where it agrees on none. */
function agreedA4({ state, a4 }: CoachView): Hz | null {
  const pass = currentPass(state);
  const cents = pass.strings.flatMap(({ readings }) => readings.map((reading) => reading.cents));
  const once = pass.strings.every(({ readings }) => readings.length === 1);
  if (pass.number > 1 || !once) return null;
  const mean = cents.reduce((a, b) => a + b, 0) / cents.length;
  const apart = Math.max(...cents.map((c) => Math.abs(c - mean)));
  const alike = Math.min(ALIKE.most, Math.max(ALIKE.least, ALIKE.share * Math.abs(mean)));
  return apart > alike || Math.abs(mean) < LEAST_TOGETHER ? null : shiftHz(a4, mean);
}
