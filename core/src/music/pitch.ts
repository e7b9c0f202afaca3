import { assertRange } from '../errors.ts';
import type { Cents, Hz, Midi } from '../units.ts';

/** Reference pitch of ISO 16:1975. */
export const STANDARD_A4: Hz = 440;
/** The settings of A4 that Rosefinch accepts, in Hz. */
export const A4_RANGE = { low: 400, high: 480 } as const;

const MIDI_A4 = 69;

/**
 * Frequency of a note in equal temperament: A4 · 2^((m − 69)/12).
 * Fractions of a note number are allowed. Source: ISO 16:1975, MIDI 1.0 tuning standard.
 * @throws RangeMisuse if `a4` lies outside 400–480 Hz.
 * @example midiToHz(40) // => 82.4069 (E2)
 */
export function midiToHz(midi: Midi, a4: Hz = STANDARD_A4): Hz {
  assertRange('A4 in Hz', a4, A4_RANGE.low, A4_RANGE.high);
  return a4 * 2 ** ((midi - MIDI_A4) / 12);
}

/** The note number, with its fraction, that sounds at `hz`. @throws RangeMisuse unless hz > 0. */
export function hzToMidi(hz: Hz, a4: Hz = STANDARD_A4): Midi {
  assertRange('frequency in Hz', hz, Number.MIN_VALUE, 1e6);
  return MIDI_A4 + 12 * Math.log2(hz / a4);
}

/** Distance from `from` up to `to` in cents; negative when `to` is lower. */
export function centsBetween(from: Hz, to: Hz): Cents {
  return 1200 * Math.log2(to / from);
}

/** The frequency `cents` above `hz`. */
export function shiftHz(hz: Hz, cents: Cents): Hz {
  return hz * 2 ** (cents / 1200);
}
