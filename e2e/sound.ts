import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, chromium } from '@playwright/test';
import { writeWav } from '@rosefinch/core/formats';
import { seededRandom } from '@rosefinch/core/maths';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { GOOD_NECK, PracticeInstrument } from '@rosefinch/core/practice';
import { findModel, steelGuitar } from '@rosefinch/core/strings';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';

const RATE = 48_000;
const STRENGTH = 0.6;
/** Before the first pluck a busy machine's helpers must have begun to listen: nobody plucks before. */
const QUIET_S = 4;

/** A new file in a folder of its own. */
export function temporaryFile(name: string, content: string | Uint8Array): string {
  const file = join(mkdtempSync(join(tmpdir(), 'rosefinch-')), name);
  writeFileSync(file, content);
  return file;
}

/** A note of a file: which string, how far off, where it begins and how long it must be whole to be read. */
export interface PlayedNote {
  readonly course: number;
  readonly exact: number;
  readonly at: number;
  readonly seconds: number;
}

/** Six detuned plucks, string 6 first, after the quiet; and their exact deviations. */
export function sixPlucks(): { sound: Float32Array; notes: PlayedNote[] } {
  return plucksOf([6, 5, 4, 3, 2, 1], [-31, -12, -38, 11, -9.5, -23]);
}

/** Plucks of a guitar or a ukulele, two seconds apart, the fingers damping between them. */
export function plucksOf(
  courses: readonly number[],
  detune: readonly number[],
  kind: 'guitar' | 'ukulele' = 'guitar',
): { sound: Float32Array; notes: PlayedNote[] } {
  const instrument =
    kind === 'guitar' ? steelGuitar('g', 'G') : findModel('ukulele-soprano')!.build('u', 'U');
  const targets = targetsOf(findTuning(instrument.tuningId)!, 440).map((target) => target.hz);
  const guitar = new PracticeInstrument({
    instrument,
    targets,
    detune,
    seed: 12,
    sampleRate: RATE,
    shiftCents: 0.4,
  });
  const notes: PlayedNote[] = [];
  const sound = new Float32Array((2 * courses.length + QUIET_S + 1) * RATE);
  let at = QUIET_S * RATE;
  guitar.render(sound.subarray(0, at));
  for (const course of courses) {
    guitar.pluck(course, { strength: STRENGTH });
    const hz = guitar.exactReadingHz(course, STRENGTH);
    const exact = 1200 * Math.log2(hz / targets[course - 1]!);
    notes.push({ course, exact, at: at / RATE, seconds: 0.9 });
    guitar.render(sound.subarray(at, at + 1.5 * RATE));
    guitar.mute();
    guitar.render(sound.subarray(at + 1.5 * RATE, at + 2 * RATE));
    at += 2 * RATE;
  }
  guitar.render(sound.subarray(at));
  return { sound, notes };
}

/** A slow strum over a ukulele, so many cents off string by string, after a moment of quiet. */
export function strumOf(detune: readonly number[]): Float32Array {
  const instrument = findModel('ukulele-soprano')!.build('u', 'U');
  const targets = targetsOf(findTuning(instrument.tuningId)!, 440).map((target) => target.hz);
  const ukulele = new PracticeInstrument({
    instrument,
    targets,
    detune,
    seed: 21,
    sampleRate: RATE,
  });
  const sound = new Float32Array(4 * RATE);
  ukulele.render(sound.subarray(0, RATE));
  ukulele.strum();
  ukulele.render(sound.subarray(RATE));
  return sound;
}

/** The six plucks as a file. */
export function sixPlucksFile(): { file: string; exact: Map<number, number> } {
  const { sound, notes } = sixPlucks();
  return {
    file: temporaryFile('six.wav', writeWav([sound], RATE)),
    exact: new Map(notes.map(({ course, exact }) => [course, exact])),
  };
}

/** What a player's hands do to a guitar, one thing after the other. */
export interface Doing {
  readonly pluck?: number | readonly number[];
  readonly strength?: number;
  /** Rests a hand on the strings first. */
  readonly mute?: true;
  /** Brings the string of this course by so many cents, as fast as `seconds` says. */
  readonly turn?: readonly [course: number, cents: number];
  readonly seconds: number;
}

