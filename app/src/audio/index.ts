export { Ear, type EarHearer, type PracticeHands } from './ear.ts';
export type { AnalysisReport, PracticeStart } from './protocol.ts';
export { MicrophoneProblem } from './source.ts';
