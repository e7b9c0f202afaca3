import { ReferenceLine } from '../../parts/charts/index.ts';
import { allStored } from '../../parts/listening/index.ts';
import { AdviceLine } from './AdviceLine.tsx';
import { Figure } from './Figure.tsx';
import { HeardReference } from './HeardReference.tsx';
import type { Bench } from './useBench.ts';

/** The figure, what to do now, and on the way to a tuning what is still to come. */
export function BenchSide({ bench }: { readonly bench: Bench }) {
  const { instrument, sitting, listening, talk, send, way, course, capo } = bench;
  const { led } = talk;
  const references = way?.references.get(course);
  return (
    <section className="bench-side" aria-label="What to do">
      <Figure
        state={sitting.state}
        targets={bench.targets}
        live={listening.live}
        hidden={led.kind === 'by ear'}
        stored={allStored(sitting.log)}
      />
      <AdviceLine bench={bench} />
      {led.kind === 'reference' && led.hz !== null && (
        <HeardReference
          hz={led.hz}
          onTake={(a4) => send({ type: 'take A4', a4 })}
          onLeave={() => send({ type: 'reference' })}
        />
      )}
      {references && <ReferenceLine references={references} leftHanded={instrument.leftHanded} />}
      {way && (
        <p className="soft">
          {wayInWords(way.toGo)}
          {capo > 0 && ' Frets count from the capo.'}
        </p>
      )}
    </section>
  );
}

/** @example wayInWords([6, 3]) // => 'Still to be retuned: string 6, then 3.' */
function wayInWords(toGo: readonly number[]): string {
  return toGo.length === 0 ? '' : `Still to be retuned: string ${toGo.join(', then ')}.`;
}
