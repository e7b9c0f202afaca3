export type { Creep, Law } from './creep.ts';
export { creepAt, holdTime, roundsLeft, waitUntil } from './creep.ts';
export type { BandPoint, CurvePoint, SettlingCurve } from './curve.ts';
export type { CreepFit, Settling, SettlingEvent, SettlingReading } from './fit.ts';
export { settle } from './fit.ts';
export type { Hold, SettlingPoint, Span } from './forecast.ts';
export {
  cautiousFit,
  dropsAhead,
  FARTHEST,
  holdOf,
  ROOM_DECIDES,
  roundsOf,
  waitOf,
} from './forecast.ts';
export type { StretchRound, StringHistory } from './history.ts';
export { dropsOf, historyOf } from './history.ts';
export { type Logged, looksOf, saidOf } from './logged.ts';
export type { LookDay, NextLook } from './looks.ts';
export { isNight, looksAhead } from './looks.ts';
export { withNeck } from './neck.ts';
export { LEAST_HEADROOM, type SettlingStep, type SettlingString, settlingStep } from './next.ts';
export type { SettlingReport, SettlingTask } from './report.ts';
export { settlingReport } from './report.ts';
export type { RoomMove } from './room.ts';
export { roomMove } from './room.ts';
export type { Doubt, Look, Taken } from './steps.ts';
export { lastCounted, stepsOf } from './steps.ts';
export type { Odd, SettlingGoal, StringSettling, Verdict } from './verdict.ts';
export { oddStrings, roundsUntilSmall, settlingOf, worstVerdict } from './verdict.ts';
