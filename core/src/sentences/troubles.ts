import { type Message, message, type Sentence, type Value } from '../message.ts';

/** Why a microphone is not heard, and the way on. */
export const MICROPHONE_TROUBLES = {
  none: {
    say: message('troubles.microphoneNone'),
    more: message('troubles.microphoneNone.more'),
  },
  unplugged: { say: message('troubles.unplugged'), more: message('troubles.unplugged.more') },
  muted: { say: message('troubles.muted'), more: message('troubles.muted.more') },
  asleep: {
    say: message('troubles.asleep'),
    more: message('troubles.asleep.more'),
  },
  refused: {
    say: message('troubles.refused'),
    more: message('troubles.refused.more'),
  },
  'not found': { say: message('troubles.notFound'), more: message('troubles.notFound.more') },
  held: {
    say: message('troubles.held'),
    more: message('troubles.held.more'),
  },
  gone: { say: message('troubles.gone'), more: message('troubles.gone.more') },
  'in another tab': {
    say: message('troubles.otherTab'),
    more: message('troubles.otherTab.more'),
  },
} as const satisfies Readonly<Record<string, Sentence>>;

/** What a browser does to sound on its own, by the names that browsers give it. */
export type Processing = 'echoCancellation' | 'noiseSuppression' | 'autoGainControl';

/** The browser goes on changing the sound. */
export function processedInWords(processing: Processing): Sentence {
  return {
    say: message('troubles.processed', { processing }),
    more: message('troubles.processed.more'),
  };
}

/** A microphone that would not open, in the browser's own words. */
export function notOpenedInWords(reason: Value): Sentence {
  return {
    say: message('troubles.notOpened', { reason }),
    more: message('troubles.notOpened.more'),
  };
}

/** What is said beside whatever went wrong. */
export const ALL_KEPT: Message = message('troubles.allKept');

/** Listening ended by itself. */
export function stoppedInWords(reason: Value): Sentence {
  return {
    say: message('troubles.stopped', { reason }),
    more: message('troubles.stopped.more'),
  };
}

/** Why a file is not read as sound. */
export const RECORDING_TROUBLES = {
  empty: { say: message('troubles.fileEmpty'), more: message('troubles.fileEmpty.more') },
  silent: { say: message('troubles.fileSilent'), more: message('troubles.fileSilent.more') },
  'no sound': {
    say: message('troubles.fileNoSound'),
    more: message('troubles.fileNoSound.more'),
  },
} as const satisfies Readonly<Record<string, Sentence>>;

/** Both in megabytes. */
export function tooLargeInWords(has: number, most: number): Sentence {
  return { say: message('troubles.tooLarge', { has, most }), more: message('troubles.shorter') };
}

/** Both in minutes. */
export function tooLongInWords(lasts: number, most: number): Sentence {
  return {
    say: message('troubles.tooLong', { lasts, most }),
    more: message('troubles.shorter'),
  };
}

export function unreadableInWords(reason: Value): Sentence {
  return {
    say: message('troubles.unreadable', { reason }),
    more: message('troubles.unreadable.more'),
  };
}

export function readingStoppedInWords(reason: Value): Sentence {
  return {
    say: message('troubles.readingStopped', { reason }),
    more: message('troubles.readingStopped.more'),
  };
}

/** Why the browser's storage takes nothing. */
export const STORE_TROUBLES = {
  full: message('troubles.storeFull'),
  closed: message('troubles.storeClosed'),
  none: message('troubles.storeNone'),
  deleted: message('troubles.storeDeleted'),
  updated: message('troubles.storeUpdated'),
  held: message('troubles.storeHeld'),
} as const satisfies Readonly<Record<string, Message>>;

export function storeSilentInWords(reason: Value): Message {
  return message('troubles.storeSilent', { reason });
}

/** Why there is no new version yet. */
export const UPDATE_READY: Message = message('troubles.updateReady');

export function notUpdatedInWords(reason: Value): Message {
  return message('troubles.notUpdated', { reason });
}

/** Told once: the page can be kept as a program of its own. */
export const CAN_BE_INSTALLED: Message = message('troubles.canBeInstalled');
