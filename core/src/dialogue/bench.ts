import { afterPluck, REACH } from '../attribution/index.ts';
import { type Called, earVerdict, type HeardPluck, ringingOf, turnCall } from '../coach/index.ts';
import type { Reading, Refusal, TrackPoint } from '../listen/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import {
  allInTune,
  type BenchEvent,
  type BenchState,
  benchAfter,
  currentPass,
  isClosed,
  offBy,
  passDone,
  pluckOf,
  type StringReading,
  stringOf,
} from '../sitting/index.ts';
import { aimOf, readingOf, stateOf } from '../state/index.ts';
import { roundTurns } from '../strings/index.ts';
import type { Cents, Hz } from '../units.ts';
import {
  attributedTo,
  factsOf,
  judge,
  pitchIn,
  semitonesFlat,
  soundsOf,
  unattributed,
} from './attributing.ts';
import { benchSaying } from './benchSaying.ts';
import { askStrum, hearStrummed, strumLetGo } from './benchStrum.ts';
import type {
  BenchAsked,
  BenchEffect,
  BenchHearing,
  BenchInput,
  BenchTalk,
  BenchWorld,
  Led,
  Notice,
  Plain,
} from './benchTypes.ts';
import { beginWinding, followIfFar, whileWinding, windingRound } from './benchWinding.ts';
import { checkInHand, courseAsked, courseInHand } from './inHand.ts';
import type { Next } from './machine.ts';
import { pegLearned } from './pegLearning.ts';
import { type PegTestRound, pegTestAfter, skipPeg, startPegTest } from './pegTest.ts';

/** The coach looks back so many plucks. */
const MOST_PLUCKS = 200;
/** A string nearer to its note than this was brought up. */
const BROUGHT_UP: Cents = -60;
const TUNING: Plain = { kind: 'tuning' };
const ALL_AT_ONCE: Refusal = { kind: 'more than one string', hz: [] };

type Step = Next<BenchTalk, BenchEffect>;
type Outcome = Extract<BenchHearing, { type: 'outcome' }>;

/** The conversation before the first pluck. */
export function startBenchTalk(): BenchTalk {
  return {
    led: TUNING,
    plucks: [],
    answered: false,
    notice: null,
    notOurs: null,
    track: [],
    ownsTrack: false,
    sounding: null,
    called: null,
    readAt: 0,
    questioned: false,
    flat: null,
    newest: null,
  };
}

/** What the player is asked for just now. */
export function askedAtBench(
  { led, notice }: BenchTalk,
  state: BenchState,
  planned?: number | undefined,
): BenchAsked {
  const { chosen } = state;
  const round = pegRound(led);
  const course = round?.toCome[0];
  const alone =
    windingRound(led)?.toCome[0] ?? (notice?.kind === 'strum' ? notice.alone[0] : undefined);
  return {
    chosen,
    inHand: alone ?? courseAsked(state, planned) ?? courseInHand(state, planned),
    alone: alone !== undefined,
    told: notice === null ? turnAsked(state) : null,
    reference: led.kind === 'reference' && led.hz === null,
    peg: round && course !== undefined ? { course, step: stepOf(round) } : null,
  };
}

/** The way that the string in hand has still to go; null where it was not read, or is right. */
function turnAsked(state: BenchState): BenchAsked['told'] {
  const last = state.active === null ? undefined : lastReading(state, state.active);
  return last && Math.abs(offBy(last)) > state.goal.tolerance
    ? { course: last.course, cents: -offBy(last) }
    : null;
}

function lastReading(state: BenchState, course: number): StringReading | undefined {
  return stringOf(currentPass(state), course)?.readings.at(-1);
}

/** What is led through beside a reference or a comparison. */
function plainOf(led: Led): Plain {
  return led.kind === 'reference' || led.kind === 'pair' ? led.back : led;
}

/** The figures are hidden until one commits, also while two strings are compared meanwhile. */
export function isByEar({ led }: BenchTalk): boolean {
  return plainOf(led).kind === 'by ear';
}

/** The round over the pegs, while it lasts. */
export function pegRound(led: Led): PegTestRound | null {
  const plain = plainOf(led);
  return plain.kind === 'pegs' ? plain.round : null;
}

function stepOf({ beforeHz, turned }: PegTestRound): number {
  return beforeHz === null ? 0 : turned + 1;
}

