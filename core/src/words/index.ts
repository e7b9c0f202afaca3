export { dayInWords, momentInWords, whenInWords } from './dates.ts';
export { byEarInWords, earVerdictInWords } from './ear.ts';
export { faultInWords } from './faults.ts';
export {
  counted,
  deviationInWords,
  distanceInWords,
  durationInWords,
  forceFigure,
  forceInWords,
  shortDuration,
  signedCents,
} from './figures.ts';
export {
  bridgeInWords,
  type FretNotice,
  findingInWords,
  fretNoticeInWords,
  fretTaskInWords,
  howInWords,
  placeInWords,
} from './frets.ts';
export { stepInWords } from './next.ts';
export { beatInWords, pairInWords } from './pair.ts';
export { type PegFound, type PegTask, pegTestInWords } from './pegTest.ts';
export { referenceInWords } from './reference.ts';
export { refusalInWords } from './refusal.ts';
export { type Saying, sayingInWords } from './saying.ts';
export { capital, type Sentence } from './sentence.ts';
export {
  type Clock,
  headlineOf,
  holdInWords,
  lessonInWords,
  lookInWords,
  ODD_WORDS,
  questionOf,
  STEP_WORDS,
  verdictInWords,
  verdictSpan,
} from './settling.ts';
export { settlingTaskInWords } from './settlingTask.ts';
export { pegInWords, turnInWords } from './turns.ts';
