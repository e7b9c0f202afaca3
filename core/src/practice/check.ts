import type { Held } from '../fretboard/index.ts';
import type { Instrument } from '../strings/index.ts';
import { startFret } from '../strings/index.ts';
import type { Hz } from '../units.ts';
import { PracticeInstrument } from './instrument.ts';

const ALONE_S = 1.1;
const TOGETHER_S = 1.8;

/** A comparison that a practice instrument is to sound. */
export interface SoundedCheck {
  readonly instrument: Instrument;
  /** What the open courses sound, course 1 first. */
  readonly openHz: readonly Hz[];
  readonly held: Held;
  /** The course that is compared with it, open. */
  readonly open: number;
}

/** The held string, then the open one, then both together. */
export function soundCheck(check: SoundedCheck, sampleRate: Hz): Float32Array<ArrayBuffer> {
  const { instrument, openHz, held, open } = check;
  const frets = held.fret === 0 ? 0 : held.fret - startFret(instrument, held.course);
  const practice = new PracticeInstrument({
    instrument,
    targets: openHz.map((hz, i) => (i === held.course - 1 ? hz * 2 ** (frets / 12) : hz)),
    detune: openHz.map(() => 0),
    seed: 11,
    sampleRate,
  });
  const sound = new Float32Array(Math.round((2 * ALONE_S + TOGETHER_S) * sampleRate));
  const alone = Math.round(ALONE_S * sampleRate);
  practice.pluck(held.course);
  practice.render(sound.subarray(0, alone));
  practice.mute();
  practice.pluck(open);
  practice.render(sound.subarray(alone, 2 * alone));
  practice.pluck(held.course);
  practice.pluck(open);
  practice.render(sound.subarray(2 * alone));
  return sound;
}
