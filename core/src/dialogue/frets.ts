import {
  type FretAsked,
  type FretPlace,
  type FretReading,
  judgementOf,
  type Neck,
  nextAsked,
  nextPlace,
  nextProof,
  openOf,
  otherFret,
  placeKey,
  semitonesOf,
} from '../intonation/index.ts';
import {
  type ListenEvent,
  type PluckOutcome,
  type StringKnowledge,
  whoSounded,
} from '../listen/index.ts';
import { centsBetween, shiftHz, type Target } from '../music/index.ts';
import type { FretCheck } from '../records/index.ts';
import type { FretNotice } from '../sentences/index.ts';
import type { SourceKind } from '../sitting/index.ts';
import type { Cents, EpochMs } from '../units.ts';
import type { Next } from './machine.ts';

/** No string is read better than this, whatever its own error says. */
const LEAST_ERROR: Cents = 0.1;
/** Further from its note than this the open string is taken for another one. */
const OPEN_WITHIN: Cents = 350;

type Reading = Extract<PluckOutcome, { kind: 'reading' }>;

/** A pitch that lies at another fret than the one that was asked for. */
interface OtherFret {
  readonly asked: FretAsked;
  readonly heard: number;
  /** The string that sounds so when it is open, if one does. */
  readonly string: number | null;
  readonly cents: Cents;
  readonly errorCents: Cents;
}

/** A change to the check that is kept, made to it as it is on the disk by then. */
export type FretChange =
  | { readonly type: 'add'; readonly source: SourceKind; readonly reading: FretReading }
  | {
      readonly type: 'mark';
      readonly of: Pick<FretReading, 'at' | 'course'>;
      readonly marks: Pick<FretReading, 'struckOut' | 'note'>;
    }
  | { readonly type: 'finish'; readonly at: EpochMs };

/** The conversation of a fret check. */
export interface FretTalk {
  readonly check: FretCheck;
  /** Places that are left out. */
  readonly skipped: ReadonlySet<string>;
  readonly notice: FretNotice | null;
  readonly other: OtherFret | null;
}

/** What is true beside the conversation at the moment of an input. */
export interface FretWorld {
  readonly neck: Neck;
  readonly targets: readonly Target[];
  readonly now: EpochMs;
  readonly source: SourceKind;
  /** True if a source tells of the instrument itself. */
  readonly tells: (source: SourceKind) => boolean;
}

export type FretInput =
  | {
      readonly type: 'heard';
      readonly heard: Extract<ListenEvent, { type: 'outcome' }>;
      readonly asked: FretAsked | null;
    }
  /** Takes the pitch for the fret that it is at. */
  | { readonly type: 'take other' }
  | { readonly type: 'drop other' }
  /** Leaves the place out. */
  | { readonly type: 'skip' }
  /** Strikes the last reading out; its place is asked for again. */
  | { readonly type: 'strike out' }
  | { readonly type: 'note'; readonly text: string }
  | { readonly type: 'finish' }
  /** What another tab has made of the check. */
  | { readonly type: 'kept'; readonly check: FretCheck };

export interface FretEffect {
  readonly do: 'change';
  readonly change: FretChange;
}

type Stepped = Next<FretTalk, FretEffect>;

export function startFretTalk(check: FretCheck): FretTalk {
  return { check, skipped: new Set(), notice: null, other: null };
}

/** What is to be sounded next; null when all of it was read, it is decided, or the check is over. */
export function fretAsked({ check, skipped }: FretTalk, neck: Neck): FretAsked | null {
  if (check.doneAt !== null) return null;
  const isSkipped = ({ course, place }: FretAsked) => skipped.has(`${course} ${placeKey(place)}`);
  if (check.proves) return nextProof(neck, check.readings, check.proves, isSkipped);
  if (!check.led) return nextAsked(check, skipped);
  return nextPlace(neck, check.readings, judgementOf(neck, check), isSkipped);
}

/** A check after a change. */
export function changedCheck(check: FretCheck, change: FretChange): FretCheck {
  switch (change.type) {
    case 'add':
      return {
        ...check,
        source: change.source,
        readings: [...check.readings, change.reading],
      };
    case 'mark': {
      const { of, marks } = change;
      const isIt = (r: FretReading) => r.at === of.at && r.course === of.course;
      const readings = check.readings.map((r) => (isIt(r) ? { ...r, ...marks } : r));
      return { ...check, readings };
    }
    case 'finish':
      return { ...check, doneAt: change.at };
  }
}