/** The conversation after an input, and what is to be done. */
export function benchTalk(talk: BenchTalk, input: BenchInput, world: BenchWorld): Step {
  const round = windingRound(talk.led);
  const next = round
    ? whileWinding(talk, input, { ...world, round }, answer)
    : answer(talk, input, world);
  return strumLetGo(talk, next);
}

function answer(talk: BenchTalk, input: BenchInput, world: BenchWorld): Step {
  switch (input.type) {
    case 'heard':
      return hear(talk, input.heard, input.asked, world);
    case 'accept':
      return accept(talk, world);
    case 'next pass':
      return act(talk, { type: 'next pass' });
    case 'choose':
      return choose(talk, input.course, world);
    case 'attribute':
      return attribute(talk, input.hz, input.course, world);
    case 'by ear':
      return byEar(talk);
    case 'compare':
      return compare(talk, world);
    case 'reference':
      return reference(talk);
    case 'take A4':
      return takeA4(talk, input.a4);
    case 'peg test':
      return pegTest(talk, world);
    case 'strum':
      return askStrum(talk);
    case 'wind':
      return beginWinding(closeNote(talk), world);
    case 'sound target':
      return { state: talk, effects: soundedAim(world) };
    case 'start afresh':
      return startAfresh(talk, true);
    case 'listen':
      return { state: { ...talk, notice: null }, effects: [] };
  }
}

/** The note as it is to be set now: where strings are aimed, the tone sounds the aim. */
function soundedAim(world: BenchWorld): BenchEffect[] {
  const { state, planned, targets, heard, before, fitted, coupling, aiming } = world;
  const course = courseInHand(state, planned);
  const target = targets[course - 1];
  if (!target) return [];
  const now = stateOf({ readings: heard, before, coupling, fitted });
  const aim = aiming ? aimOf(state, course, now, coupling) : 0;
  return [{ do: 'sound', hz: shiftHz(target.hz, aim) }];
}

function led(talk: BenchTalk, next: Led): Step {
  return { state: { ...talk, led: next }, effects: [] };
}

/** Waits for a reference, or goes back to where it was. */
function reference(talk: BenchTalk): Step {
  return talk.led.kind === 'reference'
    ? led(talk, talk.led.back)
    : led(talk, { kind: 'reference', hz: null, back: plainOf(talk.led) });
}

function pegTest(talk: BenchTalk, { state }: BenchWorld): Step {
  return pegRound(talk.led)
    ? act({ ...talk, led: TUNING }, { type: 'choose', course: null })
    : tryPeg(talk, startPegTest(state.goal.order));
}

/** Hides the figures or shows them; a round over the pegs ends. */
function byEar(talk: BenchTalk): Step {
  const next: Plain = plainOf(talk.led).kind === 'by ear' ? TUNING : { kind: 'by ear' };
  return pegRound(talk.led)
    ? act({ ...talk, led: next }, { type: 'choose', course: null })
    : led(talk, next);
}

/** Puts what the teacher decides on record. */
function act(talk: BenchTalk, event: BenchEvent): Step {
  const isOver = event.type === 'choose' || event.type === 'accept';
  return {
    state: { ...afterRecord(talk), notice: null, notOurs: null, answered: true, called: null },
    effects: [...(isOver ? [{ do: 'stop showing note' } as const] : []), { do: 'record', event }],
  };
}

/** Something was put on record: a comparison and a verdict are over. */
function afterRecord(talk: BenchTalk): BenchTalk {
  if (talk.led.kind === 'pair') return afterRecord({ ...talk, led: talk.led.back });
  return talk.led.kind === 'verdict' ? { ...talk, led: TUNING } : talk;
}

function accept(talk: BenchTalk, world: BenchWorld): Step {
  const { led: now } = talk;
  // By ear: the first time it compares, the second time it goes on.
  if (plainOf(now).kind === 'by ear') {
    const course = courseInHand(world.state, world.planned);
    const verdict = earVerdict(talk.plucks, course, world.state.goal.tolerance);
    return led(talk, { kind: 'verdict', verdict });
  }
  const round = pegRound(now);
  if (round && round.toCome.length > 0) return tryPeg(talk, skipPeg(round));
  const { planned } = world;
  return act(talk, { type: 'accept', ...(planned !== undefined && { next: planned }) });
}

