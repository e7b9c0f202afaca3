export type { BandPoint } from './curve.ts';
export type { SettlingEvent, SettlingReading, StretchRound, StringHistory } from './history.ts';
export { dropsOf, historyOf } from './history.ts';
export { type Logged, looksOf, saidOf } from './logged.ts';
export type { LookDay, NextLook } from './looks.ts';
export { isNight } from './looks.ts';
export { withNeck } from './neck.ts';
export {
  LEAST_HEADROOM,
  pullsAtOnce,
  type SettlingClock,
  type SettlingRules,
  type SettlingStep,
  type SettlingString,
  settlingStep,
  WAYS,
  type Way,
} from './next.ts';
export { withRoom } from './oldStrings.ts';
export type { Outlook, Span } from './outlook.ts';
export { FARTHEST } from './outlook.ts';
export type { SettlingReport, SettlingTask } from './report.ts';
export { settlingReport } from './report.ts';
export type { RoomMove } from './room.ts';
export { roomMove } from './room.ts';
export type { Doubt, Look, Taken } from './steps.ts';
export { lastCounted, stepsOf } from './steps.ts';
export type { SettlingGoal, StringSettling } from './verdict.ts';
export { outlookNow, stillSure, weakest } from './verdict.ts';
export { watchedHold } from './watch.ts';
