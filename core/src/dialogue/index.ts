export {
  askedAtBench,
  benchTalk,
  isByEar,
  pegRound,
  startBenchTalk,
} from './bench.ts';
export { benchFault, benchSaying } from './benchSaying.ts';
export type {
  BenchAsked,
  BenchEffect,
  BenchHearing,
  BenchInput,
  BenchTalk,
  BenchWorld,
} from './benchTypes.ts';
export { windingRound } from './benchWinding.ts';
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
  type SettleAsked,
  type SettleEffect,
  type SettleInput,
  type SettleTalk,
  type SettleWorld,
  settleNoticeInWords,
  settleTalk,
  startSettleTalk,
} from './settle.ts';
export { strumTunings } from './strumTunings.ts';
export { startWinding, type WindingRound, windingTask, woundTo } from './winding.ts';