function choose(talk: BenchTalk, course: number | null, world: BenchWorld): Step {
  const { notice } = talk;
  // Nothing is chosen: nothing is to be put on record.
  if (course === null && world.state.chosen === null)
    return {
      state: { ...afterRecord(talk), notice: null, answered: true },
      effects: [{ do: 'stop showing note' }],
    };
  // Any number answers the question which string that was, before it chooses one.
  const answers =
    course !== null &&
    notice?.kind === 'doubt' &&
    (notice.courses.includes(course) || (notice.asks && isInReach(notice.outcome, course, world)));
  if (!answers) return act(talk, { type: 'choose', course });
  const { state, effects } = attribute(talk, notice.outcome.hz, course, world);
  return { state: { ...state, notice: null }, effects };
}

/** A string can sound so at all. */
function isInReach({ hz }: Reading, course: number, { targets }: BenchWorld): boolean {
  const target = targets[course - 1];
  const cents = target ? centsBetween(target.hz, hz) : Number.NaN;
  return cents > REACH.low && cents < REACH.high;
}

/** The teacher says which string a pluck was. */
function attribute(talk: BenchTalk, hz: Hz, course: number, world: BenchWorld): Step {
  const put = putTo(hz, course, world);
  if (!put) return { state: talk, effects: [] };
  const heard = withReading(afterRecord(talk), put);
  const inDoubt = talk.notice?.kind === 'doubt' && talk.notice.outcome.hz === hz;
  const isNewest = inDoubt || talk.notOurs?.hz === hz;
  return {
    state: { ...(isNewest ? announce(heard, put) : heard), notOurs: null },
    effects: [{ do: 'record', event: attributedTo(put, 'teacher') }],
  };
}

/** An earlier pluck as a reading of another string; null where there is no such pluck or string. */
function putTo(hz: Hz, course: number, world: BenchWorld): StringReading | null {
  const pitch = pitchIn(world.state, hz);
  return pitch && readingOf(pitch, course, hearingIn(world));
}

/** What a reading needs to know of where its string is to be brought. */
function hearingIn({ state, strings, heard, coupling, aiming, before, fitted }: BenchWorld) {
  return { state, strings, heard, coupling: aiming ? coupling : null, before, fitted };
}

/** What the coach knows of a pluck that is put to a string later. */
function withReading(talk: BenchTalk, reading: StringReading): BenchTalk {
  const at = talk.plucks.findLastIndex((pluck) => pluck.hz === reading.hz);
  return { ...talk, plucks: talk.plucks.map((one, i) => (i === at ? { ...one, reading } : one)) };
}

function announce(talk: BenchTalk, reading: StringReading): BenchTalk {
  return { ...talk, newest: { reading, nth: talk.newest ? talk.newest.nth + 1 : 1 } };
}

function compare(talk: BenchTalk, world: BenchWorld): Step {
  const closed = closeNote(talk);
  const waiting = talk.led.kind === 'pair' && talk.led.beat === null;
  if (waiting)
    return {
      state: { ...closed, led: plainOf(talk.led) },
      effects: [{ do: 'expect pair', hz: null }],
    };
  const check = checkInHand(world);
  const open = check && world.targets[check.open - 1];
  if (!open) return { state: talk, effects: [] };
  return {
    state: { ...closed, led: { kind: 'pair', beat: null, back: plainOf(talk.led) } },
    effects: [{ do: 'expect pair', hz: open.hz }],
  };
}

function takeA4(talk: BenchTalk, a4: number): Step {
  // A session keeps the A4 that it began with.
  const { state, effects } = startAfresh({ ...talk, led: plainOf(talk.led) }, false);
  return { state, effects: [{ do: 'save A4', a4 }, ...effects] };
}

/** What was done to the strings in the session before is not held against the next one. */
function startAfresh(talk: BenchTalk, undoable: boolean): Step {
  return {
    state: { ...talk, plucks: [], notice: null, questioned: false, flat: null },
    effects: [{ do: 'stop showing note' }, { do: 'start afresh', undoable }],
  };
}

/** A string is chosen by hand while its peg is tried, so that it may be far from its note. */
function tryPeg(talk: BenchTalk, round: PegTestRound): Step {
  const [course = null] = round.toCome;
  return act({ ...talk, led: { kind: 'pegs', round } }, { type: 'choose', course });
}

