import type { WoundPitch } from '../listen/index.ts';
import type { WindingTask } from '../sentences/index.ts';
import { offBy, type StringReading } from '../sitting/index.ts';
import type { Cents } from '../units.ts';
import type { BenchEffect, BenchInput, BenchTalk, BenchWorld, Led } from './benchTypes.ts';
import type { Next } from './machine.ts';
import {
  followInSession,
  leaveWinding,
  startWinding,
  stringToWind,
  type WindingRound,
  windFirst,
  windingTask,
  woundTo,
} from './winding.ts';

type Step = Next<BenchTalk, BenchEffect>;
type WhileWinding = BenchWorld & { readonly round: WindingRound };

/** A string that is read further below its note than this is followed while it is tuned up. */
const FOLLOWED_BELOW: Cents = -350;

/** The strings that are wound up from slack, while they are. */
export function windingRound(led: Led): WindingRound | null {
  return led.kind === 'winding' ? led.round : null;
}

/**
 * The string that was chosen, or every one in the order in which they are tuned. What was read
 * before tells nothing of strings that are put on anew: they begin a session of their own.
 */
export function beginWinding(talk: BenchTalk, world: BenchWorld): Step {
  const { chosen, goal } = world.state;
  const round = startWinding(chosen === null ? goal.order : [chosen]);
  const plucks = { plucks: [], notice: null, answered: true } as const;
  const begun = windOn({ ...talk, ...plucks }, round, world);
  const afresh = world.heard.length > 0 ? [{ do: 'start afresh', undoable: false } as const] : [];
  return { ...begun, effects: [...afresh, ...begun.effects] };
}

/** Goes on with a round; the ear follows the string in hand. */
function windOn(talk: BenchTalk, round: WindingRound, world: BenchWorld): Step {
  const string = stringToWind(round, world, world.strings);
  return {
    state: { ...talk, led: { kind: 'winding', round } },
    effects: [{ do: 'follow winding', string, inSession: round.inSession }],
  };
}

/** Follows a string that was just read far below its note; the session goes on, and plucks are read. */
export function followIfFar(talk: BenchTalk, reading: StringReading, world: BenchWorld): Step {
  const before = windingRound(talk.led);
  const goesOn = before?.toCome[0] === reading.course && offBy(reading) < NEAR_ENOUGH;
  if (goesOn) return { state: talk, effects: [] };
  const ended: Step = before
    ? { state: { ...talk, led: { kind: 'tuning' } }, effects: [FOLLOW_NONE] }
    : { state: talk, effects: [] };
  const { kind } = ended.state.led;
  const round = followInSession(reading.course);
  const begins =
    offBy(reading) < FOLLOWED_BELOW &&
    (kind === 'tuning' || kind === 'verdict') &&
    // One that would break on the way is not wound: the sentence says so.
    windingTask(round, world).kind !== 'too high';
  return begins ? windOn(ended.state, round, world) : ended;
}

/** A string that is followed is fine-tuned from here on. */
const NEAR_ENOUGH: Cents = -70;

const FOLLOW_NONE: BenchEffect = { do: 'follow winding', string: null, inSession: false };

/** While strings are wound only what was heard of them counts; what leads elsewhere ends it. */
export function whileWinding(
  talk: BenchTalk,
  input: BenchInput,
  world: WhileWinding,
  answer: (talk: BenchTalk, input: BenchInput, world: BenchWorld) => Step,
): Step {
  const { round, targets } = world;
  if (round.inSession) return whileInSession(talk, input, world, answer);
  switch (input.type) {
    case 'heard':
      return input.heard.type === 'wound'
        ? hearWound(talk, input.heard.pitch, world)
        : { state: talk, effects: [], quiet: true };
    case 'accept':
      if (round.toCome.length > 0) return windOn(talk, leaveWinding(round), world);
      break;
    case 'choose':
      if (input.course !== null && targets[input.course - 1])
        return windOn(talk, windFirst(round, input.course), world);
      break;
    case 'sound target':
    case 'listen':
    case 'next pass':
      return answer(talk, input, world);
  }
  const ended: BenchTalk = { ...talk, led: { kind: 'tuning' } };
  const over = input.type === 'wind' || input.type === 'accept' || input.type === 'choose';
  if (over) return { state: ended, effects: [FOLLOW_NONE] };
  const next = answer(ended, input, world);
  return { ...next, effects: [FOLLOW_NONE, ...next.effects] };
}

/** While one string is followed in the session its plucks are read as ever; whatever else is done ends it. */
function whileInSession(
  talk: BenchTalk,
  input: BenchInput,
  world: WhileWinding,
  answer: (talk: BenchTalk, input: BenchInput, world: BenchWorld) => Step,
): Step {
  const isOver = world.round.toCome.length === 0;
  if (input.type === 'heard') {
    const { heard } = input;
    if (heard.type === 'wound') return hearWound(talk, heard.pitch, world);
    // A string that is being wound often gives no reading: it is followed all the same.
    const ends = heard.type === 'strum' || heard.type === 'pair';
    const refused = heard.type === 'outcome' && heard.outcome.kind !== 'reading';
    if (refused && !isOver) return { state: { ...talk, called: null }, effects: [] };
    if (!ends && !(isOver && heard.type === 'outcome')) return answer(talk, input, world);
  }
  const ended: BenchTalk = { ...talk, led: { kind: 'tuning' } };
  const next: Step =
    input.type === 'wind' ? { state: ended, effects: [] } : answer(ended, input, world);
  return { ...next, effects: [FOLLOW_NONE, ...next.effects] };
}

function hearWound(talk: BenchTalk, pitch: WoundPitch, world: WhileWinding): Step {
  const { round } = world;
  const after = woundTo(round, pitch, world.targets);
  const before = windingTask(round, world);
  const now = windingTask(after, world);
  if (after.toCome[0] !== round.toCome[0]) {
    const next = windOn(talk, after, world);
    const stops = before.kind === 'stop' || now.kind !== 'stop' ? [] : [aloudOf(now)];
    return { ...next, effects: [...next.effects, ...stops] };
  }
  const same = JSON.stringify(before) === JSON.stringify(now);
  const stops = now.kind === 'stop' || now.kind === 'near breaking';
  const aloud = stops && now.kind !== before.kind;
  return {
    state: { ...talk, led: { kind: 'winding', round: after } },
    effects: aloud ? [aloudOf(now)] : [],
    ...(same && { quiet: true as const }),
  };
}

function aloudOf(task: WindingTask): BenchEffect {
  return { do: 'say', saying: { about: 'winding', task }, right: task.kind === 'stop' };
}
