export { inCourseInShort, inCourseInWords, stringInWords } from './courses.ts';
export { dayAsSaid, dayInWords, momentInWords, whenInWords } from './dates.ts';
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
  counted,
  deviationInWords,
  distanceInWords,
  durationInWords,
  forceFigure,
  forceInWords,
  minutesInShort,
  semitonesShort,
  shortDuration,
  signedCents,
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
  AID_WORDS,
  beatTaskInWords,
  beatToldInWords,
  beginInWords,
  CHOOSE_SOURCE,
  cellInWords,
  comesToInWords,
  EXERCISE_OVER,
  EXERCISE_WORDS,
  evennessInWords,
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
export { BY_TONE, referenceInWords } from './reference.ts';
export { refusalInWords, tooCloseInWords } from './refusal.ts';
export {
  laterInWords,
  type RoundTask,
  roundInShort,
  roundInWords,
  roundTaskInWords,
  STANDINGS,
} from './rounds.ts';
export { type Saying, sayingInWords } from './saying.ts';
export { BENCH_SAYS } from './says/bench.ts';
export { EAR_VIEW_SAYS } from './says/earView.ts';
export { FRET_VIEW_SAYS } from './says/fretView.ts';
export { HELP_SAYS } from './says/help.ts';
export { LOG_SAYS } from './says/log.ts';
export { OPEN_SAYS } from './says/open.ts';
export { PAGE_SAYS } from './says/page.ts';
export { PAPER_SAYS } from './says/paper.ts';
export { PARTS_SAYS } from './says/parts.ts';
export { RECORDING_SAYS } from './says/recording.ts';
export { RECORDS_SAYS } from './says/records.ts';
export { RETUNE_VIEW_SAYS } from './says/retuneView.ts';
export { SETTINGS_SAYS } from './says/settings.ts';
export { SETTLE_SAYS } from './says/settle.ts';
export { SHELF_SAYS } from './says/shelf.ts';
export { TUNING_VIEW_SAYS } from './says/tuningView.ts';
export { capital, type Sentence } from './sentence.ts';
export {
  type Clock,
  chanceInWords,
  doubtInWords,
  holdInWords,
  lessonAsked,
  lessonChance,
  lessonInWords,
  lookInWords,
  questionOf,
  STEP_WORDS,
  slipsInWords,
  soonInWords,
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
  PROCESSING,
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
export { arrowOf, pegInWords, pegKnownInWords, saidTurns, turnInWords } from './turns.ts';
export { type WindingTask, windingInWords } from './winding.ts';
