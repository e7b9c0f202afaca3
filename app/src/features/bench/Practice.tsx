import { Action, signedCents } from '../../ui/index.ts';
import type { Hands } from './hands.ts';

interface Props {
  readonly hands: Hands;
  readonly course: number;
  readonly showTruth: boolean;
  readonly onShowTruth: () => void;
}

/** The practice guitar's strings and pegs, on screen. */
export function Practice({ hands, course, showTruth, onShowTruth }: Props) {
  return (
    <section aria-label="Practice guitar">
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
        <Action onAct={onShowTruth} pressed={showTruth} hotkey="T">
          Its own truth
        </Action>
      </div>
    </section>
  );
}

/** Where the practice strings truly lie, for those who want to check their reading of the bench. */
export function Truth({ deviations }: { deviations: readonly number[] }) {
  const strings = deviations.map((cents, i) => `${i + 1}: ${signedCents(cents)}`).reverse();
  return (
    <span role="note" aria-label="The practice guitar’s own truth">
      its own truth, string by string, {strings.join(' · ')} cents
    </span>
  );
}
