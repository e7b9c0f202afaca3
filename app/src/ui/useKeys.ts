import { useLayoutEffect, useRef } from 'react';

/** What each key does; names as in KeyboardEvent.key, "Shift+" in front where it applies. */
export type KeyMap = Readonly<Record<string, () => void>>;

const TYPING = 'input, textarea, select, [contenteditable="true"], [role="dialog"]';

/**
 * Listens to keys while `enabled`. Keys do nothing while typing in a field, and
 * a focused button keeps Space and Enter to itself.
 */
export function useKeys(keys: KeyMap, enabled: boolean): void {
  const current = useRef(keys);
  current.current = keys;
  // There as soon as the view is drawn: an effect would come a moment after it.
  useLayoutEffect(() => {
    if (!enabled) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      const target = event.target instanceof Element ? event.target : null;
      if (target?.closest(TYPING)) return;
      if ((event.key === ' ' || event.key === 'Enter') && target?.closest('button, a')) return;
      const name = event.key.length === 1 ? event.key.toLowerCase() : event.key;
      const act = current.current[event.shiftKey ? `Shift+${name}` : name] ?? current.current[name];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [enabled]);
}
