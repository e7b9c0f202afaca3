import { counted } from '../figures.ts';

/** What is said of the records: what was mended in them, and what they lack. */
export const RECORDS_SAYS = {
  sittingAgain: 'Readings whose sitting was gone have one again.',
  standsForGone: (name: string) => `${name} stands for an instrument that was gone.`,
  inPlaceOfGone: 'Put in place of one that was gone.',
  summaryMended: (was: 'missing' | 'untrue') => `The summary of a sitting was ${was}.`,
  summaryGone: 'The summary of a sitting that is gone was taken away.',
  notOnShelf: 'This instrument is not on the shelf any more.',
  inThisTuning: (name: string) => `${name} is in this tuning. Keep it in another one first.`,
  nothingToBringBack: 'Nothing was kept that could be brought back.',
  noLineOfAir: 'There is no line below the first one.',
  notClosedInOrder: (mended: number, left: number) =>
    `The last time this page was not closed in order. In the records ${counted(mended, 'fault')} ${mended === 1 ? 'was' : 'were'} mended, ${left} left. Under Backup and restore they can be checked again.`,
  backupChecked: (counts: {
    readonly instruments: number;
    readonly sessions: number;
    readonly events: number;
  }) =>
    `${counted(counts.instruments, 'instrument')}, ${counted(counts.sessions, 'sitting')}, ${counted(counts.events, 'event')}: checked.`,
  wouldNotComeBack: (count: number, first: { readonly place: string; readonly reason: string }) =>
    `${counted(count, 'record')} would not come back, the first for this: ${first.place} ${first.reason}. Check the records.`,
  notStoredYet: (events: number) =>
    `${counted(events, 'event')} of this page ${events === 1 ? 'is' : 'are'} not stored yet. It is tried again by itself.`,
} as const;
