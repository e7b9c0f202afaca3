/** What comes of an input: the state after it, and what is to be done in the world, in this order. */
export interface Next<State, Effect> {
  readonly state: State;
  readonly effects: readonly Effect[];
  /** Nothing that is shown has changed. */
  readonly quiet?: true;
}
