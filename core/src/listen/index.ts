export type { FrameEstimate, FrameHint } from './estimator.ts';
export { Estimator } from './estimator.ts';
export type { Identity, StringKnowledge } from './identity.ts';
export { FARTHEST, identify } from './identity.ts';
export type { ListenEvent, TrackPoint } from './listener.ts';
export { Listener, readPlucks } from './listener.ts';
export type { PluckOutcome, Reading, Refusal } from './pluck.ts';
export { READING_WINDOW } from './pluck.ts';
export { partialHz, REPORTED_PARTIAL, reportedHz } from './stiffString.ts';