function hear(talk: BenchTalk, heard: BenchHearing, asked: BenchAsked, world: BenchWorld): Step {
  switch (heard.type) {
    case 'wound':
      // Late: no string is wound any more.
      return { state: talk, effects: [], quiet: true };
    case 'pair':
      // Late: nobody compares any more.
      return talk.led.kind === 'pair' && talk.led.beat === null
        ? led(talk, { ...talk.led, beat: heard.beat })
        : { state: talk, effects: [] };
    case 'onset':
    case 'released':
      return { state: closeNote(talk), effects: [] };
    case 'track':
      return follow(talk, heard.point, asked, world);
    case 'strum':
      // A reference, a comparison or a peg is asked for one string at a time; by ear nothing is told.
      return ['tuning', 'verdict'].includes(talk.led.kind)
        ? hearStrummed(closeNote(talk), heard, world)
        : { state: { ...talk, notice: { kind: 'refused', refusal: ALL_AT_ONCE } }, effects: [] };
    case 'outcome':
      return asked.reference ? hearReference(talk, heard) : put(talk, heard, asked, world);
  }
}

/** A note rings on: what is called out changes only while its string is being turned. */
function follow(
  talk: BenchTalk,
  { sinceOnset, hz }: TrackPoint,
  asked: BenchAsked,
  world: BenchWorld,
): Step {
  const track = [...talk.track, sinceOnset, hz];
  const sounding = talk.sounding ?? soundsOf(hz, asked, world.followed);
  const called = calledWhile({ ...talk, track, sounding }, world);
  const state = { ...talk, track, sounding, called };
  return called === talk.called ? { state, effects: [], quiet: true } : { state, effects: [] };
}

/** What is called out while a string is turned as it rings; nothing beside another job. */
function calledWhile(talk: BenchTalk, world: BenchWorld): Called | null {
  const { led, sounding, track, readAt: since } = talk;
  if (sounding === null || !CALLED_WHILE.includes(led.kind)) return null;
  const { state, targets, instrument } = world;
  const target = targets[sounding - 1];
  const string = instrument.courses[sounding - 1]?.strings[0];
  if (!target || !string) return null;
  const aim = shiftHz(target.hz, lastReading(state, sounding)?.aim ?? 0);
  const cents = track.map((value, i) => (i % 2 === 0 ? value : centsBetween(aim, value)));
  const ringsLong = string.spec.material === 'steel' && instrument.kind !== 'banjo';
  return turnCall(talk.called, { track: cents, since, tolerance: state.goal.tolerance, ringsLong });
}

const CALLED_WHILE: readonly Led['kind'][] = ['tuning', 'verdict', 'winding'];

/** A note is over: the coach may know its whole track now. */
function closeNote(talk: BenchTalk): BenchTalk {
  const ringing = talk.ownsTrack ? ringingOf(talk.track) : null;
  const last = talk.plucks.at(-1);
  const plucks =
    ringing && last ? [...talk.plucks.slice(0, -1), { ...last, ringing }] : talk.plucks;
  return {
    ...talk,
    plucks,
    track: [],
    ownsTrack: false,
    sounding: null,
    called: null,
    readAt: 0,
  };
}

/** What is held against the instrument is no reading of it. */
function hearReference(talk: BenchTalk, { outcome }: Outcome): Step {
  const { led: now } = talk;
  // Late: the reference was left meanwhile.
  if (now.kind !== 'reference' || now.hz !== null) return { state: talk, effects: [] };
  return outcome.kind === 'reading'
    ? led({ ...talk, notice: null }, { ...now, hz: outcome.hz })
    : { state: { ...talk, notice: { kind: 'refused', refusal: outcome } }, effects: [] };
}

