export { Ear, type PracticeHands } from './ear.ts';
export type { AnalysisReport } from './protocol.ts';
export { MicrophoneProblem } from './source.ts';
