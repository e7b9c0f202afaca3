export { type CalendarLook, writeCalendar } from './calendar.ts';
export { LONGEST_SCALE, readScale, writeScale } from './scala.ts';
export type { Sound, WavEncoding } from './wav.ts';
export { mixDown, readWav, wavDuration, writeWav } from './wav.ts';