/** Puts a pluck to its string, and draws from it what else it shows. */
function put(talk: BenchTalk, report: Outcome, asked: BenchAsked, world: BenchWorld): Step {
  // A string that ends still moving is read at its next pluck.
  const { outcome } = report;
  if (outcome.kind === 'turned')
    return {
      state: { ...talk, called: null, notice: { kind: 'refused', refusal: outcome } },
      effects: [],
    };
  const concluded = conclude(report, asked, world, talk);
  const { pluck, notice, event, corrections, notOurs } = concluded;
  // Another instrument changes nothing that is said here, and its figure goes.
  if (notOurs && event && report.outcome.kind === 'reading')
    return {
      state: { ...talk, notOurs, called: null },
      effects: [
        { do: 'stop showing note' },
        { do: 'record', event, measurement: { reading: report.outcome, track: report.track } },
      ],
    };
  const { reading } = pluck;
  // Whoever turns while it rings goes by the figure and not by the amount that was told.
  const turned = reading?.turned ? undefined : toldBefore(talk, world);
  const heardNow = turned === undefined ? pluck : { ...pluck, told: turned };
  const plucks = [...talk.plucks.slice(-MOST_PLUCKS), heardNow];
  const led = talk.led.kind === 'pair' ? talk.led.back : talk.led;
  const questioned = talk.questioned || (notice?.kind === 'doubt' && notice.asks);
  const heard = corrections.reduce(withReading, {
    ...talk,
    led,
    plucks,
    notice,
    notOurs: null,
    questioned,
    answered: false,
    ownsTrack: true,
    ...(reading && { sounding: reading.course }),
    // The string stands still and was read: the sentence is about that reading again.
    ...(reading?.turned && { called: null, readAt: talk.track.at(-2) ?? 0 }),
  });
  const corrected = corrections.flatMap((one) => correctionEffects(one, world));
  if (!event || report.outcome.kind !== 'reading') return { state: heard, effects: [] };
  const measurement = { reading: report.outcome, track: report.track };
  const record = { do: 'record', event, measurement } as const;
  if (!reading) return { state: heard, effects: [record, ...corrected] };
  const announced = announce(afterRecord(heard), reading);
  const told = { ...announced, flat: flatAfter(talk, reading, event, world) };
  const round = pegRound(led);
  if (round) {
    const next = tryTurn(told, round, reading, asked, world);
    return { state: next.state, effects: [record, ...corrected, ...next.effects] };
  }
  const { begins, lets } = handsFree(talk, reading, world);
  const learned = learn(told, world);
  const followed = followIfFar(learned.state, reading, world);
  return {
    state: followed.state,
    effects: [...begins, record, ...corrected, ...lets, ...learned.effects, ...followed.effects],
  };
}

/** Strings that were found flat as a whole are spoken of once, until one of them is brought up. */
function flatAfter(
  { flat }: BenchTalk,
  { hz, cents }: StringReading,
  event: Extract<BenchEvent, { type: 'reading' | 'unattributed' }>,
  { followed }: BenchWorld,
): BenchTalk['flat'] {
  if (flat) return cents > BROUGHT_UP ? { ...flat, said: true } : flat;
  const semitones = semitonesFlat(afterPluck(followed.beliefs, pluckOf(hz, event.pluck ?? {})));
  return semitones === null ? null : { semitones, said: false };
}

/** Puts an earlier pluck to another string, and says so where it had been put to one. */
function correctionEffects(reading: StringReading, { followed }: BenchWorld): BenchEffect[] {
  const { hz, course } = reading;
  const from = followed.plucks.findLast((pluck) => pluck.hz === hz)?.course ?? null;
  const record = { do: 'record', event: attributedTo(reading, 'evidence') } as const;
  return from === null ? [record] : [record, { do: 'tell correction', hz, from, to: course }];
}

type Recorded = Extract<BenchEffect, { do: 'record' }>;

/**
 * What a pluck decides by itself, so that no key is needed: the first one after a pass that had
 * to turn something begins the next pass, and one that closes the string in hand lets it go.
 */
function handsFree(
  { led, ownsTrack }: BenchTalk,
  reading: StringReading,
  { state }: BenchWorld,
): { readonly begins: Recorded[]; readonly lets: Recorded[] } {
  if (plainOf(led).kind === 'by ear') return { begins: [], lets: [] };
  // A string that still rings and is read again is no new pluck.
  const anew = !ownsTrack && passDone(state) && !allInTune(state);
  const begun = anew ? benchAfter(state, { type: 'next pass' }) : state;
  const after = benchAfter(begun, { type: 'reading', reading });
  const entry = stringOf(currentPass(after), reading.course);
  const over = state.chosen === reading.course && entry !== undefined && isClosed(entry);
  return {
    begins: anew ? [{ do: 'record', event: { type: 'next pass' } }] : [],
    lets: over ? [{ do: 'record', event: { type: 'choose', course: null } }] : [],
  };
}

