import { list } from '@rosefinch/core/message';
import type { ReactNode } from 'react';
import { useWords } from '../words/index.ts';
import { keyName } from './keyTable.ts';

interface Props {
  /** What it does, in words: its name, and its tooltip together with the key. */
  readonly label: string;
  readonly onAct: () => void;
  readonly hotkey?: string | undefined;
  readonly pressed?: boolean;
  readonly disabled?: boolean;
  /** The icon. */
  readonly children: ReactNode;
}

/** A small button that shows an icon and, on its tooltip, what it does and its key. */
export function IconAction({ label, onAct, hotkey, pressed, disabled, children }: Props) {
  const t = useWords();
  return (
    <button
      type="button"
      className="icon-action"
      aria-label={label}
      aria-pressed={pressed}
      aria-keyshortcuts={hotkey}
      disabled={disabled}
      data-tip={hotkey ? t.value(list([label, keyName(hotkey)], 'points')) : label}
      onClick={(event) => {
        if (event.detail > 0) event.currentTarget.blur();
        onAct();
      }}
    >
      {children}
    </button>
  );
}
