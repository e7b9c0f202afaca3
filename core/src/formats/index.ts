export { type CalendarLook, writeCalendar } from './calendar.ts';
export type { Sound, WavEncoding } from './wav.ts';
export { mixDown, readWav, wavDuration, writeWav } from './wav.ts';
