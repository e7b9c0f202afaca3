import { turnAsked } from '@rosefinch/core/dialogue';
import type { Saying } from '@rosefinch/core/sentences';
import { PegMap } from '../../parts/pegs/index.ts';
import type { Bench } from './useBench.ts';

interface Props {
  readonly bench: Bench;
  /** What is asked for; null while another string sounds than the one in hand. */
  readonly saying: Saying | null;
}

/** The pegs of the instrument, with the turn that the sentence asks for. */
export default function BenchPegs({ bench: { instrument, course, stock }, saying }: Props) {
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  const way = peg && saying ? turnAsked(saying, peg.tighten) : null;
  return (
    <PegMap instrument={instrument} view={stock.settings.pegsSeen} turn={way && { course, way }} />
  );
}
