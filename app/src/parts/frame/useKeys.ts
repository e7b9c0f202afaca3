import { useLayoutEffect, useRef } from 'react';

/** What each key does; names as in KeyboardEvent.key, "Shift+" in front where it applies. */
export type KeyMap = Readonly<Record<string, () => void>>;

const TYPING =
  'input:not([type="radio"]), textarea, select, [contenteditable="true"], [role="dialog"]';

/**
 * Listens to keys while `enabled`; `first` before any other keys that listen so far. Keys do nothing while typing in a field, and
 * a focused button keeps Space and Enter to itself.
 */
export function useKeys(keys: KeyMap, enabled: boolean, first = false): void {
  const current = useRef(keys);
  current.current = keys;
  // There as soon as the view is drawn: an effect would come a moment after it.
  useLayoutEffect(() => {
    if (!enabled) return;
    const onKey = (event: KeyboardEvent) => {
      const act = isForKeys(event) ? actOf(event, current.current) : undefined;
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey, first);
    return () => window.removeEventListener('keydown', onKey, first);
  }, [enabled, first]);
}

/** Keys do nothing while something is typed; a focused button keeps Space and Enter, a choice its arrows. */
function isForKeys(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return false;
  const target = event.target instanceof Element ? event.target : null;
  const presses = event.key === ' ' || event.key === 'Enter';
  // A choice of several is gone through by arrows; all other keys are the view's again.
  const steps = event.key === ' ' || event.key.startsWith('Arrow');
  return (
    !target?.closest(TYPING) &&
    !(presses && target?.closest('button, a')) &&
    !(steps && target?.matches('input'))
  );
}

/** What a key does: with Shift where that has a meaning of its own, else by its name, else by its digit. */
function actOf(event: KeyboardEvent, keys: KeyMap): (() => void) | undefined {
  const name = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  return keys[event.shiftKey ? `Shift+${name}` : name] ?? keys[name] ?? keys[digitOf(event)];
}

/** The digit on the cap, also where the layout gives it with Shift alone. @example digitOf({ code: 'Digit4' }) // => '4' */
function digitOf({ code }: Pick<KeyboardEvent, 'code'>): string {
  return /^(?:Digit|Numpad)(\d)$/.exec(code)?.[1] ?? '';
}
