export { sameDay } from './day.ts';
export { decibels } from './decibels.ts';
export { powerOfTwo, RealFft } from './fft.ts';
export { normalAt, upperTail } from './gauss.ts';
export { nth, nth64 } from './nth.ts';
export { between, normal, type Random, seededRandom } from './random.ts';
export { akaike, median } from './statistics.ts';
export { temperedDraws, type Unknowns } from './tempered.ts';
