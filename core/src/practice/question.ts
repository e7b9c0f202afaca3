import type { EarTimbre, Register } from '../ear/index.ts';
import { between, nth, type Random, seededRandom } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import type { Hz, Seconds } from '../units.ts';
import { LOUDNESS_RATE, limited, loudness } from './loudness.ts';
import { CONTROL_BLOCK, drawTimbre, Voice } from './voice.ts';

/** One note of a question. */
export interface EarNote {
  readonly hz: Hz;
  readonly timbre: EarTimbre;
  /** From its usual loudness. */
  readonly db: number;
  /** Where it is plucked, as a share of the string from the bridge. */
  readonly place: number;
  /** From the beginning of the question. */
  readonly at: Seconds;
  readonly lasts: Seconds;
  /** Where it glides to by its end; it stays where this is missing. Of tones alone. */
  readonly to?: Hz;
  /** Without partials above the first, so that beats are counted easily. Of tones alone. */
  readonly plain?: true;
}

/** Every note is as loud as this by ITU-R BS.1770-4 before it roves, LUFS. */
export const USUAL_LUFS = -20;
/** Notes come and go over so long, so that they do not click. */
const RISE: Seconds = 0.012;
const FALL: Seconds = 0.08;
/** A tone's partial n is 1/n as strong as its first. */
const PARTIALS = 6;
/** Softly, so that the pitch does not glide: by 0.6 cents. */
const STRENGTH = 0.2;
const DECAY_AT_A2: Seconds = 1.8;
const A2: Hz = 110;

/** What is to be heard, at 48 kHz, mono, within ±0.89. */
export function sounded(notes: readonly EarNote[]): Float32Array<ArrayBuffer> {
  const end = Math.max(...notes.map(({ at, lasts }) => at + lasts));
  const all = new Float32Array(Math.ceil(end * LOUDNESS_RATE));
  for (const note of notes) {
    const one = evenly(note);
    const at = Math.round(note.at * LOUDNESS_RATE);
    for (let i = 0; i < one.length && at + i < all.length; i++)
      all[at + i] = nth(all, at + i) + nth(one, i);
  }
  return limited(all, LOUDNESS_RATE);
}

/** One note at the loudness that it is to have. */
function evenly(note: EarNote): Float32Array {
  const raw = note.timbre === 'pluck' ? plucked(note) : tone(note);
  const gain = 10 ** ((USUAL_LUFS + note.db - loudness(raw)) / 20);
  return raw.map((x, i) => {
    const t = i / LOUDNESS_RATE;
    return x * gain * Math.min(1, t / RISE, Math.max(0, note.lasts - t) / FALL);
  });
}

function plucked({ hz, place, lasts }: EarNote): Float32Array {
  const length = Math.round(lasts * LOUDNESS_RATE);
  const random = seededRandom(1);
  const timbre = drawTimbre(random, 0, DECAY_AT_A2 * (A2 / hz) ** 0.4, 0);
  const gesture = { strength: STRENGTH, position: place };
  const voice = new Voice(LOUDNESS_RATE, timbre, hz, gesture, random);
  const out = new Float32Array(length);
  const block = new Float64Array(CONTROL_BLOCK);
  for (let at = 0; at < length; at += CONTROL_BLOCK) {
    block.fill(0);
    voice.render(block, CONTROL_BLOCK, hz);
    out.set(Float32Array.from(block.subarray(0, Math.min(CONTROL_BLOCK, length - at))), at);
  }
  return out;
}

function tone({ hz, to = hz, plain, lasts }: EarNote): Float32Array {
  const length = Math.round(lasts * LOUDNESS_RATE);
  const partials = plain ? 1 : PARTIALS;
  let turns = 0;
  return Float32Array.from({ length }, (_, i) => {
    turns += (hz * (to / hz) ** (i / length)) / LOUDNESS_RATE;
    let sum = 0;
    for (let n = 1; n <= partials && n * hz < 0.45 * LOUDNESS_RATE; n++)
      sum += Math.sin(2 * Math.PI * n * turns) / n;
    return sum;
  });
}

/** Where the strings lie whose notes are asked about. */
const MIDDLE_OF: Readonly<Record<Register, Hz>> = { low: 98, middle: 196, high: 370 };

/** The start roves by so much either way, cents; the level, dB; the place of the pluck. */
const ROVES = { cents: 150, db: 3, place: { low: 0.12, high: 0.3 } } as const;
const NOTE: Seconds = 0.9;
const PAUSE: Seconds = 0.25;
/** An answer before this was given without having heard the second note. */
export const SECOND_AT: Seconds = NOTE + PAUSE;

/** Two notes, the second `cents` above the first; pitch, level and place of the pluck rove, so that only pitch helps. */
export function twoNotes(
  register: Register,
  timbre: EarTimbre,
  cents: number,
  random: Random,
): EarNote[] {
  const first = shiftHz(MIDDLE_OF[register], between(random, -ROVES.cents, ROVES.cents));
  return [0, cents].map((above, i) => ({
    hz: shiftHz(first, above),
    timbre,
    db: between(random, -ROVES.db, ROVES.db),
    place: between(random, ROVES.place.low, ROVES.place.high),
    at: i * SECOND_AT,
    lasts: NOTE,
  }));
}

/** Between two strings of a slow strum. */
const STRUM_GAP: Seconds = 0.05;
const CHORD: Seconds = 2.2;

/** All strings of a chord, thickest first, softly enough together. */
export function strummed(hz: readonly Hz[], random: Random, at: Seconds = 0): EarNote[] {
  // As many notes at once are louder by so much.
  const db = -10 * Math.log10(hz.length) + between(random, -ROVES.db, 0);
  return [...hz].reverse().map((one, i) => ({
    hz: one,
    timbre: 'pluck',
    db,
    place: between(random, ROVES.place.low, ROVES.place.high),
    at: at + i * STRUM_GAP,
    lasts: CHORD - i * STRUM_GAP,
  }));
}

/** Before this nobody can have heard a strummed chord to its end. */
export const STRUM_HEARD: Seconds = 0.5;
/** Where the second of two chords begins. */
export const SECOND_CHORD_AT: Seconds = CHORD + PAUSE;

/** Two strings that ring together, the one that is compared with first. */
const TOGETHER: Seconds = 2.6;
const APART: Seconds = 0.35;

/** Two strings plucked one after the other that then ring together. */
export function pairNotes(reference: Hz, own: Hz, random: Random): EarNote[] {
  return [reference, own].map((hz, i) => ({
    hz,
    timbre: 'pluck',
    db: -3,
    place: between(random, ROVES.place.low, ROVES.place.high),
    at: i * APART,
    lasts: TOGETHER - i * APART,
  }));
}

/** How long a beat is listened to. */
export const BEAT_LASTS: Seconds = 12;

/** Two plain tones that beat, the second gliding to another pitch where it is given. */
export function beatNotes(hz: Hz, other: Hz, to: Hz = other): EarNote[] {
  return [hz, other].map((one, i) => ({
    hz: one,
    timbre: 'tone',
    db: -3,
    place: 0,
    at: 0,
    lasts: BEAT_LASTS,
    plain: true,
    ...(i === 1 && { to }),
  }));
}
