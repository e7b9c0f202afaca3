import {
  type Advice,
  adviceFor,
  type CoachString,
  type Fault,
  faultOf,
  passesToCome,
  refusalAdvice,
  standings,
  whyMoved,
} from '@rosefinch/core/coach';
import {
  type Coupling,
  headroom,
  type Instrument,
  soundingLength,
  turnsFor,
  withCapo,
} from '@rosefinch/core/strings';
import type { Settings } from '../../data/index.ts';
import type { Bench } from './useBench.ts';

/** What the one sentence on the bench goes by. */
export interface AdviceSources {
  readonly bench: Bench;
  readonly instrument: Instrument;
  readonly coupling: Coupling;
  /** The string that the plan takes next, while there is one. */
  readonly planned?: number | undefined;
  /** On the way from one tuning to another. */
  readonly retuning: boolean;
  /** What is led through just now and speaks in its place. */
  readonly instead: Advice | null;
  readonly settings: Settings;
}

const AWAIT_REFERENCE: Advice = {
  say: 'Sound the reference now.',
  more: 'A fork, a piano, a friend’s string: the next note is taken as it is.',
};
const REFERENCE_AGAIN: Advice = {
  say: 'Sound the reference once more.',
  more: 'That was not clear enough to be taken.',
};

/** What the last pluck shows to be wrong, if anything; null once the teacher has gone on. */
export function faultNow({
  bench,
  instrument,
  coupling,
  retuning,
  instead,
}: AdviceSources): Fault | null {
  if (bench.answered || instead || bench.reference === 'waiting') return null;
  const strings = coachStrings(bench, instrument);
  const view = { state: bench.session.state, strings, coupling, a4: bench.a4, retuning };
  return faultOf(bench.plucks, view);
}

/** The one sentence: what to do now. What went wrong comes before what comes next. */
export function adviceNow(sources: AdviceSources): Advice {
  const { bench, instrument, coupling, planned, instead, settings } = sources;
  if (!bench.source)
    return {
      say: 'Choose what to listen to.',
      more: `The practice ${instrument.kind}, or your microphone.`,
    };
  const { state, log } = bench.session;
  const strings = coachStrings(bench, instrument);
  if (bench.reference === 'waiting') return bench.notice ? REFERENCE_AGAIN : AWAIT_REFERENCE;
  const fault = faultNow(sources);
  if (fault) return fault.advice;
  if (bench.notice?.kind === 'refused') return refusalAdvice(bench.notice.refusal, bench.targets);
  if (bench.notice?.kind === 'doubt')
    return {
      say: `Was that string ${bench.notice.courses.join(' or ')}?`,
      more: 'Its pitch fits both. Press its number: the pluck is kept until then.',
    };
  if (instead) return instead;
  const heard = log.flatMap(({ event }) => (event.type === 'reading' ? [event.reading] : []));
  const nothing = state.goal.order.map(() => null);
  const passes = passesToCome(state, standings(heard, nothing, coupling), coupling);
  return adviceFor(state, strings, bench.a4, {
    planned,
    passes,
    why: (course) => whyMoved(heard, course, coupling),
    bold: settings.moves === 'one bold',
  });
}

/** The strings as the coach knows them, sounding as they do with a capo on. */
function coachStrings(bench: Bench, instrument: Instrument): CoachString[] {
  const sounding = withCapo(instrument);
  return bench.targets.flatMap((target) => {
    const string = instrument.courses[target.course - 1]?.strings[0];
    if (!string) return [];
    const { spec, peg } = string;
    return {
      target,
      tighten: peg.tighten,
      turnsTo: (fromHz, toHz) => turnsFor(sounding, target.course, fromHz, toHz),
      headroom: (hz) => headroom(spec, soundingLength(sounding, target.course), hz),
    };
  });
}
