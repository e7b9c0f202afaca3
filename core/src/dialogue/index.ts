export {
  type AskingInput,
  type AskingTalk,
  type AskingWorld,
  amongOf,
  askingTalk,
  type EarChord,
  type EarQuestion,
  isAsked,
  startAsking,
} from './asking.ts';
export { factsOf, type Judged, judge, soundsOf } from './attributing.ts';
export {
  BEAT_CELLS,
  type BeatCell,
  type BeatingInput,
  type BeatingTalk,
  beatingTalk,
  centsOfBeat,
  FEWEST_TAPS,
  NO_BEAT,
  rateOf,
} from './beating.ts';
export {
  askedAtBench,
  benchTalk,
  isByEar,
  pegRound,
  startBenchTalk,
} from './bench.ts';
export { actAsked, benchFault, benchSaying } from './benchSaying.ts';
export type {
  BenchAsked,
  BenchEffect,
  BenchHearing,
  BenchInput,
  BenchTalk,
  BenchWorld,
} from './benchTypes.ts';
export { windingRound } from './benchWinding.ts';
export { A_MINUTE, type ExerciseEffect, type ExerciseWorld } from './exercise.ts';
export {
  changedCheck,
  type FretChange,
  type FretEffect,
  type FretInput,
  type FretTalk,
  type FretWorld,
  fretAsked,
  fretStrings,
  fretTalk,
  startFretTalk,
} from './frets.ts';
export { checkInHand, courseInHand } from './inHand.ts';
export type { Next } from './machine.ts';
export {
  type EarPair,
  type EarString,
  type MatchingInput,
  type MatchingTalk,
  type MatchingWorld,
  matchingTalk,
  NO_MATCH,
  pairsOf,
} from './matching.ts';
export {
  type Aid,
  NOT_RESTORED,
  type RestoringEffect,
  type RestoringInput,
  type RestoringTalk,
  type RestoringWorld,
  restoringAsked,
  restoringTalk,
  tonesOf,
} from './restoring.ts';
export {
  type SettleAsked,
  type SettleEffect,
  type SettleInput,
  type SettleTalk,
  type SettleWorld,
  settleNoticeInWords,
  settleTalk,
  startSettleTalk,
} from './settle.ts';
export {
  NOTHING_SUNG,
  type NoteToSing,
  type SingingEffect,
  type SingingInput,
  type SingingTalk,
  type SingingWorld,
  singingTalk,
} from './singing.ts';
export { strumTunings } from './strumTunings.ts';
export {
  NOT_TOUCHED,
  TOUCHES,
  type TouchingEffect,
  type TouchingInput,
  type TouchingTalk,
  type TouchingWorld,
  touchingTalk,
  touchOf,
} from './touching.ts';
export { turnAsked } from './turnAsked.ts';
export { startWinding, type WindingRound, windingTask, woundTo } from './winding.ts';
