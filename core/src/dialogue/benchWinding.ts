import type { WoundPitch } from '../listen/index.ts';
import type { BenchEffect, BenchInput, BenchTalk, BenchWorld, Led } from './benchTypes.ts';
import type { Next } from './machine.ts';
import {
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
    effects: [{ do: 'follow winding', string }],
  };
}

/** While strings are wound only what was heard of them counts; what leads elsewhere ends it. */
export function whileWinding(
  talk: BenchTalk,
  input: BenchInput,
  world: WhileWinding,
  answer: (talk: BenchTalk, input: BenchInput, world: BenchWorld) => Step,
): Step {
  const { round, targets } = world;
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
  const stops: BenchEffect = { do: 'follow winding', string: null };
  const over = input.type === 'wind' || input.type === 'accept' || input.type === 'choose';
  if (over) return { state: ended, effects: [stops] };
  const next = answer(ended, input, world);
  return { ...next, effects: [stops, ...next.effects] };
}

function hearWound(talk: BenchTalk, pitch: WoundPitch, world: WhileWinding): Step {
  const { round } = world;
  const after = woundTo(round, pitch);
  const before = windingTask(round, world);
  const now = windingTask(after, world);
  if (after.toCome[0] !== round.toCome[0]) return windOn(talk, after, world);
  const same = JSON.stringify(before) === JSON.stringify(now);
  const stops = now.kind === 'stop' || now.kind === 'near breaking';
  const aloud = stops && now.kind !== before.kind;
  return {
    state: { ...talk, led: { kind: 'winding', round: after } },
    effects: aloud
      ? [{ do: 'say', saying: { about: 'winding', task: now }, right: now.kind === 'stop' }]
      : [],
    ...(same && { quiet: true as const }),
  };
}
