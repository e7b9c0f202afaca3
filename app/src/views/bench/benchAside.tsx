import { Button, Group } from '@mantine/core';
import { benchFault, isByEar } from '@rosefinch/core/dialogue';
import type { ReactNode } from 'react';
import { ReferenceLine } from '../../parts/charts/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { HeardReference, tenths } from './HeardReference.tsx';
import type { Bench } from './useBench.ts';
import type { BenchRound } from './useBenchRound.ts';

/** What the string in hand can be compared with now. */
export function BenchReference({ bench }: { readonly bench: Bench }) {
  const { instrument, way, course } = bench;
  const references = way?.references.get(course) ?? [];
  return <ReferenceLine references={references} leftHanded={instrument.leftHanded} />;
}

/** Beside the sentence: the answers to what it asks, or the finger’s place on the way to a tuning; null for neither. */
export function benchAside(bench: Bench): ReactNode {
  const { talk, world, send, way } = bench;
  const { led, notice } = talk;
  if (led.kind === 'reference' && led.hz !== null)
    return (
      <HeardReference
        hz={led.hz}
        onTake={(a4) => send({ type: 'take A4', a4 })}
        onLeave={() => send({ type: 'reference' })}
      />
    );
  const fault = benchFault(talk, world);
  const a4 = fault?.rule === 'in tune with itself' && fault.semitones === 0 ? fault.ownA4 : null;
  if (a4 !== null)
    return <TakeA4 a4={tenths(a4)} onTake={() => send({ type: 'take A4', a4: tenths(a4) })} />;
  if (notice?.kind === 'doubt' && notice.asks)
    return (
      <Group gap="xs">
        {notice.courses.map((one) => (
          <ItWas key={one} string={one} onChoose={() => send({ type: 'choose', course: one })} />
        ))}
      </Group>
    );
  const { notOurs } = talk;
  if (notOurs)
    return (
      <NotOurs string={notOurs.course} onOurs={() => send({ type: 'attribute', ...notOurs })} />
    );
  if (talk.flat && !talk.flat.said && notice === null)
    return <AllFlat semitones={talk.flat.semitones} />;
  // By ear it has the wire’s place.
  return way?.retuning && !isByEar(talk) ? <BenchReference bench={bench} /> : null;
}

/** New strings, or tuned down: what to do in each case. */
function AllFlat({ semitones }: { readonly semitones: number }) {
  const t = useWords();
  return <p>{t('bench.allFlat', { semitones })}</p>;
}

/** Whose strings these may be: the two answers. */
export function MayBe({ round, name }: { readonly round: BenchRound; readonly name: string }) {
  const t = useWords();
  return (
    <Group gap="xs">
      <Button onClick={round.isOther}>{t('bench.itIsMayBe', { mayBe: round.mayBe ?? '' })}</Button>
      <Button variant="default" onClick={round.isThis}>
        {t('bench.itIsName', { name })}
      </Button>
    </Group>
  );
}

/** Takes the pitch that the strings agree on as the reference. */
function TakeA4({ a4, onTake }: { readonly a4: number; readonly onTake: () => void }) {
  const t = useWords();
  return <Button onClick={onTake}>{t('bench.setA4ToA4Hz', { a4: t.number(a4, 1) })}</Button>;
}

/** The answer to which string that was. */
/** Another instrument was heard and not counted; one tap says that it was this one. */
function NotOurs({ string, onOurs }: { readonly string: number; readonly onOurs: () => void }) {
  const t = useWords();
  return (
    <Group gap="xs">
      <span>{t('bench.notOurs')}</span>
      <ItWas string={string} onChoose={onOurs} />
    </Group>
  );
}

function ItWas({ string, onChoose }: { readonly string: number; readonly onChoose: () => void }) {
  const t = useWords();
  return (
    <Button variant="default" onClick={onChoose}>
      {t('bench.itWasStringOne', { one: string })}
    </Button>
  );
}
