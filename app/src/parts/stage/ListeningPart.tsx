import { IconAdjustmentsHorizontal } from '@tabler/icons-react';
import { lazy, Suspense, useState } from 'react';
import { type Settings, useData } from '../../data/index.ts';
import { Action, IconAction, KEY_TABLE } from '../frame/index.ts';
import type { Wanted } from '../listening/index.ts';
import { useWords } from '../words/index.ts';
import { type ListeningHere, nameOf, SOURCES } from './sources.ts';

const SourcesDialog = lazy(() => import('./SourcesDialog.tsx'));
const KEY = KEY_TABLE.bench.listen.shown;

/** What the L key does: stops, or listens to what was listened to last. */
export function listeningKey({ listening, usual, disabled }: ListeningHere): (() => void) | null {
  if (disabled || !usual) return null;
  return () => (listening.source ? listening.stop() : listening.listen(usual));
}

interface Props {
  readonly here: ListeningHere;
  readonly settings: Settings;
  /** Told whether the sources are unfolded. */
  readonly onUnfold?: (unfolded: boolean) => void;
}

/** What is listened to: while nothing is, a button for each source; the rest folds away. */
export function ListeningPart({ here, settings, onUnfold }: Props) {
  const t = useWords();
  const { listening, kind, disabled = false, usual } = here;
  const { source, listen, stop } = listening;
  const [opened, setOpened] = useState(false);
  const unfold = (is: boolean) => {
    setOpened(is);
    onUnfold?.(is);
  };
  return (
    <div className="listening">
      {source ? (
        <Action onAct={stop} {...(usual && { hotkey: KEY })} pressed>
          {t('common.listening')}
        </Action>
      ) : (
        SOURCES.map((one) => (
          <Action
            key={one}
            onAct={() => listen(one)}
            // The sentence asks for it.
            main={one === 'microphone'}
            disabled={disabled}
            {...(one === usual && { hotkey: KEY })}
          >
            {t(nameOf(one, kind))}
          </Action>
        ))
      )}
      <IconAction label={t('common.whatIsListenedTo')} onAct={() => unfold(true)}>
        <IconAdjustmentsHorizontal size={20} />
      </IconAction>
      <Suspense>
        {opened && <SourcesDialog here={here} settings={settings} onClose={() => unfold(false)} />}
      </Suspense>
    </div>
  );
}

/** What L begins with: real strings by the microphone, the invented library by practice. */
export function useUsualSource(): Wanted {
  const { shelf } = useData();
  return shelf === 'demo' ? 'practice' : 'microphone';
}
