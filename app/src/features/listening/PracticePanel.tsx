import type { ReactNode } from 'react';
import { Action, signedCents } from '../../ui/index.ts';
import type { Hands } from './hands.ts';

interface Props {
  readonly hands: Hands;
  readonly course: number;
  /** What the view adds. */
  readonly children: ReactNode;
}

/** The practice instrument's strings and pegs, on screen. */
export function PracticePanel({ hands, course, children }: Props) {
  return (
    <section aria-label="Practice instrument">
      <div className="practice">
        <Action onAct={hands.pluck} hotkey="P">
          Pluck string {course}
        </Action>
        <Action onAct={hands.up} hotkey="↑">
          Tighten a hair
        </Action>
        <Action onAct={hands.down} hotkey="↓">
          Loosen a hair
        </Action>
        <Action onAct={hands.upMore} hotkey="⇧↑">
          Tighten more
        </Action>
        <Action onAct={hands.downMore} hotkey="⇧↓">
          Loosen more
        </Action>
        <Action onAct={hands.mute} hotkey="M">
          Mute
        </Action>
        {children}
      </div>
    </section>
  );
}

/** Where the practice strings truly lie, for those who want to check their reading of the bench. */
export function Truth({ deviations }: { deviations: readonly number[] }) {
  const strings = deviations.map((cents, i) => `${i + 1}: ${signedCents(cents)}`).reverse();
  return (
    <span role="note" aria-label="Where the practice strings truly are">
      the strings truly are, from the highest number, {strings.join(' · ')} cents
    </span>
  );
}
