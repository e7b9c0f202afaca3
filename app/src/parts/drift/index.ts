export { type Judged, NO_LIFE } from './shelved.ts';
export { useAir, useJudged } from './useJudged.ts';
