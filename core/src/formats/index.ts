export { type CalendarLook, writeCalendar } from './calendar.ts';
export type { Sound, WavEncoding } from './wav.ts';
export { mixDown, readWav, writeWav } from './wav.ts';
