import type { LabelId } from '@rosefinch/core/message';
import type { Settings } from '../../data/index.ts';
import { type JobView, type KeyActs, type KeyMap, keyLines } from '../frame/index.ts';

/** The keys of a job, with the one that a pedal or clicker was learned for. */
export function withLearned<View extends JobView>(
  keys: KeyMap,
  view: View,
  acts: KeyActs<View>,
  { pedals }: Pick<Settings, 'pedals'>,
): KeyMap {
  const learned = pedals[view];
  const act =
    learned && (acts as Readonly<Record<string, ((key: string) => void) | null>>)[learned.act];
  if (!learned || !act) return keys;
  return { ...keys, [learned.key]: () => act(learned.key) };
}

/** What a pedal can be learned for: acts that need no digit. */
export function learnable(
  view: JobView,
): readonly { readonly act: string; readonly does: LabelId }[] {
  return keyLines(view).flatMap(([act, { keys, does }]) =>
    keys.length === 1 ? [{ act, does }] : [],
  );
}
