import {
  type CoachString,
  type CoachView,
  type Fault,
  faultOf,
  nextStep,
  pegStand,
  soundedTogether,
  turnsToSay,
} from '../coach/index.ts';
import type { Saying, StrumFacts, WindingTask } from '../sentences/index.ts';
import { currentPass, offBy, stringOf } from '../sitting/index.ts';
import { passesToCome, stateOf, whyMoved } from '../state/index.ts';
import { headroom, soundingLength } from '../strings/index.ts';
import type { BenchTalk, BenchWorld, Led, Notice } from './benchTypes.ts';
import { checkInHand, courseInHand } from './inHand.ts';
import { pegTask } from './pegTest.ts';
import { windingTask } from './winding.ts';

/** The one thing to say now: what went wrong comes before what comes next. */
export function benchSaying(talk: BenchTalk, world: BenchWorld): Saying {
  const { notice, led } = talk;
  if (!world.listening) return { about: 'source', kind: world.instrument.kind };
  if (led.kind === 'reference' && led.hz === null)
    return { about: 'reference', again: notice !== null };
  const { called, sounding } = talk;
  // A string that is followed needs no reading on its way up.
  const waits = called?.call === 'let it ring' && led.kind === 'winding';
  if (called && sounding !== null && !waits)
    return { about: 'turning', call: called.call, up: called.up };
  if (notice?.kind === 'refused' && notice.refusal.kind === 'turned')
    return { about: 'refusal', refusal: notice.refusal, together: null };
  const fault = benchFault(talk, world);
  if (fault) return { about: 'fault', fault };
  if (notice?.kind === 'refused') {
    const { refusal } = notice;
    return { about: 'refusal', refusal, together: soundedTogether(refusal, world.targets) };
  }
  if (notice?.kind === 'touched') return { about: 'touched', course: notice.of, node: notice.node };
  if (notice?.kind === 'strum asked')
    return { about: 'strum asked', strings: world.targets.length };
  if (notice?.kind === 'strum') return { about: 'strum', ...strumFacts(notice, world) };
  if (notice?.kind === 'doubt') {
    const { courses, chosen, asks } = notice;
    return { about: 'which string', courses, chosen, asks };
  }
  return sayingOf(shown(led), world) ?? { about: 'next', step: stepNow(talk, world) };
}

/** The input that the sentence asks for; null while the hands have to pluck or turn. */
export function actAsked(saying: Saying): 'accept' | 'next pass' | null {
  switch (saying.about) {
    case 'next': {
      const { step } = saying.step;
      return step === 'go on' ? 'accept' : step === 'round again' ? 'next pass' : null;
    }
    case 'by ear':
    case 'ear verdict':
    case 'pegs':
      return 'accept';
    case 'winding':
      return LEFT_AS_IT_IS.includes(saying.task.kind) ? 'accept' : null;
    default:
      return null;
  }
}

/** A string is wound no further: the next one, or none, takes its place. */
const LEFT_AS_IT_IS: readonly WindingTask['kind'][] = ['over', 'near breaking', 'too high'];

/** What a strum showed, as the strings stand after it. */
function strumFacts(
  { heard, alone, like }: Extract<Notice, { kind: 'strum' }>,
  { state }: BenchWorld,
): StrumFacts {
  const { order, tolerance } = state.goal;
  const pass = currentPass(state);
  const off = order.flatMap((course) => {
    const last = heard.includes(course) ? stringOf(pass, course)?.readings.at(-1) : undefined;
    return last && Math.abs(offBy(last)) > tolerance ? [{ course, cents: offBy(last) }] : [];
  });
  const right = heard.filter((course) => !off.some((one) => one.course === course));
  return { right, off, alone, like: like.map(({ name }) => name) };
}

/** What the last pluck shows to be wrong, if anything; null once the teacher has gone on. */
export function benchFault(talk: BenchTalk, world: BenchWorld): Fault | null {
  if (talk.answered || sayingOf(shown(talk.led), world)) return null;
  return faultOf(talk.plucks, viewOf(talk, world));
}

/** A reference that was heard stands beside what is led through. */
function shown(led: Led): Led {
  return led.kind === 'reference' && led.hz !== null ? led.back : led;
}

function sayingOf(led: Led, world: BenchWorld): Saying | null {
  switch (led.kind) {
    case 'pegs': {
      const { round } = led;
      return { about: 'pegs', task: pegTask(round, world.instrument), found: round.found };
    }
    case 'winding': {
      const { round } = led;
      // Until it is heard to move, what was just read says more.
      if (round.inSession && round.pitch === null && round.toCome.length > 0) return null;
      return { about: 'winding', task: windingTask(round, world) };
    }
    case 'pair': {
      if (led.beat) return { about: 'beat', beat: led.beat };
      const check = checkInHand(world);
      return check && { about: 'pair', check };
    }
    case 'by ear':
      return { about: 'by ear', course: courseInHand(world.state, world.planned) };
    case 'verdict':
      return led.verdict && { about: 'ear verdict', verdict: led.verdict };
    case 'tuning':
    case 'reference':
      return null;
  }
}

function stepNow(talk: BenchTalk, world: BenchWorld) {
  const { state, heard, fitted, coupling, planned, bold, a4 } = world;
  const nothing = state.goal.order.map(() => null);
  return nextStep(state, coachStrings(talk, world), a4, {
    planned,
    passes: passesToCome(
      state,
      stateOf({ readings: heard, before: nothing, coupling, fitted }),
      coupling,
    ),
    why: (course) => whyMoved(heard, course, coupling),
    bold,
  });
}

function viewOf(talk: BenchTalk, world: BenchWorld): CoachView {
  const { state, coupling, a4, retuning } = world;
  return { state, strings: coachStrings(talk, world), coupling, a4, retuning };
}

/** The strings as the coach knows them, sounding as they do with a capo on. */
function coachStrings({ plucks }: BenchTalk, { targets, instrument }: BenchWorld): CoachString[] {
  return targets.flatMap((target) => {
    const { course } = target;
    const string = instrument.courses[course - 1]?.strings[0];
    if (!string) return [];
    const { spec, peg } = string;
    const stand = pegStand(plucks, course);
    return {
      target,
      tighten: peg.tighten,
      turnsTo: (fromHz, toHz) => turnsToSay(instrument, course, stand, { fromHz, toHz }),
      headroom: (hz) => headroom(spec, soundingLength(instrument, course), hz),
    };
  });
}
