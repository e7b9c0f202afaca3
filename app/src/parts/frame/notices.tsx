import { type Message, message, type Value } from '@rosefinch/core/message';
import { createContext, type ReactNode, use, useSyncExternalStore } from 'react';
import { useWords } from '../words/index.ts';

/** Something that concerns the whole application, or that can be taken back. */
export interface Notice {
  readonly message: Value;
  readonly action?: { readonly label: Message; readonly act: () => void };
  /** It is no trouble: told politely, and put away by its button. */
  readonly calm?: true;
}

/** The newest notice, and those who want to know of it. */
export class Notices {
  latest: Notice | null = null;
  private readonly watchers = new Set<() => void>();

  say(notice: Notice): void {
    this.show(notice);
  }

  putAway(): void {
    this.show(null);
  }

  /** Says what was done, and how to take it back; answers the way to put it away. */
  undoable(said: Value, undo: () => unknown): () => void {
    const act = () => {
      void undo();
      this.putAway();
    };
    const notice = {
      message: said,
      action: { label: message('common.undo'), act },
      calm: true,
    } as const;
    this.say(notice);
    return () => {
      if (this.latest === notice) this.putAway();
    };
  }

  /** Calls `watcher` on every notice; returns an unsubscribe function. */
  subscribe = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  };

  private show(notice: Notice | null): void {
    this.latest = notice;
    for (const watcher of this.watchers) watcher();
  }
}

const NoticesContext = createContext<Notices | null>(null);

export function NoticesProvider({ value, children }: { value: Notices; children: ReactNode }) {
  return <NoticesContext value={value}>{children}</NoticesContext>;
}

export function useNotices(): Notices {
  const notices = use(NoticesContext);
  if (!notices) throw new Error('useNotices outside of NoticesProvider');
  return notices;
}

/** The newest notice, above every view. */
export function NoticeLine() {
  const t = useWords();
  const notices = useNotices();
  const notice = useSyncExternalStore(notices.subscribe, () => notices.latest);
  if (!notice) return null;
  const says = (
    <>
      {t.value(notice.message)}{' '}
      {notice.action && (
        <button type="button" className="link" onClick={notice.action.act}>
          {t(notice.action.label)}
        </button>
      )}
    </>
  );
  if (!notice.calm)
    return (
      <div className="problem" role="alert">
        {says}
      </div>
    );
  return (
    <section className="notice" aria-label={t('common.notice')} aria-live="polite">
      {says}{' '}
      <button type="button" className="link" onClick={() => notices.putAway()}>
        {t('common.close')}
      </button>
    </section>
  );
}