/** The conversation after an input, and what is to be done. */
export function fretTalk(talk: FretTalk, input: FretInput, world: FretWorld): Stepped {
  switch (input.type) {
    case 'heard':
      return hear(talk, input.heard.outcome, input.asked, world);
    case 'take other':
      return takeOther(talk, world);
    case 'drop other':
      return still({ ...talk, other: null });
    case 'skip': {
      const asked = fretAsked(talk, world.neck);
      if (!asked) return still({ ...talk, other: null });
      const key = `${asked.course} ${placeKey(asked.place)}`;
      return still({ ...talk, other: null, skipped: new Set([...talk.skipped, key]) });
    }
    case 'strike out':
      return mark(talk, { struckOut: true });
    case 'note':
      return mark(talk, { note: input.text });
    case 'finish':
      return change(talk, { type: 'finish', at: world.now });
    case 'kept':
      // Fewer readings than here are those that are still on their way to the disk.
      return input.check.readings.length > talk.check.readings.length
        ? still({ ...talk, check: input.check })
        : still(talk);
  }
}

function still(talk: FretTalk): Stepped {
  return { state: talk, effects: [] };
}

function change(talk: FretTalk, made: FretChange): Stepped {
  return {
    state: { ...talk, check: changedCheck(talk.check, made) },
    effects: [{ do: 'change', change: made }],
  };
}

/** Marks the last reading that counts. */
function mark(talk: FretTalk, marks: Pick<FretReading, 'struckOut' | 'note'>): Stepped {
  const last = talk.check.readings.findLast(({ struckOut }) => !struckOut);
  return last ? change(talk, { type: 'mark', of: last, marks }) : still(talk);
}

function hear(
  talk: FretTalk,
  outcome: PluckOutcome,
  asked: FretAsked | null,
  world: FretWorld,
): Stepped {
  if (!asked) return still(talk);
  if (outcome.kind !== 'reading')
    return still({ ...talk, notice: { kind: 'refused', refusal: outcome } });
  return take(talk, outcome, asked, world);
}

function take(talk: FretTalk, reading: Reading, asked: FretAsked, world: FretWorld): Stepped {
  const { targets, tells, source } = world;
  const { check } = talk;
  const target = targets[asked.course - 1];
  if (!target) return still(talk);
  const notice = (said: FretNotice) => still({ ...talk, notice: said });
  if (check.readings.length > 0 && tells(check.source) !== tells(source))
    return notice({ kind: 'other world', begun: tells(check.source) ? 'real' : 'practice' });
  const cents = centsBetween(target.hz, reading.f0Hz);
  const open = openOf(check, asked.course);
  const who = whoSounded(reading, fretStrings(targets, asked), asked.course);
  const another = who.kind === 'known' && who.course !== asked.course ? who.course : null;
  if (another !== null && (open === null || asked.place.kind === 'open'))
    return notice({ kind: 'another string', heard: another, asked: asked.course });
  if (open === null && Math.abs(cents) > OPEN_WITHIN)
    return notice({ kind: 'not open', asked: asked.course, cents });
  const heard = open === null ? null : otherFret(asked.place, cents - open);
  const { errorCents } = reading;
  if (heard !== null) {
    const other = { asked, heard, string: another, cents, errorCents };
    return still({ ...talk, notice: null, other });
  }
  return put({ ...talk, notice: null, other: null }, asked, { cents, errorCents }, world);
}

/** Puts a pitch on record at a place. */
function put(
  talk: FretTalk,
  { course, place }: FretAsked,
  { cents, errorCents: error }: { readonly cents: Cents; readonly errorCents: Cents },
  { now, source }: FretWorld,
): Stepped {
  // What the finger scatters is found from the readings, not put into each.
  const errorCents = Math.max(LEAST_ERROR, error);
  const reading = { course, place, cents, errorCents, at: now };
  return change(talk, { type: 'add', source, reading });
}

function takeOther(talk: FretTalk, world: FretWorld): Stepped {
  const { other } = talk;
  if (!other) return still(talk);
  const left = { ...talk, other: null };
  const { asked, heard } = other;
  if (heard < 0) return still(left);
  const as = asked.place.kind === 'fret' ? asked.place : { pressure: 'normal' as const };
  const place: FretPlace = heard === 0 ? { kind: 'open' } : { ...as, kind: 'fret', fret: heard };
  return put(left, { course: asked.course, place }, other, world);
}

/** The strings as they should sound: the one that is asked for at its place, the others open. */
export function fretStrings(
  targets: readonly Target[],
  asked: FretAsked | null,
): StringKnowledge[] {
  return targets.map((target) => {
    const raised = asked?.course === target.course ? 100 * semitonesOf(asked.place) : 0;
    return { target: { ...target, hz: shiftHz(target.hz, raised) } };
  });
}
