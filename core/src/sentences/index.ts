export {
  inCourseInShort,
  inCourseInWords,
  stringAndNote,
  stringInWords,
  stringTitle,
} from './courses.ts';
export {
  causeInWords,
  diagnosisInWords,
  needInWords,
  type RowFacts,
  sparesInWords,
  wearInWords,
  weekInWords,
  withAirInWords,
} from './drift.ts';
export { byEarInWords, earVerdictInWords } from './ear.ts';
export { faultInWords } from './faults.ts';
export {
  centsInWords,
  deviationInWords,
  distanceInWords,
  durationInWords,
  minutesInShort,
  type Side,
  semitonesShort,
  shortDuration,
  sideOf,
} from './figures.ts';
export {
  bridgeInWords,
  compromiseInWords,
  type FretNotice,
  faultyPartInWords,
  fretNoticeInWords,
  fretTaskInWords,
  fretVerdictInWords,
  howInWords,
  type OtherPlace,
  otherPlaceInWords,
  partInWords,
  placeInWords,
  proofInWords,
  saddleInWords,
  saddlesInWords,
  touchInWords,
} from './frets.ts';
export {
  GUIDE,
  type GuideDrawing,
  type GuidePage,
  guidePageOf,
  searchGuide,
} from './guide.ts';
export {
  aidGives,
  aidInWords,
  beatTaskInWords,
  beatToldInWords,
  beginInWords,
  CHOOSE_SOURCE,
  cellInShort,
  cellInWords,
  comesToInWords,
  EXERCISE_OVER,
  evennessInWords,
  exerciseName,
  exerciseTask,
  heardInWords,
  inShort,
  LISTEN_FIRST,
  matchedInWords,
  nextInWords,
  noticedInWords,
  pairTaskInWords,
  questionInWords,
  restoredInWords,
  restoringInWords,
  singTaskInWords,
  staircaseInWords,
  sungInWords,
  sungStringInWords,
  toldInWords,
  touchingInWords,
} from './hearing.ts';
export { cellOfTuning, kindInWords, materialInWords, sourceInWords, tuningName } from './names.ts';
export { stepInWords } from './next.ts';
export { beatInWords, pairInWords } from './pair.ts';
export { type PegFound, type PegTask, pegTestInWords } from './pegTest.ts';
export {
  capoWayInWords,
  knownSinceInWords,
  loadInWords,
  reasonInWords,
  roundsInWords,
  shortStringInWords,
  type TuningWay,
  warningInWords,
  wayInWords,
} from './plan.ts';
export { BY_TONE, referenceInShort, referenceInWords, relationInWords } from './reference.ts';
export { refusalInWords, tooCloseInWords } from './refusal.ts';
export {
  laterInWords,
  type RoundTask,
  roundInShort,
  roundInWords,
  roundTaskInWords,
  standingOf,
} from './rounds.ts';
export { type Saying, sayingInWords } from './saying.ts';
export {
  chanceInWords,
  doubtInWords,
  holdInWords,
  lessonAsked,
  lessonChance,
  lessonInWords,
  lookInWords,
  questionOf,
  settlingStepInWords,
  slipsInWords,
  standingInWords,
  standsInWords,
  sureInWords,
} from './settling.ts';
export { type AtRest, settlingTaskInWords } from './settlingTask.ts';
export { type StrumFacts, strumInWords, strummedInWords } from './strum.ts';
export { neckCostInWords } from './temperament.ts';
export { touchedInWords } from './touched.ts';
export {
  ALL_KEPT,
  CAN_BE_INSTALLED,
  MICROPHONE_TROUBLES,
  notOpenedInWords,
  notUpdatedInWords,
  type Processing,
  processedInWords,
  RECORDING_TROUBLES,
  readingStoppedInWords,
  STORE_TROUBLES,
  stoppedInWords,
  storeSilentInWords,
  tooLargeInWords,
  tooLongInWords,
  UPDATE_READY,
  unreadableInWords,
} from './troubles.ts';
export {
  arrowOf,
  directionInWords,
  pegInWords,
  pegKnownInWords,
  sizeInWords,
  turnInWords,
} from './turns.ts';
export { type WindingTask, windingInWords } from './winding.ts';
