import type { Cents } from '../units.ts';
import type { StringSettling } from './verdict.ts';

/** A new string as the adviser knows it. */
export interface SettlingString {
  readonly course: number;
  /** Name of its note, with octave. */
  readonly note: string;
  /** Semitones from its note to where it breaks. */
  readonly headroom: number;
  /** Steel, plain and thin: it breaks first. */
  readonly thin: boolean;
  /** Null before its first reading. */
  readonly state: StringSettling | null;
}

/** What to do now: one sentence and one more line. */
export interface SettlingAdvice {
  readonly say: string;
  readonly more: string;
}

/** Below this a string is not pulled, in semitones. */
export const LEAST_HEADROOM = 2.5;
/** Further off than this a string is tuned before it is pulled, in cents. */
const FAR_OFF = 60;

/**
 * The one thing to do now.
 * @param strings in the order in which they are tuned
 * @param active the string that was read last
 */
export function settlingAdvice(
  strings: readonly SettlingString[],
  active: number | null,
  tolerance: Cents,
  lessonWords: string,
): SettlingAdvice {
  const doubtful = strings.find(({ state }) => state?.history.taken.at(-1)?.doubt);
  if (doubtful)
    return {
      say: `One question about string ${doubtful.course}.`,
      more: 'Its last reading is kept; it counts once you have answered.',
    };
  const now = strings.find(({ course }) => course === active);
  const last = now?.state?.history.last;
  if (!now?.state || !last) {
    const first = strings.find(({ state }) => !state?.history.last) ?? strings[0];
    return {
      say: first ? `Pluck string ${first.course}.` : 'No string is new.',
      more: 'New strings fall as soon as they are tuned. Each pluck tells how far.',
    };
  }
  const { course, note } = now;
  if (last.step === 'stretched')
    return {
      say: `Bring string ${course} back up to ${note}.`,
      more: 'Come up from below, then pluck it once more at its note.',
    };
  if (last.cents < -FAR_OFF)
    return { say: `Tune string ${course} up to ${note} first.`, more: 'Then it is pulled.' };
  if (last.cents > tolerance)
    return { say: `Loosen string ${course}, then come up to ${note}.`, more: 'It is high.' };
  const turned = last.step === 'brought up' || last.step === 'let down';
  const justRead = !turned && last.step !== 'again' && last.step !== 'room';
  if (wantsPull(now) && (justRead || strings.length === 1))
    return { say: `Pull string ${course} gently, then pluck it.`, more: pullWords(now) };
  if (!wantsPull(now) && last.cents < -tolerance)
    return { say: `Bring string ${course} up to ${note}.`, more: 'It needs no pulling.' };
  const next = nextString(strings, course);
  if (next)
    return {
      say: `Now string ${next.course}: pluck it.`,
      more: `String ${course} stands at its note.`,
    };
  return resting(strings, lessonWords);
}

function wantsPull({ headroom, state }: SettlingString): boolean {
  if (headroom < LEAST_HEADROOM) return false;
  const kind = state?.verdict.kind;
  return kind === undefined || kind === 'more readings' || kind === 'rounds';
}

function pullWords({ headroom, thin }: SettlingString): string {
  const how = 'Along its length, a finger’s breadth, away from the face.';
  if (headroom < 2 * LEAST_HEADROOM)
    return `${how} It has ${headroom.toFixed(1)} semitones to breaking: less than the others.`;
  return thin ? `${how} It is thin: least of all.` : how;
}

/** The next string that is to be pulled or was not read yet, after `course` and round again. */
function nextString(strings: readonly SettlingString[], course: number): SettlingString | null {
  const at = strings.findIndex((string) => string.course === course);
  const round = [...strings.slice(at + 1), ...strings.slice(0, at + 1)];
  return round.find((string) => !string.state?.history.last || wantsPull(string)) ?? null;
}

function resting(strings: readonly SettlingString[], lessonWords: string): SettlingAdvice {
  const waiting = strings.filter(({ state }) => state?.verdict.kind !== 'holds');
  if (waiting.length === 0)
    return { say: `All new strings hold ${lessonWords}.`, more: 'Look again when it is due.' };
  const names = waiting.map(({ course }) => course).join(', ');
  return {
    say: 'Leave them alone now.',
    more: `Time does more than pulling for string${waiting.length > 1 ? 's' : ''} ${names}. Look again when it is due.`,
  };
}
