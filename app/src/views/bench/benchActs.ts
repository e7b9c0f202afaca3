import { pairingOf } from '@rosefinch/core/music';
import { stringOfDigit } from '@rosefinch/core/strings';
import { type Hands, handActs } from '../../parts/listening/index.ts';
import type { JobActs } from '../../parts/stage/index.ts';
import type { Bench } from './useBench.ts';

/** What the keys of the bench do; those of the practice instrument only while it is played. */
export function benchActs(
  { send, sitting, listening, round, instrument }: Bench,
  hands: Hands | null,
  truth: () => void,
): JobActs<'bench'> {
  const { chosen: now } = sitting.state;
  const chosen = (key: string) => {
    const course = stringOfDigit(instrument, Number(key), now);
    if (course !== null) send({ type: 'choose', course });
  };
  return {
    string: chosen,
    automatic: () => send({ type: 'choose', course: null }),
    // Asked whose it is, Space says that it is the one in hand.
    accept: () => (round?.mayBe ? round.isThis() : send({ type: 'accept' })),
    nextPass: () => send({ type: 'next pass' }),
    byEar: () => send({ type: 'by ear' }),
    target: () => send({ type: 'sound target' }),
    compare: () => send({ type: 'compare' }),
    reference: () => send({ type: 'reference' }),
    pegs: () => send({ type: 'peg test' }),
    wind: () => send({ type: 'wind' }),
    // The strings of a pair share their partials: no strum tells them apart.
    strum: pairingOf(instrument.kind, instrument.courses.length)
      ? null
      : () => {
          send({ type: 'strum' });
          listening.hands?.strum();
        },
    which: round ? round.ask : null,
    isOther: round?.mayBe ? round.isOther : null,
    skipInstrument: round && (() => round.book('skipped')),
    putBack: round ? round.putBack : null,
    needsString: round && (() => round.book('needsString')),
    repairer: round && (() => round.book('toRepairer')),
    ...handActs(hands),
    truth: hands && truth,
  };
}
