import { fixed } from '../writing.ts';
import type { Sentence } from './sentence.ts';

const PRACTICE = 'or use the practice instrument.';

/** Why a microphone is not heard, and the way on. */
export const MICROPHONE_TROUBLES = {
  none: {
    say: 'This browser gives pages no microphone here.',
    more: 'Open Rosefinch at 127.0.0.1 or over https.',
  },
  unplugged: { say: 'The microphone was unplugged.', more: 'Plug it in and choose it again.' },
  muted: { say: 'The microphone is muted.', more: 'Switch it on, then pluck again.' },
  asleep: {
    say: 'The browser put listening to sleep.',
    more: 'Choose the microphone again to go on.',
  },
  refused: {
    say: 'The browser does not let Rosefinch hear the microphone.',
    more: `Allow it beside the address, ${PRACTICE}`,
  },
  'not found': { say: 'No microphone was found.', more: `Plug one in, ${PRACTICE}` },
  held: {
    say: 'Another program holds the microphone.',
    more: 'Close that program, then choose the microphone again.',
  },
  gone: { say: 'The chosen microphone is gone.', more: 'Choose another one.' },
  'in another tab': {
    say: 'Another tab of Rosefinch is listening.',
    more: 'Close that tab, then choose the microphone here.',
  },
} as const satisfies Readonly<Record<string, Sentence>>;

/** What a browser does to sound on its own, as people call it. */
export const PROCESSING = {
  echoCancellation: 'echo cancelling',
  noiseSuppression: 'noise suppression',
  autoGainControl: 'automatic level',
} as const;

/** The browser goes on changing the sound. */
export function processedInWords(processing: keyof typeof PROCESSING): Sentence {
  return {
    say: `This microphone’s ${PROCESSING[processing]} could not be switched off: readings may be off.`,
    more: 'Choose another microphone, or switch it off in the system’s sound settings.',
  };
}

/** A microphone that would not open, in the browser's own words. */
export function notOpenedInWords(reason: string): Sentence {
  return {
    say: `The microphone could not be opened: ${reason}`,
    more: `Try again, ${PRACTICE}`,
  };
}

/** What is said beside whatever went wrong. */
export const ALL_KEPT = 'All readings are kept.';

/** Listening ended by itself. */
export function stoppedInWords(reason: string): Sentence {
  return {
    say: `Listening stopped: ${reason}.`,
    more: `${ALL_KEPT} Reload the page to go on.`,
  };
}

/** Why a file is not read as sound. */
export const RECORDING_TROUBLES = {
  empty: { say: 'The file is empty.', more: 'Record it again.' },
  silent: { say: 'The recording is silent.', more: 'Check the input and record it again.' },
  'no sound': {
    say: 'This browser cannot read the file as sound.',
    more: 'Save it as WAV, MP3, Ogg or FLAC.',
  },
} as const satisfies Readonly<Record<string, Sentence>>;

const SHORTER = 'Cut it into shorter pieces.';

/** Both in megabytes. */
export function tooLargeInWords(has: number, most: number): Sentence {
  return { say: `The file has ${fixed(has)} MB; up to ${most} MB can be read.`, more: SHORTER };
}

/** Both in minutes. */
export function tooLongInWords(lasts: number, most: number): Sentence {
  return {
    say: `The recording lasts ${fixed(lasts)} minutes; up to ${most} can be read.`,
    more: SHORTER,
  };
}

export function unreadableInWords(reason: string): Sentence {
  return {
    say: `The file cannot be read: ${reason}.`,
    more: 'Save it as WAV with 16 or 24 bits, or as MP3, Ogg or FLAC.',
  };
}

export function readingStoppedInWords(reason: string): Sentence {
  return { say: `Reading stopped: ${reason}`, more: 'Try it again.' };
}

/** Why the browser's storage takes nothing. */
export const STORE_TROUBLES = {
  full: 'The browser’s storage is full. Save what is not stored, or write a backup under Backup and restore; then free some space.',
  closed: 'The browser has closed the records. Save what is not stored; then reload this page.',
  none: 'This browser keeps no records for this page: what is read here is gone when it is closed.',
  deleted:
    'This browser’s records of Rosefinch were deleted from outside this page. Reload it to begin anew, or restore a backup.',
  updated: 'Rosefinch was updated in another tab. All readings are kept; reload this page.',
  held: 'Rosefinch is open in an older tab, which holds the database. Close that tab.',
} as const;

export function storeSilentInWords(reason: string): string {
  return `The browser’s storage does not answer (${reason}). Save what is not stored; then restart the browser.`;
}

/** Why there is no new version yet. */
export const UPDATE_READY = 'A new version is ready. Take it when you are between instruments.';

export function notUpdatedInWords(reason: string): string {
  return `The new version could not be taken: ${reason}. This one goes on.`;
}

/** Told once: the page can be kept as a program of its own. */
export const CAN_BE_INSTALLED =
  'Rosefinch can stand on this machine by itself: in a window of its own, and without a network. Settings go on offering it.';
