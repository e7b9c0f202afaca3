import type { Next } from '@rosefinch/core/dialogue';
import { useCallback, useRef, useState } from 'react';

/** A conversation that a view is in: what it stands at, and the way to go on. */
export interface Dialogue<State, Input> {
  readonly talk: State;
  readonly send: (input: Input) => void;
}

/** A pure machine and the world that it speaks to. */
export interface Wiring<State, Input, Effect, World> {
  readonly start: () => State;
  readonly machine: (state: State, input: Input, world: World) => Next<State, Effect>;
  /** What is true at the moment of an input, however long ago the view was drawn. */
  readonly world: () => World;
  readonly perform: (effect: Effect) => void;
}

/** Runs a machine: each input at once, its effects in their order, and the view drawn anew where it shows. */
export function useDialogue<State, Input, Effect, World>(
  wiring: Wiring<State, Input, Effect, World>,
): Dialogue<State, Input> {
  const [talk, setTalk] = useState(wiring.start);
  const now = useRef(talk);
  const latest = useRef(wiring);
  latest.current = wiring;
  const send = useCallback((input: Input) => {
    const { machine, world, perform } = latest.current;
    const { state, effects, quiet = false } = machine(now.current, input, world());
    now.current = state;
    if (!quiet) setTalk(state);
    for (const effect of effects) perform(effect);
  }, []);
  return { talk, send };
}
