import { afterPluck, attributionOf } from '../attribution/index.ts';
import type { Node, Reading } from '../listen/index.ts';
import {
  type BenchEvent,
  type BenchState,
  type Correction,
  correctionsOf,
  type Followed,
  type PluckFacts,
  pluckOf,
  type StringReading,
} from '../sitting/index.ts';
import type { Hz } from '../units.ts';

/** Which string a pluck is put to, given everything heard before it. */
export type Judged =
  | { readonly kind: 'string'; readonly course: number }
  | {
      readonly kind: 'doubt';
      /** The likeliest first. */
      readonly courses: readonly number[];
      /** The string that was chosen by hand, where another one is likelier. */
      readonly chosen: number | null;
      /** It is worth a question. */
      readonly asks: boolean;
    }
  | { readonly kind: 'touched'; readonly of: number; readonly node: Node }
  | { readonly kind: 'none' };

/**
 * Judges a pluck, and what it shows of earlier ones.
 * @param questioned which string a pluck was has been asked in this session: nobody is asked twice
 */
export function judge(
  { hz }: Reading,
  facts: PluckFacts,
  { beliefs, plucks }: Followed,
  questioned: boolean,
): { readonly who: Judged; readonly corrections: readonly Correction[] } {
  const pluck = pluckOf(hz, facts);
  const now = afterPluck(beliefs, pluck);
  const corrections = correctionsOf(now, plucks);
  const who = attributionOf(now, pluck);
  if (who.kind === 'known') return { who: { kind: 'string', course: who.course }, corrections };
  if (who.kind !== 'doubt') return { who, corrections };
  const { courses, otherwiseSure, worthAsking } = who;
  const [course = 0] = courses;
  // Where no question is left the sound counts for more than what was chosen.
  if (otherwiseSure && questioned) return { who: { kind: 'string', course }, corrections };
  const chosen = pluck.chosen !== null && course !== pluck.chosen ? pluck.chosen : null;
  const asks = worthAsking && !questioned;
  return { who: { kind: 'doubt', courses, chosen, asks }, corrections };
}

/** What microphone and keys told of a pluck, for the record. */
export function factsOf(
  { inharmonicity, freeInharmonicity, levelDbfs }: Reading,
  asked: {
    readonly chosen: number | null;
    readonly inHand: number | null;
    readonly alone?: boolean;
  },
): PluckFacts {
  const b = freeInharmonicity ?? inharmonicity;
  const { chosen, inHand, alone } = asked;
  return {
    ...(b > 0 && { inharmonicity: b }),
    levelDbfs,
    ...(chosen !== null && { chosen }),
    ...(inHand !== null && { asked: inHand }),
    ...(alone && { alone }),
  };
}

/** A pluck that is kept until its string is known. */
export function unattributed(
  { hz, errorCents, moving, short }: Reading,
  pluck: PluckFacts,
): BenchEvent {
  const pitch = { hz, errorCents, moving, ...(short && { short }) };
  return { type: 'unattributed', pitch, pluck };
}

/** Puts an earlier pluck to the string that it is a reading of. */
export function attributedTo(
  { hz, course, cents, aim }: StringReading,
  by: 'evidence' | 'teacher',
): BenchEvent {
  return { type: 'attributed', hz, course, cents, ...(aim !== undefined && { aim }), by };
}

/** An earlier pluck as the log has it, by its pitch; null where there is none. */
export function pitchIn(
  { history }: BenchState,
  hz: Hz,
): Pick<StringReading, 'hz' | 'errorCents' | 'moving' | 'short'> | null {
  const pitches = history.map((event) =>
    event.type === 'reading' ? event.reading : event.type === 'unattributed' ? event.pitch : null,
  );
  return pitches.findLast((pitch) => pitch?.hz === hz) ?? null;
}