/** Four seconds of quiet, then what the hands do to a guitar whose strings start at `detune`. */
export function playedBy(detune: readonly number[], doings: readonly Doing[]): Float32Array {
  const targets = targetsOf(findTuning('guitar-standard')!, 440).map((target) => target.hz);
  const guitar = new PracticeInstrument({
    instrument: steelGuitar('g', 'G'),
    targets,
    detune,
    seed: 8,
    sampleRate: RATE,
    coupling: 0,
  });
  const pieces: Float32Array[] = [];
  const wait = (seconds: number) => {
    const piece = new Float32Array(Math.round(seconds * RATE));
    guitar.render(piece);
    pieces.push(piece);
  };
  wait(4);
  for (const { pluck = [], strength = STRENGTH, mute, turn, seconds } of doings) {
    if (mute) guitar.mute();
    const plucked = typeof pluck === 'number' ? [pluck] : pluck;
    if (plucked.length > 0) guitar.mute();
    for (const course of plucked) guitar.pluck(course, { strength });
    const steps = turn ? Math.max(1, Math.round(seconds / 0.01)) : 1;
    for (let k = 0; k < steps; k++) {
      if (turn) bring(guitar, turn[0], turn[1] / steps);
      wait(seconds / steps);
    }
  }
  wait(2);
  return joined(pieces);
}

function joined(pieces: readonly Float32Array[]): Float32Array {
  const sound = new Float32Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    sound.set(piece, at);
    at += piece.length;
  }
  return sound;
}

/** Turns a peg until its string has moved by so many cents. */
function bring(guitar: PracticeInstrument, course: number, cents: number): void {
  const before = guitar.deviation(course);
  guitar.turn(course, 1e-4);
  const slope = (guitar.deviation(course) - before) / 1e-4;
  guitar.turn(course, cents / slope - 1e-4);
}

/** A browser whose microphone plays a file once. */
export function browserHearing(file: string): Promise<Browser> {
  return chromium.launch({
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_ARGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${file}%noloop`,
    ],
  });
}

/** A new string of a ukulele, settled in some rounds: read, pulled, read, brought up, read. */
export function settledBy(course: number, rounds: number): Float32Array {
  const instrument = findModel('ukulele-soprano')!.build('u', 'U');
  const targets = targetsOf(findTuning(instrument.tuningId)!, 440).map((target) => target.hz);
  const ukulele = new PracticeInstrument({
    instrument,
    targets,
    detune: [0, 0, 0, 0],
    seed: 8,
    sampleRate: RATE,
    coupling: 0,
    creep: instrument.courses.map(() => ({
      creep: [{ law: 'logarithm', size: 20, scale: 200, jump: 1500 }],
      age: 120,
    })),
  });
  const pieces: Float32Array[] = [];
  const wait = (seconds: number) => {
    const piece = new Float32Array(Math.round(seconds * RATE));
    ukulele.render(piece);
    pieces.push(piece);
  };
  const read = () => {
    ukulele.mute();
    ukulele.pluck(course, { strength: STRENGTH });
    wait(1.7);
    ukulele.mute();
    wait(0.5);
  };
  const lift = () => {
    for (let k = 0; k < 3; k++) bring(ukulele, course, -ukulele.deviation(course));
    read();
  };
  wait(4);
  read();
  lift();
  for (let round = 0; round < rounds; round++) {
    wait(2);
    read();
    ukulele.stretch(course);
    wait(3);
    read();
    lift();
  }
  wait(2);
  return joined(pieces);
}

/** A ukulele whose saddle stands too near, in the hands of somebody who does as the fret check asks. */
export function fretPlayer(course: number) {
  const instrument = findModel('ukulele-tenor')!.build('u', 'U');
  const targets = targetsOf(findTuning(instrument.tuningId)!, 440).map((target) => target.hz);
  const ukulele = new PracticeInstrument({
    instrument,
    targets,
    detune: [-6, -6, -6, -6],
    seed: 8,
    sampleRate: RATE,
    coupling: 0,
    neck: { ...GOOD_NECK, saddleMm: -4 },
  });
  const wait = (seconds: number) => {
    const piece = new Float32Array(Math.round(seconds * RATE));
    ukulele.render(piece);
    return piece;
  };
  /** What was plucked, until it is damped again. */
  const ring = () => {
    const note = wait(1.3);
    ukulele.mute();
    return joined([note, wait(0.3)]);
  };
  const random = seededRandom(5);
  return {
    quiet: () => wait(0.6),
    open: () => {
      ukulele.pluck(course, { strength: STRENGTH });
      return ring();
    },
    harmonic: () => {
      ukulele.pluckFretted(course, 12, null);
      return ring();
    },
    fret: (number: number) => {
      ukulele.pluckFretted(course, number, 'normal');
      return ring();
    },
    /** A fret that buzzes: no pitch. */
    buzz: () =>
      joined([Float32Array.from({ length: RATE / 2 }, () => 0.2 * (random() - 0.5)), wait(0.8)]),
  };
}
