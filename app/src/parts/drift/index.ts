export { type Judged, NO_LIFE } from './shelved.ts';
export { useJudged } from './useJudged.ts';