/** Turns that were asked for before a pluck, as its words had them; undefined where something else was said. */
function toldBefore(talk: BenchTalk, world: BenchWorld): number | undefined {
  const saying = benchSaying({ ...talk, notice: null }, world);
  const facts = saying.about === 'fault' ? saying.fault : saying.about === 'next' && saying.step;
  if (!facts || !('turn' in facts) || !facts.turn) return undefined;
  return roundTurns(facts.turn.turns);
}

/** Outside of a peg test a turn that was advised tells of its peg too. */
function learn(talk: BenchTalk, world: BenchWorld): Step {
  const learned = world.practice ? null : pegLearned(talk.plucks, world);
  return { state: talk, effects: learned ? [{ do: 'save peg', ...learned }] : [] };
}

/** Only a pluck of the string in hand, made after its step was asked for, moves the round on. */
function tryTurn(
  talk: BenchTalk,
  round: PegTestRound,
  reading: StringReading,
  { peg: asked }: BenchAsked,
  { instrument, practice }: BenchWorld,
): Step {
  const [course] = round.toCome;
  const answers = asked?.course === course && asked?.step === stepOf(round);
  if (course === undefined || reading.course !== course || !answers)
    return { state: talk, effects: [] };
  const { round: after, event, peg } = pegTestAfter(round, reading.hz, instrument);
  const told = event ? act(talk, event) : { state: talk, effects: [] };
  // A practice instrument's pegs tell nothing of a real one's.
  const save = peg && !practice ? [{ do: 'save peg', course, peg } as const] : [];
  const next =
    after.toCome[0] === course
      ? led(told.state, { kind: 'pegs', round: after })
      : tryPeg(told.state, after);
  return { state: next.state, effects: [...told.effects, ...save, ...next.effects] };
}

interface Concluded {
  readonly pluck: HeardPluck;
  readonly notice: Notice | null;
  /** What is put on record; null where nothing was read. */
  readonly event: Extract<BenchEvent, { type: 'reading' | 'unattributed' }> | null;
  /** Earlier plucks that by now are known to be of another string, as readings of that. */
  readonly corrections: readonly StringReading[];
  readonly notOurs?: BenchTalk['notOurs'];
}

/** What a pluck comes to: a reading of a string, a doubt which one it was, or why it is none. */
function conclude(
  { outcome, track, clipped, again }: Outcome,
  asked: BenchAsked,
  world: BenchWorld,
  { questioned, notice, newest, track: whole }: BenchTalk,
): Concluded {
  const ringing = ringingOf(again ? whole : track);
  const plain = { chosen: asked.chosen, ringing, clipped, reading: null };
  if (outcome.kind !== 'reading')
    return refused({ ...plain, levelDbfs: null, refusal: outcome }, outcome);
  const pluck = { ...plain, hz: outcome.hz, levelDbfs: outcome.levelDbfs, refusal: null };
  const same = again && notice === null && newest ? newest.reading.course : null;
  const { presence } = outcome;
  const facts = {
    ...factsOf(outcome, asked),
    ...(same !== null && { sameNote: true as const }),
    // A practice instrument is in no room.
    ...(presence && !world.practice && { presence }),
  };
  const judged = judge(outcome, facts, world.followed, questioned, same);
  const { who } = judged;
  if (who.kind === 'not ours') {
    const event = unattributed(outcome, { ...facts, others: true });
    const notOurs = { hz: outcome.hz, course: who.course };
    return { pluck, notice: null, event, corrections: [], notOurs };
  }
  const corrections = judged.corrections.flatMap(({ hz, to }) => putTo(hz, to, world) ?? []);
  // What is not put on record corrects nothing: a replay would not know why.
  if (who.kind === 'touched') return { pluck, notice: who, event: null, corrections: [] };
  if (who.kind === 'doubt')
    return {
      pluck,
      notice: { ...who, outcome },
      event: unattributed(outcome, facts),
      corrections,
    };
  const reading = who.kind === 'string' && readingOf(outcome, who.course, hearingIn(world));
  if (!reading) return refused({ ...pluck, refusal: NO_PITCH }, NO_PITCH);
  return {
    pluck: { ...pluck, reading },
    notice: null,
    event: { type: 'reading', reading, pluck: facts },
    corrections,
  };
}

const NO_PITCH: Refusal = { kind: 'not sure', reason: 'no pitch' };

function refused(pluck: HeardPluck, refusal: Refusal): Concluded {
  return { pluck, notice: { kind: 'refused', refusal }, event: null, corrections: [] };
}
