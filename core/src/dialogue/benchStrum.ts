import {
  allInTune,
  type BenchState,
  benchAfter,
  offBy,
  passDone,
  type StringReading,
} from '../sitting/index.ts';
import { hearStrum } from '../state/index.ts';
import type { BenchEffect, BenchHearing, BenchTalk, BenchWorld } from './benchTypes.ts';
import type { Next } from './machine.ts';

type Strum = Extract<BenchHearing, { type: 'strum' }>;
type Step = Next<BenchTalk, BenchEffect>;

/** Waits for a strum over all strings, or no longer. */
export function askStrum(talk: BenchTalk): Step {
  const expected = talk.notice?.kind !== 'strum asked';
  return {
    state: { ...talk, notice: expected ? { kind: 'strum asked' } : null, answered: true },
    effects: [{ do: 'expect strum', expected }],
  };
}

/** The ear waits for a strum just as long as the page says so. */
export function strumLetGo(before: BenchTalk, next: Step): Step {
  const waits = ({ notice }: BenchTalk) => notice?.kind === 'strum asked';
  const told = next.effects.some((effect) => effect.do === 'expect strum');
  if (told || !waits(before) || waits(next.state)) return next;
  return { ...next, effects: [{ do: 'expect strum', expected: false }, ...next.effects] };
}

/** Puts every string that a strum was sure of on record, those that are off last: the first of them is in hand then. */
export function hearStrummed(talk: BenchTalk, strum: Strum, world: BenchWorld): Step {
  const { strings } = strum;
  const like = strum.like.map(({ id, name }) => ({ id, name }));
  // Strings of another tuning tell nothing of this one.
  if (like.length > 0 && !like.some(({ id }) => id === world.tuning?.id))
    return {
      state: { ...talk, notice: { kind: 'strum', heard: [], alone: [], like }, answered: true },
      effects: [],
    };
  const { state, heard, before, fitted, coupling, aiming, strings: known } = world;
  const readings = hearStrum(strings, {
    state,
    intended: null,
    strings: known,
    heard,
    before,
    fitted,
    coupling: aiming ? coupling : null,
  });
  const anew = passDone(state) && !allInTune(state);
  const ordered = inHandLast(readings, state);
  const events = [
    ...(anew ? [{ type: 'next pass' } as const] : []),
    ...ordered.map((reading) => ({ type: 'reading', reading }) as const),
  ];
  const after = events.reduce(benchAfter, state);
  const sure = new Set(readings.map(({ course }) => course));
  const alone = strings.map(({ course }) => course).filter((course) => !sure.has(course));
  const done = passDone(after) && alone.length === 0;
  return {
    state: {
      ...talk,
      notice: done ? null : { kind: 'strum', heard: [...sure], alone, like: [] },
      answered: true,
    },
    effects: events.map((event) => ({ do: 'record', event }) as const),
  };
}

/** Strings that are right first, then those that are off, from the last one in the order to the first. */
function inHandLast(readings: readonly StringReading[], { goal }: BenchState): StringReading[] {
  const { order, tolerance } = goal;
  const place = ({ course }: StringReading) => order.indexOf(course);
  const isOff = (reading: StringReading) => Math.abs(offBy(reading)) > tolerance;
  return [...readings].sort((a, b) => Number(isOff(a)) - Number(isOff(b)) || place(b) - place(a));
}
