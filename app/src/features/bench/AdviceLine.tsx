import { Button } from '@mantine/core';
import { type AdviceSources, adviceNow, faultNow } from './advice.ts';
import { tenths } from './HeardReference.tsx';

interface Props extends AdviceSources {
  /** Takes another reference pitch from now on. */
  readonly onTakeA4: (a4: number) => void;
}

/** What to do now, in one sentence and, for learners, one more line. */
export function AdviceLine(props: Props) {
  const advice = adviceNow(props);
  const a4 = faultNow(props)?.a4;
  return (
    <>
      <div role="status" aria-live="polite">
        <p className="advice">{advice.say}</p>
        {props.settings.wording === 'full' && <p className="advice-more">{advice.more}</p>}
      </div>
      {a4 !== undefined && (
        <Button onClick={() => props.onTakeA4(tenths(a4))}>Set A4 to {a4.toFixed(1)} Hz</Button>
      )}
    </>
  );
}
