// Tones that the application sounds itself: loaded when the first one is wanted.
export { cueTone, referenceTone, sustainedTone } from '@rosefinch/core/practice';
