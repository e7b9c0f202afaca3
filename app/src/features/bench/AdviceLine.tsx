import { type AdviceSources, adviceNow } from './advice.ts';

/** What to do now, in one sentence and one more line. */
export function AdviceLine(sources: AdviceSources) {
  const advice = adviceNow(sources);
  return (
    <div role="status" aria-live="polite">
      <p className="advice">{advice.say}</p>
      <p className="advice-more">{advice.more}</p>
    </div>
  );
}
