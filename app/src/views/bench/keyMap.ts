import { type KeyActs, type KeyMap, keysOf } from '../../parts/frame/index.ts';
import { type Hands, handActs } from '../../parts/listening/index.ts';
import type { Bench } from './useBench.ts';

/** What the bench's keys do beside its conversation. */
export interface Acts {
  readonly truth: () => void;
  readonly keys: () => void;
}

/** The keys of the bench; those of the practice instrument only while it is played. */
export function keyMap({ send, sitting }: Bench, acts: Acts, hands: Hands | null): KeyMap {
  const { order } = sitting.state.goal;
  const chosen = (key: string) => {
    if (order.includes(Number(key))) send({ type: 'choose', course: Number(key) });
  };
  const all: KeyActs<'bench'> = {
    string: chosen,
    automatic: () => send({ type: 'choose', course: null }),
    accept: () => send({ type: 'accept' }),
    nextPass: () => send({ type: 'next pass' }),
    byEar: () => send({ type: 'by ear' }),
    target: () => send({ type: 'sound target' }),
    compare: () => send({ type: 'compare' }),
    reference: () => send({ type: 'reference' }),
    pegs: () => send({ type: 'peg test' }),
    ...handActs(hands),
    truth: hands && acts.truth,
    keys: acts.keys,
  };
  return keysOf('bench', all);
}
