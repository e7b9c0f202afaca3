import {
  type Advice,
  adviceFor,
  passesToCome,
  refusalAdvice,
  standings,
} from '@rosefinch/core/coach';
import { type Coupling, type Instrument, turnsFor } from '@rosefinch/core/strings';
import type { Bench } from './useBench.ts';

interface Props {
  readonly bench: Bench;
  readonly instrument: Instrument;
  /** The string that the plan takes next, while there is one. */
  readonly planned?: number | undefined;
  readonly coupling: Coupling;
  /** What is led through just now and speaks in its place. */
  readonly instead: Advice | null;
}

/** The one sentence: what to do now. */
export function AdviceLine(props: Props) {
  const advice = adviceOf(props);
  return (
    <div role="status" aria-live="polite">
      <p className="advice">{advice.say}</p>
      <p className="advice-more">{advice.more}</p>
    </div>
  );
}

function adviceOf({ bench, instrument, planned, coupling, instead }: Props): Advice {
  if (!bench.source)
    return {
      say: 'Choose what to listen to.',
      more: `The practice ${instrument.kind}, or your microphone.`,
    };
  if (bench.notice?.kind === 'refused') return refusalAdvice(bench.notice.refusal, bench.targets);
  if (bench.notice?.kind === 'doubt')
    return {
      say: `String ${bench.notice.courses.join(' or ')}? Choose it.`,
      more: 'The pitch lies between two strings. Press the number of the one you play.',
    };
  if (instead) return instead;
  const strings = bench.targets.map((target) => ({
    target,
    turnsTo: (fromHz: number, toHz: number) => turnsFor(instrument, target.course, fromHz, toHz),
    tighten: instrument.courses[target.course - 1]?.strings[0]?.peg.tighten ?? 'away from you',
  }));
  const { state, log } = bench.session;
  const heard = log.flatMap(({ event }) => (event.type === 'reading' ? [event.reading] : []));
  const nothing = state.goal.order.map(() => null);
  const passes = passesToCome(state, standings(heard, nothing, coupling), coupling);
  return adviceFor(state, strings, bench.a4, { planned, passes });
}
