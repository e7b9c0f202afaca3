import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, chromium } from '@playwright/test';
import { writeWav } from '@rosefinch/core/formats';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { GOOD_NECK, PracticeInstrument } from '@rosefinch/core/practice';
import { seededRandom } from '@rosefinch/core/random';
import { findModel, steelGuitar } from '@rosefinch/core/strings';
import { CHROMIUM, CHROMIUM_ARGS } from './playwright.config.ts';

const RATE = 48_000;
const STRENGTH = 0.6;

/** How long the file of `sixPlucks` lasts, in milliseconds. */
export const SIX_PLUCKS_MS = 18_000;

/** A new file in a folder of its own. */
export function temporaryFile(name: string, content: string | Uint8Array): string {
  const file = join(mkdtempSync(join(tmpdir(), 'rosefinch-')), name);
  writeFileSync(file, content);
  return file;
}

/** Six detuned plucks, string 6 first, after four seconds of quiet; and their exact deviations. */
export function sixPlucks(): { file: string; exact: Map<number, number> } {
  const targets = targetsOf(findTuning('guitar-standard')!, 440).map((target) => target.hz);
  const guitar = new PracticeInstrument({
    instrument: steelGuitar('g', 'G'),
    targets,
    detune: [-31, -12, -38, 11, -9.5, -23],
    seed: 12,
    sampleRate: RATE,
    shiftCents: 0.4,
  });
  const exact = new Map<number, number>();
  const sound = new Float32Array((SIX_PLUCKS_MS / 1000) * RATE);
  let at = 4 * RATE;
  guitar.render(sound.subarray(0, at));
  for (const course of [6, 5, 4, 3, 2, 1]) {
    guitar.pluck(course, { strength: STRENGTH });
    const hz = guitar.exactReadingHz(course, STRENGTH);
    exact.set(course, 1200 * Math.log2(hz / targets[course - 1]!));
    guitar.render(sound.subarray(at, at + 1.6 * RATE));
    guitar.mute();
    guitar.render(sound.subarray(at + 1.6 * RATE, at + 2 * RATE));
    at += 2 * RATE;
  }
  guitar.render(sound.subarray(at));
  return { file: temporaryFile('six.wav', writeWav([sound], RATE)), exact };
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

/** Four seconds of quiet, then what the hands do to a guitar whose strings start at `detune`; as a file. */
export function playedBy(detune: readonly number[], doings: readonly Doing[]): string {
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
  return temporaryFile('played.wav', writeWav([joined(pieces)], RATE));
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

/** A new string of a ukulele, settled in some rounds: read, pulled, read, brought up, read; as a file. */
export function settledBy(
  course: number,
  rounds: number,
): { file: string; seconds: number; pulled: number } {
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
  const sound = joined(pieces);
  return {
    file: temporaryFile('settled.wav', writeWav([sound], RATE)),
    seconds: sound.length / RATE,
    pulled: rounds,
  };
}

/** One string of a ukulele whose saddle stands too near, read as the fret check asks for it, with a wrong and a buzzing fret between; as a file. */
export function frettedBy(course: number): { file: string; seconds: number } {
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
  const pieces: Float32Array[] = [];
  const wait = (seconds: number) => {
    const piece = new Float32Array(Math.round(seconds * RATE));
    ukulele.render(piece);
    pieces.push(piece);
  };
  const ring = () => {
    wait(1.6);
    ukulele.mute();
    wait(0.5);
  };
  const fret = (number: number) => {
    ukulele.pluckFretted(course, number, 'normal');
    ring();
  };
  wait(5);
  const open = () => {
    ukulele.pluck(course, { strength: STRENGTH });
    ring();
  };
  for (let k = 0; k < 4; k++) open();
  ukulele.pluckFretted(course, 12, null);
  ring();
  for (const number of [12, 1, 2, 3]) fret(number);
  // A buzz: no pitch.
  const random = seededRandom(5);
  pieces.push(Float32Array.from({ length: RATE / 2 }, () => 0.2 * (random() - 0.5)));
  wait(0.8);
  fret(6);
  wait(2.5);
  for (const number of [5, 7, 9]) fret(number);
  open();
  wait(1);
  const sound = joined(pieces);
  return {
    file: temporaryFile('frets.wav', writeWav([sound], RATE)),
    seconds: sound.length / RATE,
  };
}
