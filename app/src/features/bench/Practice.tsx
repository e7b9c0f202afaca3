import { Action, signedCents } from '../../ui/index.ts';
import type { Hands } from './hands.ts';

interface Props {
  readonly hands: Hands;
  readonly course: number;
  readonly truth: readonly number[] | null;
  readonly showTruth: boolean;
  readonly onShowTruth: () => void;
}

/** The practice guitar's strings and pegs, on screen. */
export function Practice({ hands, course, truth, showTruth, onShowTruth }: Props) {
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
      {showTruth && truth && (
        <p className="strip" role="note" aria-label="The practice guitar’s own truth">
          {truth
            .map((cents, i) => `string ${i + 1}: ${signedCents(cents)}`)
            .reverse()
            .join(' · ')}{' '}
          cents
        </p>
      )}
    </section>
  );
}
