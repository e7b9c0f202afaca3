import type { ReactNode } from 'react';
import { useWords } from '../words/index.ts';
import { keyName } from './keyTable.ts';

interface Props {
  readonly onAct: () => void;
  readonly hotkey?: string;
  readonly disabled?: boolean;
  readonly pressed?: boolean;
  /** What is done next, most of the time. */
  readonly main?: boolean;
  readonly children: ReactNode;
}

/**
 * A button that names its key. After a click it gives up the focus, so that
 * Space goes on meaning "accept" and never fires it a second time.
 */
export function Action({ onAct, hotkey, disabled, pressed, main = false, children }: Props) {
  const t = useWords();
  return (
    <button
      type="button"
      className="action"
      data-main={main}
      disabled={disabled}
      aria-pressed={pressed}
      aria-keyshortcuts={hotkey}
      onClick={(event) => {
        if (event.detail > 0) event.currentTarget.blur();
        onAct();
      }}
    >
      <span key={String(children)}>{children}</span>
      {hotkey && <kbd>{t.value(keyName(hotkey))}</kbd>}
    </button>
  );
}
