import { message, type Value } from '@rosefinch/core/message';
import { useWords } from '../words/index.ts';
import './foot.css';
import type { ReactNode } from 'react';
import {
  Action,
  type ActOf,
  type JobView,
  KEY_TABLE,
  type KeyActs,
  type KeyLine,
} from '../frame/index.ts';

/** One of the few buttons of the foot: by the name under which its key stands in the table, or without a key. */
export interface FootButton<View extends JobView> {
  readonly act: ActOf<View> | (() => void);
  readonly label: Value;
  readonly pressed?: boolean;
  /** It does what the sentence asks for: at most one of them. */
  readonly filled?: boolean;
}

interface Props<View extends JobView> {
  readonly view: View;
  readonly acts: KeyActs<View>;
  readonly buttons: readonly FootButton<View>[];
  /** Nothing is listened to yet: what the sentence asks for is a source. */
  readonly idle: boolean;
  readonly says: Value | null;
  /** What is listened to. */
  readonly children: ReactNode;
}

/** What is listened to, the room in words, and what is done next. */
export function Foot<View extends JobView>(props: Props<View>) {
  const { view, acts, buttons, idle, says, children } = props;
  const t = useWords();
  const lines: Readonly<Record<string, KeyLine>> = KEY_TABLE[view];
  const more: FootButton<View> = { act: 'more' as ActOf<View>, label: message('common.more') };
  return (
    <section className="foot" aria-label={t('common.actions')}>
      {children}
      <div className="foot-says">{says !== null && t.value(says)}</div>
      <div className="foot-actions">
        {[...buttons, more].map(({ act, label, pressed, filled }, i) => {
          const does = typeof act === 'function' ? act : acts[act];
          const hotkey = typeof act === 'function' ? undefined : lines[String(act)]?.shown;
          return (
            <Action
              key={i === buttons.length ? 'more' : i}
              main={!idle && filled === true}
              disabled={does === null}
              {...(hotkey !== undefined && { hotkey })}
              {...(pressed !== undefined && { pressed })}
              onAct={() => does?.(hotkey ?? '')}
            >
              {t.value(label)}
            </Action>
          );
        })}
      </div>
    </section>
  );
}
