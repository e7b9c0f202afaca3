import type { Value } from '@rosefinch/core/message';
import { useWords } from '../words/index.ts';
/** Why a form was not stored; nothing while there is no reason. */
export function NotSaved({ reason }: { reason: Value | null }) {
  const t = useWords();
  if (reason === null) return null;
  return (
    <div className="problem" role="alert">
      <strong>{t('parts.notSaved2')}</strong>
      {t.value(reason)}
    </div>
  );
}
