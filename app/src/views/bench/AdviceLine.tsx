import { Button } from '@mantine/core';
import { benchFault, benchSaying } from '@rosefinch/core/dialogue';
import { sayingInWords } from '@rosefinch/core/words';
import { SentenceLine } from '../../parts/listening/index.ts';
import { tenths } from './HeardReference.tsx';
import type { Bench } from './useBench.ts';

/** What to do now, in one sentence and, for learners, one more line. */
export function AdviceLine({ bench: { talk, world, send, stock } }: { readonly bench: Bench }) {
  const sentence = sayingInWords(benchSaying(talk, world));
  const fault = benchFault(talk, world);
  const a4 = fault?.rule === 'in tune with itself' ? fault.ownA4 : null;
  return (
    <>
      <SentenceLine sentence={sentence} short={stock.settings.wording === 'short'} />
      {a4 !== null && (
        <Button onClick={() => send({ type: 'take A4', a4: tenths(a4) })}>
          Set A4 to {a4.toFixed(1)} Hz
        </Button>
      )}
    </>
  );
}
