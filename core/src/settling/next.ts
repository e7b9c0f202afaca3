import type { Cents, Semitones } from '../units.ts';
import type { StringSettling } from './verdict.ts';

/** A new string as the adviser knows it. */
export interface SettlingString {
  readonly course: number;
  /** Name of its note, with octave. */
  readonly note: string;
  /** From its note to where it breaks. */
  readonly headroom: Semitones;
  /** Steel, plain and thin: it breaks first. */
  readonly thin: boolean;
  /** Null before its first reading. */
  readonly state: StringSettling | null;
}

/** The one thing to do now, with what its sentence needs to know. */
export type SettlingStep =
  /** The teacher is asked about its last reading. */
  | { readonly step: 'answer'; readonly course: number }
  | { readonly step: 'pluck'; readonly course: number | null }
  /** It was pulled, and has dropped. */
  | { readonly step: 'bring back'; readonly course: number; readonly note: string }
  | { readonly step: 'tune first'; readonly course: number; readonly note: string }
  | { readonly step: 'loosen'; readonly course: number; readonly note: string }
  | {
      readonly step: 'pull';
      readonly course: number;
      readonly headroom: Semitones;
      /** Little is left to where it breaks. */
      readonly near: boolean;
      readonly thin: boolean;
    }
  | { readonly step: 'bring up'; readonly course: number; readonly note: string }
  | { readonly step: 'go on'; readonly from: number; readonly to: number }
  | { readonly step: 'all hold' }
  | { readonly step: 'leave alone'; readonly waiting: readonly number[] };

/** Below this a string is not pulled: common practice, no source. */
export const LEAST_HEADROOM: Semitones = 2.5;
/** With less than twice that it is pulled with care. */
const NEAR_HEADROOM: Semitones = 2 * LEAST_HEADROOM;
/** Further off than this a string is tuned before it is pulled: a slack string does not stretch. */
const FAR_OFF: Cents = 60;

/**
 * The one thing to do now.
 * @param strings in the order in which they are tuned
 * @param active the string that was read last
 */
export function settlingStep(
  strings: readonly SettlingString[],
  active: number | null,
  tolerance: Cents,
): SettlingStep {
  const doubtful = strings.find(({ state }) => state?.history.taken.at(-1)?.doubt);
  if (doubtful) return { step: 'answer', course: doubtful.course };
  const now = strings.find(({ course }) => course === active);
  if (!now?.state?.history.last) {
    const first = strings.find(({ state }) => !state?.history.last) ?? strings[0];
    return { step: 'pluck', course: first ? first.course : null };
  }
  return ofRead(now, strings, tolerance) ?? afterIt(now, strings);
}

/** What the string in hand wants; null when it wants nothing. */
function ofRead(
  now: SettlingString,
  strings: readonly SettlingString[],
  tolerance: Cents,
): SettlingStep | null {
  const { course, note, state } = now;
  const last = state?.history.last;
  if (!last) return null;
  if (last.step === 'stretched') return { step: 'bring back', course, note };
  if (last.cents < -FAR_OFF) return { step: 'tune first', course, note };
  if (last.cents > tolerance) return { step: 'loosen', course, note };
  const pullable = wantsPull(now);
  if (pullable && (MAY_BE_PULLED.has(last.step) || strings.length === 1)) return pull(now);
  return !pullable && last.cents < -tolerance ? { step: 'bring up', course, note } : null;
}

function pull({ course, headroom, thin }: SettlingString): SettlingStep {
  return { step: 'pull', course, headroom, near: headroom < NEAR_HEADROOM, thin };
}

/** After one of these a string is pulled; after the others another string has its turn. */
const MAY_BE_PULLED: ReadonlySet<string> = new Set([
  'first',
  'waited',
  'played',
  'retuned',
  'new string',
  'left out',
]);

function wantsPull({ headroom, state }: SettlingString): boolean {
  if (headroom < LEAST_HEADROOM) return false;
  const kind = state?.verdict.kind;
  return kind === undefined || kind === 'more readings' || kind === 'rounds';
}

/** The next string that is to be pulled or was not read yet, after this one and round again. */
function afterIt(now: SettlingString, strings: readonly SettlingString[]): SettlingStep {
  const at = strings.indexOf(now);
  const round = [...strings.slice(at + 1), ...strings.slice(0, at)];
  const next = round.find((string) => !string.state?.history.last || wantsPull(string));
  if (next) return { step: 'go on', from: now.course, to: next.course };
  // The others have what they need: its turn has come again.
  if (wantsPull(now)) return pull(now);
  const waiting = strings.filter(({ state }) => state?.verdict.kind !== 'holds');
  return waiting.length === 0
    ? { step: 'all hold' }
    : { step: 'leave alone', waiting: waiting.map(({ course }) => course) };
}
