export type { Beat, BeatOutcome } from './beat.ts';
export { BEAT_SECONDS, beatOf } from './beat.ts';
export type { BoundedTone } from './bound.ts';
export { reportedPitchBound } from './bound.ts';
export { Decimator } from './decimate.ts';
export type { FrameEstimate, FrameHint } from './estimator.ts';
export { Estimator } from './estimator.ts';
export type { PartialReading } from './frameTable.ts';
export type { Identity, KnownReading, Node, Sound, StringKnowledge } from './identity.ts';
export { FARTHEST, knowledgeOf, whoSounded } from './identity.ts';
export type { ListenEvent } from './listener.ts';
export { Listener, readPlucks } from './listener.ts';
export type { TrackPoint } from './liveTrack.ts';
export type { PluckOutcome, Reading, Refusal } from './pluck.ts';
export { READING_WINDOW } from './pluck.ts';
export type { Presence } from './presence.ts';
export type { RoomReport } from './room.ts';
export { partialHz, REPORTED_PARTIAL, reportedHz } from './stiffString.ts';
export { fittedStretch, stretchCents, stretchResidual } from './stretch.ts';
export {
  likeliest,
  readStrum,
  STRUM_WINDOW,
  type StrumLike,
  type StrumString,
  type StrumTuning,
  tuningsLike,
} from './strum.ts';
export type { WoundPitch, WoundString } from './winding.ts';
export { WindingListener } from './winding.ts';
