import type { EarRun, EarTrial } from '../ear/index.ts';
import type { PluckOutcome } from '../listen/index.ts';
import { nth } from '../maths/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents, EpochMs, Hz } from '../units.ts';
import { over, still } from './exercise.ts';
import type { Next } from './machine.ts';
import type { EarString } from './matching.ts';

export type Aid = NonNullable<EarRun['aid']>;

/** A whole instrument that is put out of tune and brought back, silent until it is done. */
export interface RestoringTalk {
  readonly aid: Aid;
  /** How it is brought back is chosen; strings are put out; it is tuned; strings are read; all is drawn. */
  readonly phase: 'resting' | 'out' | 'tuning' | 'reading' | 'told' | 'over';
  /** The string that is to be plucked, by its place in the order. */
  readonly at: number;
  /** Cents from its note, by its place in the order: put out, and left. */
  readonly out: readonly Cents[];
  readonly left: readonly Cents[];
  /** When tuning began, and how long it took, by a clock that never jumps. */
  readonly since: number;
  readonly tookMs: number;
  /** By the display: what was plucked last while tuning; null where nothing is shown. */
  readonly seen: { readonly course: number; readonly cents: Cents } | null;
  /** What the last pluck was, where it did not count. */
  readonly notice: 'too near' | 'too far' | 'not heard' | null;
}

export type RestoringInput =
  | { readonly type: 'aid'; readonly aid: Aid }
  | { readonly type: 'go' }
  | {
      readonly type: 'heard';
      readonly outcome: PluckOutcome;
      /** What was asked for when it began. */
      readonly asked: number | null;
      /** The string that it is known to be; null where it is not. */
      readonly course: number | null;
    }
  /** A tone that the aid allows. */
  | { readonly type: 'tone'; readonly course: number }
  | { readonly type: 'end' };

export type RestoringEffect =
  | { readonly type: 'sound'; readonly hz: Hz }
  | { readonly type: 'keep'; readonly trials: readonly EarTrial[]; readonly aid: Aid }
  | { readonly type: 'over' };

export interface RestoringWorld {
  /** In the order in which they are plucked. */
  readonly strings: readonly EarString[];
  /** The string whose tone is the only one that is given. */
  readonly oneTone: number;
  readonly now: EpochMs;
  readonly clock: number;
}

/** A string is far enough out from here on, and not beyond. */
const FAR_ENOUGH: Cents = 15;
const TOO_FAR: Cents = 400;

export const NOT_RESTORED: RestoringTalk = {
  aid: 'allTones',
  phase: 'resting',
  at: 0,
  out: [],
  left: [],
  since: 0,
  tookMs: 0,
  seen: null,
  notice: null,
};

export function restoringTalk(
  talk: RestoringTalk,
  input: RestoringInput,
  world: RestoringWorld,
): Next<RestoringTalk, RestoringEffect> {
  switch (input.type) {
    case 'aid':
      return talk.phase === 'resting'
        ? { state: { ...talk, aid: input.aid }, effects: [] }
        : still(talk);
    case 'go':
      return { state: gone(talk, world), effects: [] };
    case 'tone': {
      const string = world.strings.find(({ course }) => course === input.course);
      return string && talk.phase === 'tuning' && tonesOf(talk.aid, world).includes(input.course)
        ? { state: talk, effects: [{ type: 'sound', hz: string.hz }] }
        : still(talk);
    }
    case 'heard':
      return heard(talk, input, world);
    case 'end':
      return over(talk);
  }
}

function gone(talk: RestoringTalk, { clock }: RestoringWorld): RestoringTalk {
  switch (talk.phase) {
    case 'resting':
    case 'told':
      return { ...NOT_RESTORED, aid: talk.aid, phase: 'out' };
    case 'tuning':
      return { ...talk, phase: 'reading', at: 0, tookMs: clock - talk.since };
    default:
      return talk;
  }
}

/** The string that a pluck is asked of; null while the player tunes. */
export function restoringAsked(
  { phase, at }: RestoringTalk,
  strings: readonly EarString[],
): number | null {
  return phase === 'out' || phase === 'reading' ? (strings[at]?.course ?? null) : null;
}

/** The strings whose tones may be heard while tuning. */
export function tonesOf(
  aid: Aid,
  { strings, oneTone }: Pick<RestoringWorld, 'strings' | 'oneTone'>,
): number[] {
  if (aid === 'memory') return [];
  return aid === 'oneTone' ? [oneTone] : strings.map(({ course }) => course);
}

function heard(
  talk: RestoringTalk,
  input: Extract<RestoringInput, { type: 'heard' }>,
  world: RestoringWorld,
): Next<RestoringTalk, RestoringEffect> {
  const { strings, now, clock } = world;
  const { outcome, asked } = input;
  if (talk.phase === 'tuning') return shown(talk, input, strings);
  const course = restoringAsked(talk, strings);
  // What began before the question is no answer.
  if (course === null || asked !== course) return { state: talk, effects: [], quiet: true };
  if (outcome.kind !== 'reading') return { state: { ...talk, notice: 'not heard' }, effects: [] };
  const cents = centsBetween(nth(strings, talk.at).hz, outcome.hz);
  if (Math.abs(cents) > TOO_FAR) return { state: { ...talk, notice: 'too far' }, effects: [] };
  const at = talk.at + 1;
  const last = at === strings.length;
  if (talk.phase === 'out') {
    if (Math.abs(cents) < FAR_ENOUGH)
      return { state: { ...talk, notice: 'too near' }, effects: [] };
    const out = [...talk.out, cents];
    const next = last ? ({ phase: 'tuning', at: 0, since: clock } as const) : { at };
    return { state: { ...talk, out, notice: null, ...next }, effects: [] };
  }
  const left = [...talk.left, cents];
  if (!last) return { state: { ...talk, left, at, notice: null }, effects: [] };
  const trials = strings.map(
    (string, i): EarTrial => ({
      at: now,
      cell: `string ${string.course}`,
      asked: nth(talk.out, i),
      off: nth(left, i),
      tookMs: talk.tookMs,
    }),
  );
  return {
    state: { ...talk, left, at: 0, phase: 'told', notice: null },
    effects: [{ type: 'keep', trials, aid: talk.aid }],
  };
}

/** While somebody tunes nothing is said, unless they tune by the display. */
function shown(
  talk: RestoringTalk,
  { outcome, course }: Extract<RestoringInput, { type: 'heard' }>,
  strings: readonly EarString[],
): Next<RestoringTalk, RestoringEffect> {
  const string = strings.find((one) => one.course === course);
  if (talk.aid !== 'display' || !string || outcome.kind !== 'reading')
    return { state: talk, effects: [], quiet: true };
  const seen = { course: string.course, cents: centsBetween(string.hz, outcome.hz) };
  return still({ ...talk, seen });
}
