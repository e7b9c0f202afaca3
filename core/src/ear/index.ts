export {
  type Answering,
  DIRECTION,
  DIRECTIONS,
  type Direction,
  type Finding,
  findingOne,
} from './answering.ts';
export { guessedWays, guessing } from './guessing.ts';
export { type Asked, type Heard, heardIn, hearingOf, shareAt, sharesOf } from './heard.ts';
export { Hearing, type Noticed, type Trial } from './hearing.ts';
export {
  type EarPoint,
  type EarProgress,
  leftIn,
  type NextPractice,
  nextPractice,
  progressOf,
} from './progress.ts';
export { noticedBy, STAIRCASE, type Staircase, stepped } from './staircase.ts';
export {
  type EarRun,
  type EarTimbre,
  type EarTrial,
  EXERCISES,
  type ExerciseKind,
  type Learner,
  REGISTERS,
  type Register,
  TIMBRES,
} from './types.ts';
export { type Sung, type SungFrame, sungIn, VoiceFollower } from './voice.ts';
