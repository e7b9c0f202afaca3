import { message, type Value } from '@rosefinch/core/message';
import { lazy, Suspense } from 'react';
import { type Settings, useData } from '../../data/index.ts';
import { Finder } from '../finder/index.ts';
import { type JobView, type KeyActs, keyLines, keyName } from '../frame/index.ts';
import { useWords } from '../words/index.ts';

const MoreFoot = lazy(() => import('./MoreFoot.tsx'));

/** Something that can be done and has no key. */
export interface PlainAction {
  readonly label: Value;
  readonly act: () => void;
}

interface Props<View extends JobView> {
  readonly view: View;
  readonly acts: KeyActs<View>;
  readonly actions: readonly PlainAction[];
  readonly settings: Settings;
  readonly opened: boolean;
  readonly onClose: () => void;
}

/** Every action of a job with its key, searched; below it the switch for keys, and a pedal. */
export function More<View extends JobView>({
  view,
  acts,
  actions,
  settings,
  ...list
}: Props<View>) {
  const t = useWords();
  const { repository } = useData();
  const can = acts as Readonly<Record<string, ((key: string) => void) | null>>;
  const lines = keyLines(view).filter(([name]) => can[name] && name !== 'more');
  const byKey = lines.map(([name, { keys, shown, does }]) => ({
    id: name,
    label: t(does),
    hotkey: t.value(keyName(shown)),
    // A line of digits says what they do; which one is meant only a key can say.
    act: () => keys.length < 3 && can[name]?.(keys[0] ?? ''),
  }));
  const others = [
    ...actions,
    { label: message('common.fullScreenOrBack'), act: toggleFullScreen },
  ].map(({ label, act }) => ({ id: t.value(label), label: t.value(label), act }));
  return (
    <Finder
      {...list}
      label={t('common.findAnAction')}
      groups={[
        { group: t('common.byKey'), entries: byKey },
        { group: t('common.others'), entries: others },
      ]}
    >
      <Suspense>
        <MoreFoot {...{ view, settings }} onSet={(set) => void repository.saveSettings(set)} />
      </Suspense>
    </Finder>
  );
}

function toggleFullScreen(): void {
  const { fullscreenElement, documentElement } = document;
  // A browser may refuse; then all stays as it is.
  const asked = fullscreenElement ? document.exitFullscreen() : documentElement.requestFullscreen();
  asked.catch(() => {});
}
